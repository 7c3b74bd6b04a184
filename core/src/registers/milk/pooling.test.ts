import { describe, expect, test } from '@jest/globals';
import type { Lot, LotFacts, MilkMovement } from '../../contract/index.ts';
import { createLedger, lotId, ZERO_MS } from '../../fixtures/index.ts';
import { foldMilkRoom, keepOf, movementFault, settledHours, settles, skimOffer } from './index.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const [EVENING, MORNING, CAN, CREAM, REST] = ['EVENING', 'MORNING', 'CAN', 'CREAM', 'REST'].map(lotId) as [
  string,
  string,
  string,
  string,
  string,
];
const hours = (h: number): number => ZERO_MS + h * HOUR_MS;
const pour = (massKg: number, into: string = CAN, soured = false): MilkMovement => ({
  kind: 'pool',
  into: { lotId: into, name: 'Milk can', place: 'cold' },
  massKg,
  soured,
  typed: null,
});
/** Two milkings, half a day apart, the later one as told. */
function twoMilkings(later: Partial<LotFacts> = {}) {
  const ledger = createLedger();
  ledger.intake(EVENING, 0, 6, { costPerLitre: 0.5 });
  ledger.intake(MORNING, 12, 4, { name: 'Morning milk', costPerLitre: 1, ...later });
  return ledger;
}
const lotOf = (ledger: ReturnType<typeof createLedger>, id: string): Lot =>
  foldMilkRoom(ledger.events).lots.get(id)!;

describe('milk poured together', () => {
  test('begins a can that is the sum of both, as old as the older and as dear as their mean', () => {
    const ledger = twoMilkings({ fatFraction: 0.05 });
    const [evening, morning] = [lotOf(ledger, EVENING), lotOf(ledger, MORNING)];
    ledger.move(EVENING, 13, pour(evening.has.massKg));
    ledger.move(MORNING, 13, pour(morning.has.massKg));
    const can = lotOf(ledger, CAN);
    for (const part of ['massKg', 'fatKg', 'proteinKg', 'lactoseKg', 'ashKg'] as const)
      expect(can.has[part]).toBeCloseTo(evening.has[part] + morning.has[part], 9);
    expect(can.costPerKg! * can.has.massKg).toBeCloseTo(6 * 0.5 + 4 * 1, 9);
    expect(can).toMatchObject({
      name: 'Milk can',
      role: 'milk',
      source: 'Fern',
      fatKnown: true,
      parents: [EVENING, MORNING],
      portions: [],
      oldestMs: hours(0),
    });
    expect(keepOf(can, hours(13)).fromMs).toBe(hours(48));
    for (const id of [EVENING, MORNING]) expect(lotOf(ledger, id).has.massKg).toBe(0);
  });

  test('stirs the cream in again: it settles from the last pouring on', () => {
    const ledger = twoMilkings();
    expect(settledHours(lotOf(ledger, EVENING), hours(13))).toBe(13);
    ledger.move(MORNING, 13, pour(2, EVENING));
    const can = lotOf(ledger, EVENING);
    expect(settledHours(can, hours(13))).toBe(0);
    expect(settles(can)).toBe(true);
    expect(skimOffer(can, hours(25), { depth: 1, learned: undefined }).creamKg).toBeGreaterThan(0.2);
  });

  test.each<[string, Partial<LotFacts>, Partial<Lot>]>([
    [
      'another animal',
      { source: 'The ewes', kind: 'ewe', fatFraction: 0.07 },
      { source: 'several sources', kind: 'cow-lean' },
    ],
    ['heated milk', { treatment: 'pasteurised' }, { treatment: 'raw' }],
    ['homogenised milk', { homogenised: true }, { homogenised: false }],
    ['hay milk', { feed: 'hay' }, { feed: 'mixed' }],
    ['milk of unknown feed', { feed: null }, { feed: null }],
    ['milk without a price', { costPerLitre: null }, { costPerKg: null }],
    ['milk of unknown fat', { fatFraction: null }, { fatKnown: false }],
    ['soured milk', { soured: true }, { soured: false, mixedSourSweet: true }],
  ])('with %s', (_, facts, expected) => {
    const ledger = twoMilkings(facts);
    ledger.move(MORNING, 13, pour(2, EVENING, facts.soured));
    expect(lotOf(ledger, EVENING)).toMatchObject(expected);
  });

  test('skimmed milk stays skimmed by itself and becomes milk with whole milk in it', () => {
    const ledger = twoMilkings();
    ledger.move(EVENING, 12, {
      kind: 'skim',
      cream: { lotId: CREAM, name: 'Cream' },
      rest: { lotId: REST, name: 'Skimmed' },
      creamKg: 0.5,
      fatFraction: 0.24,
      weighed: true,
      typed: null,
    });
    ledger.move(REST, 13, pour(2));
    expect(lotOf(ledger, CAN)).toMatchObject({ role: 'skimmed', stillSinceMs: null });
    expect(movementFault(foldMilkRoom(ledger.events), CREAM, pour(0.1), hours(14))?.message).toBe(
      'Milk can is milk, but Cream is not',
    );
    ledger.move(MORNING, 14, pour(1));
    expect(lotOf(ledger, CAN)).toMatchObject({ role: 'milk', stillSinceMs: hours(14) });
  });

  test('what is frozen is thawed first, and a lot is not poured into itself', () => {
    const ledger = twoMilkings();
    ledger.move(MORNING, 13, { kind: 'freeze' });
    const room = foldMilkRoom(ledger.events);
    expect(movementFault(room, MORNING, pour(1, EVENING), hours(14))?.message).toMatch(/Thaw it first/);
    expect(movementFault(room, EVENING, pour(1, EVENING), hours(14))?.message).toMatch(/itself/);
  });
});
