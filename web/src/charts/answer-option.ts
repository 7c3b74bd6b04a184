import type { EChartsOption } from 'echarts';
import type { CurveTheme } from './curve-option.ts';

interface Axis {
  readonly name: string;
  /** What a value of it is called; left out, the number. */
  readonly word?: (value: number) => string;
  /** Steps between its marks; left out, as it comes. */
  readonly step?: number;
}

/** What an answer of the Daybook draws, in the kitchen's own measures. */
export type AnswerPicture =
  /** Makes as dots; `even` draws the line where both are the same. */
  | {
      readonly kind: 'dots';
      readonly dots: readonly (readonly [number, number])[];
      readonly x: Axis;
      readonly y: Axis;
      readonly even?: boolean;
    }
  /** Groups as bars, upright or, with long names, lying. */
  | {
      readonly kind: 'bars';
      readonly bars: readonly { readonly label: string; readonly value: number }[];
      readonly y: Axis;
      readonly lying?: boolean;
    }
  /** Months as lines, each named at its end. */
  | {
      readonly kind: 'lines';
      readonly labels: readonly string[];
      readonly lines: readonly { readonly name: string; readonly values: readonly number[] }[];
      readonly y: Axis;
    };

/** What a letter of a name at the end of a line takes, px; and what a name beside a bar may take. */
const LETTER_PX = 9;
const NAME_PX = 168;
const NARROW_NAME_PX = 118;

/** Pure data to a chart: the maker's own makes in butter and ink, what they are held against in blue. */
export function answerOption(picture: AnswerPicture, theme: CurveTheme, narrow: boolean): EChartsOption {
  const text = { color: theme.quiet, fontSize: 16, fontFamily: theme.fontFamily };
  const worded = ({ word }: Axis) => (word ? { formatter: (value: number) => word(value) } : {});
  const value = (axis: Axis, side: 'x' | 'y') => ({
    type: 'value' as const,
    name: axis.name,
    nameLocation: side === 'x' ? ('middle' as const) : ('end' as const),
    nameGap: side === 'x' ? 30 : 14,
    nameTextStyle: { ...text, align: side === 'x' ? ('center' as const) : ('left' as const) },
    axisLabel: { ...text, ...worded(axis), hideOverlap: true },
    splitLine: { show: side === 'y', lineStyle: { color: theme.faint } },
    axisLine: { show: side === 'x', lineStyle: { color: theme.quiet } },
    ...(axis.step === undefined ? {} : { interval: axis.step }),
  });
  const named = (labels: readonly string[]) => ({
    type: 'category' as const,
    data: [...labels],
    axisLabel: { ...text, hideOverlap: true },
    axisTick: { show: false },
    axisLine: { lineStyle: { color: theme.quiet } },
  });
  const grid = { left: 8, right: 16, top: 40, bottom: 8, containLabel: true };
  switch (picture.kind) {
    case 'dots': {
      const { dots, x, y, even } = picture;
      const all = dots.flat();
      const [low, high] = [Math.min(...all), Math.max(...all)];
      return {
        animation: false,
        grid: { ...grid, bottom: 34 },
        xAxis: { ...value(x, 'x'), scale: true, minInterval: 1 },
        yAxis: { ...value(y, 'y'), scale: y.word === undefined, ...(y.word ? { min: 0, max: 3 } : {}) },
        series: [
          ...(even
            ? [
                {
                  type: 'line' as const,
                  symbol: 'none',
                  silent: true,
                  data: [
                    [low, low],
                    [high, high],
                  ],
                  lineStyle: { color: theme.brush, width: 3 },
                },
              ]
            : []),
          {
            type: 'scatter',
            data: dots.map(([a, b]) => [a, b]),
            symbolSize: dots.length > 400 ? 6 : 12,
            itemStyle: { color: theme.butter, borderColor: theme.ink, borderWidth: 1.6 },
          },
        ],
      };
    }
    case 'bars': {
      const { bars, y, lying } = picture;
      const names = named(bars.map(({ label }) => label));
      const amounts = { ...value(y, lying ? 'x' : 'y'), min: 0 };
      return {
        animation: false,
        grid: lying ? { ...grid, top: 8, bottom: 34 } : grid,
        xAxis: lying ? amounts : names,
        yAxis: lying
          ? {
              ...names,
              inverse: true,
              axisLabel: { ...text, width: narrow ? NARROW_NAME_PX : NAME_PX, overflow: 'truncate' },
            }
          : amounts,
        series: [
          {
            type: 'bar',
            data: bars.map((bar) => bar.value),
            barMaxWidth: 36,
            itemStyle: { color: theme.butter, borderColor: theme.ink, borderWidth: 1.6 },
          },
        ],
      };
    }
    case 'lines': {
      const { labels, lines, y } = picture;
      return {
        animation: false,
        grid: { ...grid, right: 16 + LETTER_PX * Math.max(...lines.map(({ name }) => name.length)) },
        xAxis: { ...named(labels), boundaryGap: false },
        yAxis: { ...value(y, 'y'), min: 0 },
        series: lines.map((line, i) => {
          const tone = i === 0 ? theme.cobalt : theme.clay;
          return {
            type: 'line' as const,
            data: [...line.values],
            symbol: i === 0 ? 'circle' : 'diamond',
            symbolSize: i === 0 ? 8 : 11,
            lineStyle: { color: tone, width: 3 },
            itemStyle: { color: tone },
            endLabel: {
              show: true,
              formatter: line.name,
              color: tone,
              fontSize: 17,
              fontWeight: 600,
              fontFamily: theme.fontFamily,
            },
            labelLayout: { moveOverlap: 'shiftY' as const },
          };
        }),
      };
    }
  }
}
