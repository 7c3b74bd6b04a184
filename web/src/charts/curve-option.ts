import { fromCelsius, type TemperatureUnit } from '@morning-crock/core';
import type { EChartsOption } from 'echarts';

/** A dot on the curve. */
interface Dot {
  readonly atMs: number;
  readonly value: number;
}

/** Everything the curve of a make draws; instants in ms, temperatures in °C. */
export interface CurveData {
  readonly temperature: readonly (readonly [number, number])[];
  readonly ph: readonly (readonly [number, number])[];
  readonly band: readonly { readonly atMs: number; readonly p10: number; readonly p90: number }[];
  readonly temperatureDots: readonly Dot[];
  /** What was seen and felt without a thermometer: a span each. */
  readonly felt: readonly { readonly atMs: number; readonly fromC: number; readonly toC: number }[];
  readonly phDots: readonly Dot[];
  readonly cueMarks: readonly { readonly atMs: number; readonly text: string }[];
  readonly setPh: number;
  /** "set", "thick" */
  readonly setName: string;
  /** The room's heat behind what stands in it; empty when it stands elsewhere. */
  readonly room: readonly (readonly [number, number])[];
  readonly fromMs: number;
  readonly toMs: number;
  readonly unit: TemperatureUnit;
  readonly time: (ms: number) => string;
}

/** Colours and letters of the one theme, read from the page. */
export interface CurveTheme {
  readonly ink: string;
  readonly quiet: string;
  readonly faint: string;
  readonly cobalt: string;
  readonly brush: string;
  readonly clay: string;
  readonly butter: string;
  readonly fontFamily: string;
}

/** Height of the row under the time axis where what was seen is marked, px. */
const CUE_ROW = 26;
/** Height above and below the two drawings, px. */
const EDGE = 34;
/** Of the word over an upright line, px; its style knows it as well. */
const WORD_HEIGHT = 24;
/** Width left and right of them, px. */
const sidesOf = (narrow: boolean): { readonly left: number; readonly right: number } =>
  narrow ? { left: 44, right: 40 } : { left: 52, right: 56 };

/**
 * Where an instant stands over the drawn curve, its word on top, as lengths of a style sheet; `null` out of its hours. What moves
 * every minute is laid over the drawing: drawn into it, all of it would be drawn anew.
 */
export function placeOf(
  data: CurveData,
  ms: number,
  narrow: boolean,
): { readonly left: string; readonly top: number; readonly bottom: number } | null {
  const share = (ms - data.fromMs) / (data.toMs - data.fromMs);
  if (share < 0 || share > 1) return null;
  const { left, right } = sidesOf(narrow);
  return {
    left: `calc(${left}px + ${share.toFixed(5)} * (100% - ${left + right}px))`,
    top: EDGE - WORD_HEIGHT,
    bottom: EDGE + (data.cueMarks.length > 0 ? CUE_ROW : 0),
  };
}

const MANY_DOTS = 80;
const thin = <T>(items: readonly T[], most: number): readonly T[] => {
  const stride = Math.ceil(items.length / most);
  return stride <= 1 ? items : items.filter((_, i) => i % stride === 0 || i === items.length - 1);
};

/** Two words closer than this share of the width would lie over each other: the later one is said. */
const WORD_SHARE = 0.16;

/** So much of the width lies free beside the chart, under its line names. */
const MARGIN_SHARE = 0.1;

/** What was seen, marked in one row; a word stands where it has room: to the right, else inward of the right edge. */
function cuesInRow({
  cueMarks,
  fromMs,
  toMs,
}: CurveData): { readonly atMs: number; readonly text: string; readonly side: 'left' | 'right' }[] {
  const share = (ms: number): number => (ms - fromMs) / (toMs - fromMs);
  return cueMarks.map(({ atMs, text }, i) => {
    const at = share(atMs);
    const free = (other: (typeof cueMarks)[number] | undefined): boolean =>
      other === undefined || Math.abs(share(other.atMs) - at) >= WORD_SHARE;
    const inward = at > 1 - WORD_SHARE && free(cueMarks[i - 1]);
    const fits = inward || at <= 1 - WORD_SHARE + MARGIN_SHARE;
    return { atMs, text: fits && free(cueMarks[i + 1]) ? text : '', side: inward ? 'left' : 'right' };
  });
}

