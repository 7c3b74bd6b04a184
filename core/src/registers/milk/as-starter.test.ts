import { describe, expect, test } from '@jest/globals';
import { makePlan, type Lot } from '../../contract/index.ts';
import { createLedger, lotId, ZERO_MS } from '../../fixtures/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { beginPlan } from '../../products/index.ts';
import { foldMilkRoom, lotsAsStarter, milkFromLots, starterFromLot } from './index.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const AT = new Date(ZERO_MS + 48 * HOUR_MS).toISOString();
const plan = beginPlan('buttermilk', defaultKitchen('UTC'), AT);
const [SWEET, SOUR, JUST, POT] = ['SWEET', 'SOUR', 'JUST', 'POT'].map(lotId) as [
  string,
  string,
  string,
  string,
];
function ledgerOf() {
  const ledger = createLedger();
  const cream = { what: 'cream', fatFraction: 0.35 } as const;
  ledger.intake(SWEET, 0, 1, { ...cream, name: 'Sweet cream' });
  ledger.intake(SOUR, 2, 1, { ...cream, name: 'Sour cream', soured: true, ph: 4.6 });
  ledger.intake(JUST, 4, 1, { ...cream, name: 'Turning cream', ph: 5.8 });
  return ledger;
}
const lots = (ledger = ledgerOf()): Lot[] => [...foldMilkRoom(ledger.events).lots.values()];
const lotOf = (id: string, ledger = ledgerOf()): Lot => lots(ledger).find((lot) => lot.id === id)!;

describe('cream has a degree of souring', () => {
  test('as it came in: soured is what is ripe, just sour is not yet', () => {
    expect(lotOf(SWEET)).toMatchObject({ soured: false });
    expect(lotOf(SWEET).ph).toBeUndefined();
    expect(lotOf(SOUR)).toMatchObject({ soured: true, ph: 4.6 });
    expect(lotOf(JUST)).toMatchObject({ soured: false, ph: 5.8 });
  });

  test('it turns while it stands, and keeps what was said of it where it is carried', () => {
    const ledger = ledgerOf();
    const move = { kind: 'move', place: 'counter', placeC: 19, container: null } as const;
    ledger.move(SWEET, 10, { ...move, ph: 5.7 });
    ledger.move(SWEET, 20, { ...move, place: 'cold', placeC: 4 });
    expect(lotOf(SWEET, ledger)).toMatchObject({ ph: 5.7, soured: false, place: 'cold' });
  });

  test('poured together it lies between, and a plan takes it over', () => {
    const ledger = ledgerOf();
    for (const from of [SWEET, JUST])
      ledger.move(from, 12, {
        kind: 'pool',
        into: { lotId: POT, name: 'Cream pot', place: 'cold' },
        massKg: lotOf(from).has.massKg,
        soured: false,
        typed: null,
      });
    const pot = lotOf(POT, ledger);
    expect(pot.ph).toBeCloseTo(6.2, 9);
    const churned = beginPlan('butter', defaultKitchen('UTC'), AT);
    const from = [{ lotId: POT, massKg: 1 }];
    expect(milkFromLots(churned.milk, [pot], from, 'cream')).toMatchObject({ ph: 6.2, soured: false });
    // Where nobody said how sour any of it is, nothing is said of the whole.
    expect(milkFromLots(churned.milk, lots(), [{ lotId: SWEET, massKg: 1 }], 'cream')).not.toHaveProperty(
      'ph',
    );
  });
});

describe('a lot as a starter', () => {
  test('only what soured, thawed and with something left; the freshest first', () => {
    const ledger = ledgerOf();
    expect(lotsAsStarter(plan, lots(ledger)).map(({ lot }) => lot.name)).toEqual(['Sour cream']);
    ledger.move(SOUR, 8, { kind: 'freeze' });
    expect(lotsAsStarter(plan, lots(ledger))).toEqual([]);
  });

  test('it is as old as the lot, as much as the plan wants, and never more than there is', () => {
    const [one] = lotsAsStarter(plan, lots());
    const starter = starterFromLot(plan, one!);
    expect(starter).toMatchObject({ kind: 'cultured-buttermilk', ageD: 2, lot: { lotId: SOUR } });
    expect(makePlan.safeParse({ ...plan, starter }).error?.issues).toBeUndefined();
    const thirsty = { ...plan, starter: { ...plan.starter, massKg: 5 } };
    expect(starterFromLot(thirsty, one!).massKg).toBeCloseTo(lotOf(SOUR).has.massKg, 9);
  });

  test('what is given as a starter leaves the lot and says where it went', () => {
    const ledger = ledgerOf();
    const into = lotId('MAKE');
    ledger.move(SOUR, 40, {
      kind: 'give',
      to: 'used',
      massKg: 0.05,
      typed: { value: 50, unit: 'g' },
      note: 'starter',
      into,
    });
    const room = foldMilkRoom(ledger.events);
    expect(room.lots.get(SOUR)!.has.massKg).toBeCloseTo(lotOf(SOUR).has.massKg - 0.05, 9);
    expect(room.lines.at(-1)).toMatchObject({ kind: 'used', otherId: into });
  });
});
