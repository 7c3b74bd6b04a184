import type { EChartsOption } from 'echarts';
import type { CurveTheme } from './curve-option.ts';

/** A week's milk: what came in or is expected, and what the makes took or take. */
export interface Week {
  readonly label: string;
  readonly ahead: boolean;
  readonly milk: number;
  /** P10 and P90 of what is expected. */
  readonly low: number;
  readonly high: number;
  readonly used: number;
}

/** Weeks side by side: milk as bars (expected ones hollow, with their range), use as a line through them. */
export function weeksOption(
  weeks: readonly Week[],
  unit: string,
  theme: CurveTheme,
  narrow: boolean,
): EChartsOption {
  const axisLabel = { color: theme.quiet, fontSize: 16, fontFamily: theme.fontFamily };
  return {
    animation: false,
    grid: { left: 58, right: 16, top: 34, bottom: 40 },
    xAxis: {
      type: 'category',
      data: weeks.map((w) => w.label),
      axisLabel: { ...axisLabel, interval: narrow ? 3 : 1 },
      axisTick: { show: false },
      axisLine: { lineStyle: { color: theme.quiet } },
    },
    yAxis: {
      type: 'value',
      name: `${unit} per week`,
      nameTextStyle: { ...axisLabel, align: 'left', padding: [0, 0, 0, -40] },
      axisLabel,
      splitLine: { lineStyle: { color: theme.faint } },
    },
    series: [
      {
        type: 'bar',
        data: weeks.map((w) => ({
          value: w.milk,
          itemStyle: w.ahead
            ? { color: 'transparent', borderColor: theme.cobalt, borderWidth: 2, borderType: 'dashed' }
            : { color: theme.brush },
        })),
        barCategoryGap: '30%',
      },
      // The range of what is expected: a thin upright stroke for each week ahead.
      ...weeks.flatMap((w) =>
        w.ahead
          ? [
              {
                type: 'line' as const,
                symbol: 'none',
                data: [
                  [w.label, w.low],
                  [w.label, w.high],
                ],
                lineStyle: { color: theme.cobalt, width: 3 },
              },
            ]
          : [],
      ),
      {
        type: 'line',
        symbol: 'circle',
        symbolSize: 9,
        step: 'middle' as const,
        data: weeks.map((w) => w.used),
        lineStyle: { color: theme.clay, width: 3 },
        itemStyle: { color: theme.clay },
      },
    ],
  };
}