/** Pure data to a chart: temperature above in clay, pH below in cobalt, each named on its line. */
export function curveOption(data: CurveData, theme: CurveTheme, narrow: boolean): EChartsOption {
  const shown = (celsius: number): number => Math.round(fromCelsius(celsius, data.unit) * 10) / 10;
  const within = (ms: number): boolean => ms >= data.fromMs - 60_000 && ms <= data.toMs + 60_000;
  const degrees = `°${data.unit}`;
  const temperature = thin(
    data.temperature.filter(([ms]) => within(ms)),
    300,
  ).map(([ms, c]) => [ms, shown(c)]);
  const ph = thin(
    data.ph.filter(([ms]) => within(ms)),
    300,
  ).map(([ms, v]) => [ms, v]);
  const band = data.band.filter((b) => within(b.atMs));
  const axisLabel = { color: theme.quiet, fontSize: 16, fontFamily: theme.fontFamily };
  // Over the figures, not over the axis: the present stands there in the first minutes.
  const overFigures = { align: 'right' as const, padding: [0, 18, 0, 0] };
  const endLabel = (text: string, color: string) => ({
    show: true,
    formatter: text,
    color,
    fontSize: 17,
    fontWeight: 600,
    fontFamily: theme.fontFamily,
  });
  const cueRow = data.cueMarks.length > 0 ? CUE_ROW : 0;
  const { left, right } = sidesOf(narrow);
  const timeAxis = (gridIndex: number, labels: boolean) => ({
    type: 'time' as const,
    gridIndex,
    min: data.fromMs,
    max: data.toMs,
    axisLine: { lineStyle: { color: theme.faint } },
    axisTick: { show: labels },
    splitLine: { show: true, lineStyle: { color: theme.faint, opacity: 0.6 } },
    axisLabel: { ...axisLabel, show: labels, hideOverlap: true, formatter: (ms: number) => data.time(ms) },
    splitNumber: narrow ? 3 : 6,
  });
  return {
    animation: false,
    textStyle: { fontFamily: theme.fontFamily },
    grid: [
      { left, right, top: EDGE, height: cueRow > 0 ? '28%' : '31%' },
      { left, right, bottom: EDGE + cueRow, height: cueRow > 0 ? '34%' : '39%' },
      { left, right, bottom: 0, height: CUE_ROW },
    ],
    xAxis: [timeAxis(0, false), timeAxis(1, true), { ...timeAxis(2, false), show: false }],
    yAxis: [
      {
        type: 'value',
        gridIndex: 0,
        name: degrees,
        nameTextStyle: { ...axisLabel, ...overFigures, color: theme.clay },
        min: 0,
        splitNumber: 3,
        // The axis itself is nought; its figure would stand where the curve below is named.
        axisLabel: { ...axisLabel, formatter: (value: number) => (value === 0 ? '' : String(value)) },
        splitLine: { show: false },
      },
      {
        type: 'value',
        gridIndex: 1,
        name: 'pH',
        nameTextStyle: { ...axisLabel, ...overFigures, color: theme.cobalt },
        min: 3.5,
        max: 7,
        interval: 0.5,
        // Whole numbers, where a person looks for them.
        axisLabel: { ...axisLabel, formatter: (ph: number) => (Number.isInteger(ph) ? String(ph) : '') },
        axisTick: { show: false },
        splitLine: { show: false },
      },
      { type: 'value', gridIndex: 2, min: 0, max: 1, show: false },
    ],
    series: [
      {
        type: 'line',
        name: 'Temperature',
        data: temperature,
        showSymbol: false,
        lineStyle: { color: theme.clay, width: 3 },
        itemStyle: { color: theme.clay },
        endLabel: endLabel(degrees, theme.clay),
      },
      {
        type: 'line',
        name: 'Room',
        data: data.room.filter(([ms]) => within(ms)).map(([ms, c]) => [ms, shown(c)]),
        showSymbol: false,
        silent: true,
        lineStyle: { color: theme.brush, width: 1.5, type: 'dashed' as const },
        areaStyle: { color: theme.brush, opacity: 0.12 },
        endLabel: { ...endLabel('room', theme.brush), fontWeight: 400, offset: [0, 16] },
      },
      {
        type: 'scatter',
        name: 'Measured',
        data: thin(data.temperatureDots, 200).map((d) => [d.atMs, shown(d.value)]),
        // A logger's many dots are a line of their own: small, without rims.
        symbolSize: data.temperatureDots.length > MANY_DOTS ? 3 : 8,
        itemStyle: {
          color: theme.clay,
          borderColor: theme.ink,
          borderWidth: data.temperatureDots.length > MANY_DOTS ? 0 : 1,
        },
      },
      {
        type: 'line',
        name: 'Felt',
        // One upright stroke each, parted by gaps.
        data: data.felt.flatMap(({ atMs, fromC, toC }): (number | null)[][] => [
          [atMs, shown(fromC)],
          [atMs, shown(toC)],
          [atMs, null],
        ]),
        showSymbol: false,
        connectNulls: false,
        silent: true,
        lineStyle: { color: theme.clay, width: 5, opacity: 0.6 },
      },
      {
        type: 'line',
        name: 'low',
        xAxisIndex: 1,
        yAxisIndex: 1,
        stack: 'band',
        data: band.map((b) => [b.atMs, b.p10]),
        showSymbol: false,
        lineStyle: { opacity: 0 },
        silent: true,
      },
      {
        type: 'line',
        name: 'band',
        xAxisIndex: 1,
        yAxisIndex: 1,
        stack: 'band',
        data: band.map((b) => [b.atMs, b.p90 - b.p10]),
        showSymbol: false,
        lineStyle: { opacity: 0 },
        areaStyle: { color: theme.brush, opacity: 0.28 },
        silent: true,
      },
      {
        type: 'line',
        name: 'pH',
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: ph,
        showSymbol: false,
        lineStyle: { color: theme.cobalt, width: 3 },
        itemStyle: { color: theme.cobalt },
        endLabel: endLabel('pH', theme.cobalt),
        markLine: {
          symbol: 'none',
          silent: true,
          data: [
            {
              yAxis: data.setPh,
              label: {
                formatter: `${data.setName} ${data.setPh.toFixed(1)}`,
                position: 'insideStartTop',
                color: theme.cobalt,
                fontSize: 16,
                fontFamily: theme.fontFamily,
              },
              lineStyle: { color: theme.cobalt, type: 'dashed' as const, width: 1.5 },
            },
          ],
        },
      },
      {
        type: 'scatter',
        name: 'pH measured',
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: data.phDots.map((d) => [d.atMs, d.value]),
        symbolSize: 11,
        itemStyle: { color: theme.cobalt, borderColor: theme.ink, borderWidth: 1.5 },
      },
      {
        type: 'scatter',
        name: 'Seen',
        xAxisIndex: 2,
        yAxisIndex: 2,
        silent: true,
        symbol: 'triangle',
        symbolSize: 11,
        itemStyle: { color: theme.quiet },
        data: cuesInRow(data).map(({ atMs, text, side }) => ({
          value: [atMs, 0.5],
          label: {
            show: text !== '',
            formatter: text,
            position: side,
            color: theme.quiet,
            fontSize: 16,
            fontFamily: theme.fontFamily,
          },
        })),
      },
    ],
  };
}
