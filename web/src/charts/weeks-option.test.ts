import { expect, test } from '@jest/globals';
import { weeksOption, type Week } from './weeks-option.ts';
import { CHART_THEME } from '../testing/chart-theme.ts';

const week = (label: string, ahead: boolean, milk: number): Week => ({
  label,
  ahead,
  milk,
  low: milk * 0.8,
  high: milk * 1.2,
  used: 9,
});
const WEEKS = [week('2 Mar', false, 20), week('9 Mar', false, 21), week('16 Mar', true, 22)];
interface Series {
  readonly type: string;
  readonly data: readonly unknown[];
}
const seriesOf = (weeks: readonly Week[]): Series[] =>
  weeksOption(weeks, 'L', CHART_THEME, false).series as unknown as Series[];

test('milk is a bar a week; what is expected is hollow and has its range, what came in has none', () => {
  const [bars, ...lines] = seriesOf(WEEKS);
  expect(bars).toMatchObject({ type: 'bar', data: [{ value: 20 }, { value: 21 }, { value: 22 }] });
  const styles = bars!.data.map((d) => (d as { itemStyle: { color: string } }).itemStyle.color);
  expect(styles).toEqual([CHART_THEME.brush, CHART_THEME.brush, 'transparent']);
  const ranges = lines.filter((l) => l.data.length === 2);
  expect(ranges.map((r) => r.data)).toEqual([
    [
      ['16 Mar', 22 * 0.8],
      ['16 Mar', 22 * 1.2],
    ],
  ]);
});

test('what the makes take runs through all weeks, and the axis says its unit', () => {
  const option = weeksOption(WEEKS, 'qt (US)', CHART_THEME, true);
  expect((option.series as unknown as Series[]).at(-1)?.data).toEqual([9, 9, 9]);
  expect(option.yAxis).toMatchObject({ name: 'qt (US) per week' });
  expect(option.xAxis).toMatchObject({ data: ['2 Mar', '9 Mar', '16 Mar'] });
});

test('without weeks ahead there is no range, without weeks nothing at all', () => {
  expect(seriesOf(WEEKS.slice(0, 2))).toHaveLength(2);
  expect(seriesOf([])[0]?.data).toEqual([]);
});
