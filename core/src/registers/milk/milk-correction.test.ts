import { expect, test } from '@jest/globals';
import type { MovementOf } from '../../contract/index.ts';
import { createLedger, lotId } from '../../fixtures/index.ts';
import { foldMilkRoom, typedOf, weightOf, withWeight } from './index.ts';

const grams = (value: number) => ({ value, unit: 'g' as const });
const CHURNED: MovementOf<'churn'> = {
  kind: 'churn',
  massKg: 1.2,
  butterKg: 0.44,
  buttermilkKg: 0.75,
  typed: grams(440),
};

test('of a churning the cream is corrected, not the butter whose weight was typed', () => {
  expect(typedOf(CHURNED)).toBeNull();
  const next = withWeight(CHURNED, 1.3, grams(1300));
  expect(next).toEqual({ ...CHURNED, massKg: 1.3, typedCream: grams(1300) });
  expect(weightOf(next)).toBe(1.3);
  expect(typedOf(next)).toEqual(grams(1300));
});

test('what was typed is told as it was typed, and nothing when it was computed', () => {
  expect(
    typedOf({ kind: 'give', to: 'used', massKg: 1.03, typed: { value: 1, unit: 'L' }, note: '' }),
  ).toEqual({
    value: 1,
    unit: 'L',
  });
  expect(typedOf({ kind: 'freeze' })).toBeNull();
  // A cream line's share is no amount.
  expect(typedOf({ kind: 'measure', creamHeight: 0.1, typed: { value: 10, unit: '%' } })).toBeNull();
});

test('the ledger tells the heights as the ruler said them, or their share', () => {
  const ledger = createLedger();
  const lot = lotId('A');
  ledger.intake(lot, 0, 8);
  const typed = { value: 11.7, unit: '%' as const };
  ledger.move(lot, 12, {
    kind: 'measure',
    creamHeight: 2.1 / 18,
    typed,
    heights: { cream: 2.1, all: 18, unit: 'cm' },
  });
  ledger.move(lot, 13, { kind: 'measure', creamHeight: 0.117, typed });
  expect(foldMilkRoom(ledger.events).lines.map((l) => l.note)).toEqual([
    '',
    '2.1 of 18 cm',
    '11.7 % of the height',
  ]);
});
