import { expect, test } from '@jest/globals';
import { curveOption, placeOf, type CurveData } from './curve-option.ts';
import { CHART_THEME } from '../testing/chart-theme.ts';

const data: CurveData = {
  temperature: Array.from({ length: 2000 }, (_, i) => [i * 60_000, 43] as const),
  ph: [
    [0, 6.6],
    [3_600_000, 5.5],
  ],
  band: [{ atMs: 0, p10: 6.5, p90: 6.7 }],
  temperatureDots: [{ atMs: 60_000, value: 100 }],
  felt: [],
  phDots: [],
  cueMarks: [{ atMs: 120_000, text: 'set' }],
  setPh: 4.6,
  setName: 'set',
  room: [],
  fromMs: 0,
  toMs: 7_200_000,
  unit: 'F',
  time: (ms) => String(ms),
};

interface Drawn {
  readonly name: string;
  readonly data: readonly (readonly [number, number])[];
}

test('draws in the kitchen’s own degrees, only what is in view, and no more points than a screen can show', () => {
  const series = curveOption(data, CHART_THEME, false).series as unknown as readonly Drawn[];
  const named = (name: string): Drawn => series.find((s) => s.name === name)!;
  expect(named('Measured').data).toEqual([[60_000, 212]]);
  expect(named('Temperature').data.length).toBeLessThanOrEqual(301);
  expect(named('Temperature').data.every(([ms]) => ms <= data.toMs + 60_000)).toBe(true);
  expect(named('band').data[0]![1]).toBeCloseTo(0.2, 9);
});

test('the present stands over both drawings, between their sides, and nowhere out of their hours', () => {
  const grids = curveOption(data, CHART_THEME, false).grid as readonly { left: number; right: number }[];
  const { left, right } = grids[0]!;
  expect(placeOf(data, data.fromMs, false)!.left).toBe(
    `calc(${left}px + 0.00000 * (100% - ${left + right}px))`,
  );
  expect(placeOf(data, (data.fromMs + data.toMs) / 2, false)!.left).toContain('0.50000');
  expect(placeOf(data, data.toMs + 1, false)).toBeNull();
  expect(placeOf(data, data.fromMs - 1, true)).toBeNull();
  // It ends above the row of what was seen.
  const unseen = placeOf({ ...data, cueMarks: [] }, data.toMs, false)!;
  expect(placeOf(data, data.toMs, false)!.bottom).toBeGreaterThan(unseen.bottom);
});

interface Seen {
  readonly value: readonly [number, number];
  readonly label: { readonly show: boolean; readonly formatter: string; readonly position: string };
}
const seenOf = (cueMarks: CurveData['cueMarks']): readonly Seen[] => {
  const series = curveOption({ ...data, cueMarks }, CHART_THEME, false).series as unknown as readonly {
    readonly name: string;
    readonly data: readonly Seen[];
  }[];
  return series.find((s) => s.name === 'Seen')!.data;
};

test.each([
  [0.8, 0.86, ['whey showing', 'right']],
  // Beyond, it has room on neither side.
  [0.9, 0.97, undefined],
])('no word lies over the mark before it: at %d and %d', (before, at, told) => {
  const [first, last] = seenOf([
    { atMs: before * data.toMs, text: 'set' },
    { atMs: at * data.toMs, text: 'whey showing' },
  ]);
  expect(first!.label.show).toBe(false);
  expect(last!.label.show ? [last!.label.formatter, last!.label.position] : undefined).toEqual(told);
});

test('what was seen stands in a row of its own; of words that would lie over each other the later one is said', () => {
  const cueMarks = [
    { atMs: 1_000_000, text: 'liquid' },
    { atMs: 4_000_000, text: 'liquid' },
    { atMs: 4_100_000, text: 'trembles' },
    { atMs: 7_000_000, text: 'set' },
  ];
  const seen = seenOf(cueMarks);
  expect(seen.map(({ value }) => value[0])).toEqual(cueMarks.map(({ atMs }) => atMs));
  expect(
    seen.filter(({ label }) => label.show).map(({ label }) => [label.formatter, label.position]),
  ).toEqual([
    ['liquid', 'right'],
    ['trembles', 'right'],
    ['set', 'left'],
  ]);
});
