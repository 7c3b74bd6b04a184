import { expect, test } from '@jest/globals';
import { litresOnDay } from '../../science/milk/index.ts';
import { weeksOfMilk } from './index.ts';
import { DAY_MS } from '../../science/units/index.ts';

const TODAY = '2026-06-01';
const curve = { a: 9, b: 0.2, c: 0.0033 };
const fresh = Date.parse('2026-03-01T00:00:00.000Z');
const HERD = [
  { id: '0', name: 'Fern', kind: 'cow-lean' as const, freshSince: new Date(fresh).toISOString() },
];
const dayAt = (back: number): string =>
  new Date(Date.parse(`${TODAY}T00:00:00.000Z`) - back * DAY_MS).toISOString().slice(0, 10);
const litresAt = (back: number): number =>
  litresOnDay(curve, (Date.parse(`${dayAt(back)}T00:00:00.000Z`) - fresh) / DAY_MS);
const days = Array.from({ length: 60 }, (_, i) => ({
  day: dayAt(60 - i),
  source: 'Fern',
  kind: 'cow-lean' as const,
  litres: litresAt(60 - i),
}));
const used = Array.from({ length: 8 }, (_, i) => ({ day: dayAt(3 + 7 * i), litres: 70 }));

test('weeks back are what came in, weeks ahead lie on the curve, use goes on as it was', () => {
  const { weeks, sources } = weeksOfMilk({ days, used }, HERD, TODAY);
  expect(weeks.filter((w) => !w.ahead)).toHaveLength(8);
  const lastWeek = weeks[7]!;
  expect(lastWeek.milk.p50).toBeCloseTo(
    [1, 2, 3, 4, 5, 6, 7].reduce((sum, back) => sum + litresAt(back), 0),
    6,
  );
  const third = weeks[10]!;
  const real = [-14, -15, -16, -17, -18, -19, -20].reduce((sum, back) => sum + litresAt(back), 0);
  expect(third.from).toBe(dayAt(-14));
  expect(third.milk.p50).toBeCloseTo(real, 0);
  expect(third.milk.p10).toBeLessThan(real);
  expect(third.milk.p90).toBeGreaterThan(real);
  expect(third.usedLitres).toBeCloseTo(70, 6);
  expect(sources[0]).toMatchObject({ source: 'Fern', dayInMilk: 92, guessed: false, dry: false });
});

test('what nobody said is a guess; what gave nothing lately is dry; shops have no curve', () => {
  const old = days.map((d, i) => ({ ...d, source: 'Moss', day: dayAt(120 - i) }));
  const shop = [{ day: dayAt(2), source: 'Shop', kind: 'shop-whole' as const, litres: 5 }];
  const { sources } = weeksOfMilk({ days: [...old, ...shop], used: [] }, [], TODAY);
  expect(sources).toMatchObject([{ source: 'Moss', guessed: true, dry: true, inFourWeeks: null }]);
});
