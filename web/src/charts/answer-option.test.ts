import { expect, test } from '@jest/globals';
import { answerOption, type AnswerPicture } from './answer-option.ts';
import { CHART_THEME } from '../testing/chart-theme.ts';

interface Shape {
  readonly xAxis: { readonly type: string; readonly data?: readonly string[] };
  readonly yAxis: { readonly type: string; readonly data?: readonly string[]; readonly max?: number };
  readonly series: readonly {
    readonly type: string;
    readonly data: readonly unknown[];
    readonly endLabel?: { readonly formatter: string };
  }[];
}
const drawn = (picture: AnswerPicture): Shape =>
  answerOption(picture, CHART_THEME, false) as unknown as Shape;

test('makes are dots; the line where both are the same goes from the least to the most of both', () => {
  const dots = [
    [4, 5],
    [30, 28],
  ] as const;
  const axes = { x: { name: 'forecast' }, y: { name: 'seen' } };
  expect(drawn({ kind: 'dots', dots, ...axes }).series.map(({ type }) => type)).toEqual(['scatter']);
  const [line, scatter] = drawn({ kind: 'dots', dots, even: true, ...axes }).series;
  expect(line!.data).toEqual([
    [4, 4],
    [30, 30],
  ]);
  expect(scatter!.data).toEqual([
    [4, 5],
    [30, 28],
  ]);
});

test('groups are bars, lying where their names are long; months are lines named at their ends', () => {
  const bars = [{ label: 'a barrel churn', value: 4 }];
  const lying = drawn({ kind: 'bars', lying: true, bars, y: { name: '%' } });
  expect([lying.xAxis.type, lying.yAxis.data]).toEqual(['value', ['a barrel churn']]);
  expect(drawn({ kind: 'bars', bars, y: { name: '%' } }).xAxis.data).toEqual(['a barrel churn']);
  const lines = drawn({
    kind: 'lines',
    labels: ['Jan', 'Feb'],
    lines: [
      { name: 'L in', values: [3, 4] },
      { name: 'kg out', values: [2, 3] },
    ],
    y: { name: 'a month' },
  });
  expect(lines.series.map(({ endLabel }) => endLabel?.formatter)).toEqual(['L in', 'kg out']);
});
