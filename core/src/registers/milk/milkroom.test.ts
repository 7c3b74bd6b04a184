import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Amount, MakePlan, MilkMovement } from '../../contract/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { defaultPlan } from '../../products/index.ts';
import { createLedger, lotId, ZERO_MS } from '../../fixtures/index.ts';
import {
  allocate,
  creamFactors,
  foldMilkRoom,
  heatAt,
  keepOf,
  ledgerPage,
  litresIn,
  movementFault,
  openLots,
  shortage,
  skimOffer,
  spokenFor,
  type MilkRoom,
} from './index.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const [A, B, CREAM, REST, POT, THAWED, MAKE, MAKE2] = [
  'A',
  'B',
  'CREAM',
  'REST',
  'POT',
  'THAWED',
  'MAKE',
  'MAKE2',
].map(lotId) as [string, string, string, string, string, string, string, string];
const hours = (h: number): number => ZERO_MS + h * HOUR_MS;
const kg = (massKg: number) => ({ massKg, typed: { value: massKg, unit: 'kg' as const } });

function planFrom(lots: MakePlan['milk']['lots']): MakePlan {
  const plan = defaultPlan(defaultKitchen('UTC'), new Date(ZERO_MS).toISOString(), 2);
  return { ...plan, milk: { ...plan.milk, ...(lots ? { lots } : {}) } };
}
const asks = (id: string, massKg: number) => ({ lotId: id, name: 'Evening milk', massKg, costPerKg: null });

/** A milking skimmed after a night, its cream in a pot. */
function skimmed() {
  const ledger = createLedger();
  ledger.intake(A, 0, 10);
  ledger.move(A, 14, {
    kind: 'skim',
    cream: { lotId: CREAM, name: 'Cream' },
    rest: { lotId: REST, name: 'Skimmed' },
    creamKg: 1.1,
    fatFraction: 0.24,
    weighed: true,
    typed: null,
  });
  return ledger;
}

describe('the ledger', () => {
  test('an intake is a lot with its litres, by weight and fat', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 10);
    const lot = foldMilkRoom(ledger.events).lots.get(A)!;
    expect(litresIn(lot)).toBeCloseTo(10, 9);
    expect(lot.has.fatKg / lot.has.massKg).toBeCloseTo(0.04, 12);
    expect(lot.costPerKg! * lot.has.massKg).toBeCloseTo(5, 9);
  });

  test('skimming makes two lots with lineage; mass, fat and cost stay', () => {
    const { lots } = foldMilkRoom(skimmed().events);
    const [whole, cream, rest] = [A, CREAM, REST].map((id) => lots.get(id)!);
    expect(whole!.has.massKg).toBe(0);
    expect([cream!.parents, rest!.parents]).toEqual([[A], [A]]);
    expect(cream!.has.massKg).toBe(1.1);
    expect(cream!.of.fatFraction).toBeCloseTo(0.24, 12);
    const total = 10 * 1.0303;
    expect(cream!.has.massKg + rest!.has.massKg).toBeCloseTo(total, 1);
    expect(cream!.has.fatKg + rest!.has.fatKg).toBeCloseTo(0.04 * (cream!.has.massKg + rest!.has.massKg), 9);
    const cost = [cream, rest].reduce((sum, l) => sum + l!.costPerKg! * l!.has.massKg, 0);
    expect(cost).toBeCloseTo(5, 9);
    expect(cream!.costPerKg).toBeGreaterThan(rest!.costPerKg!);
  });

  test('a pot is as old as its oldest portion and as rich as its mean', () => {
    const ledger = skimmed();
    ledger.intake(B, 40, 0.5, { what: 'cream', fatFraction: 0.4, name: 'Bought cream', source: 'Shop' });
    const into = { lotId: POT, name: 'The pot', place: 'cold' as const };
    ledger.move(B, 41, { kind: 'pool', into, massKg: 0.4, soured: false, typed: null });
    ledger.move(CREAM, 42, { kind: 'pool', into, massKg: 1, soured: true, typed: null });
    const pot = foldMilkRoom(ledger.events).lots.get(POT)!;
    expect(pot.oldestMs).toBe(hours(0));
    expect(pot.of.fatFraction).toBeCloseTo((0.4 * 0.4 + 1 * 0.24) / 1.4, 9);
    expect(pot).toMatchObject({
      source: 'several sources',
      soured: false,
      mixedSourSweet: true,
      role: 'pot',
    });
    expect(pot.portions.map((p) => p.name)).toEqual(['Bought cream', 'Cream']);
    // Raw milk of hour 0 governs: two days at the short end.
    expect(keepOf(pot, hours(42)).fromMs).toBe(hours(48));
  });

  test('taking from a pot takes its oldest portion first', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 1, { what: 'cream', fatFraction: 0.3, name: 'Monday' });
    ledger.intake(B, 30, 1, { what: 'cream', fatFraction: 0.3, name: 'Tuesday' });
    const into = { lotId: POT, name: 'The pot', place: 'freezer' as const };
    ledger.move(B, 31, { kind: 'pool', into, massKg: 0.6, soured: false, typed: null });
    ledger.move(A, 32, { kind: 'pool', into, massKg: 0.5, soured: false, typed: null });
    ledger.move(POT, 40, {
      kind: 'thaw',
      into: { lotId: THAWED, name: 'For Friday' },
      massKg: 0.7,
      readyAt: null,
      typed: null,
    });
    const { lots } = foldMilkRoom(ledger.events);
    expect(lots.get(POT)!.portions).toMatchObject([
      { name: 'Tuesday', massKg: expect.closeTo(0.4, 9) as unknown },
    ]);
    expect(lots.get(THAWED)).toMatchObject({ thawed: true, place: 'cold', role: 'cream' });
    expect(keepOf(lots.get(THAWED)!, hours(40)).toMs).toBe(hours(40 + 48));
  });

  test('carried out of the freezer it is thawed: short-lived, without a cream line, and never frozen again', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 4);
    ledger.move(A, 2, { kind: 'freeze' });
    const frozen = foldMilkRoom(ledger.events);
    const skim: MilkMovement = {
      kind: 'skim',
      cream: { lotId: CREAM, name: 'x' },
      rest: { lotId: REST, name: 'y' },
      creamKg: 0.2,
      fatFraction: 0.2,
      weighed: false,
      typed: null,
    };
    expect(movementFault(frozen, A, skim, hours(3))?.message).toMatch(/is frozen. Thaw it first/);
    const to = (place: 'cold' | 'freezer'): MilkMovement => ({
      kind: 'move',
      place,
      placeC: null,
      container: null,
    });
    ledger.move(A, 200, to('cold'));
    const room = foldMilkRoom(ledger.events);
    const lot = room.lots.get(A)!;
    expect(lot).toMatchObject({ thawed: true, stillSinceMs: null });
    expect(keepOf(lot, hours(200)).toMs).toBeLessThanOrEqual(hours(248));
    for (const again of [to('freezer'), { kind: 'freeze' } as const])
      expect(movementFault(room, A, again, hours(201))?.message).toMatch(
        /has been frozen once\. Do not freeze it again/,
      );
    expect(
      movementFault(room, A, { ...to('cold'), place: 'counter' } as MilkMovement, hours(201)),
    ).toBeNull();
  });

  test('a pour beyond what is there is kept and asks for a recount; counting mends it', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 2);
    ledger.move(A, 5, { kind: 'give', to: 'used', ...kg(2.5), note: '' });
    const over = foldMilkRoom(ledger.events).lots.get(A)!;
    expect(over).toMatchObject({ recount: true });
    expect(over.has.massKg).toBeCloseTo(2 * 1.0299 - 2.5, 2);
    ledger.move(A, 6, { kind: 'recount', ...kg(0.3) });
    const mended = foldMilkRoom(ledger.events).lots.get(A)!;
    expect(mended).toMatchObject({ recount: false });
    expect(mended.has).toMatchObject({ massKg: 0.3, fatKg: expect.closeTo(0.3 * 0.04, 9) as unknown });
  });

  test('carrying a jar keeps half of its hours; a measured line tells how this milk creams', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 10);
    ledger.move(A, 10, { kind: 'move', place: 'cold', placeC: 5, container: 'the wide pan' });
    const moved = foldMilkRoom(ledger.events).lots.get(A)!;
    expect(skimOffer(moved, hours(12)).hours).toBeCloseTo(7, 9);
    const before = skimOffer(moved, hours(16));
    ledger.move(A, 16, {
      kind: 'measure',
      creamHeight: 0.7 * before.layers.creamHeight,
      typed: { value: 9, unit: '%' },
    });
    const measured = skimOffer(foldMilkRoom(ledger.events).lots.get(A)!, hours(16));
    expect(measured.creamKg).toBeCloseTo(0.7 * before.creamKg, 2);
    expect(measured.spread).toBeLessThan(before.spread);
  });

  test('what soured keeps longer, and stays sour in a pot of its like', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 1, { what: 'cream', fatFraction: 0.3 });
    ledger.move(A, 20, { kind: 'move', place: 'cold', placeC: null, container: null, soured: true });
    const soured = foldMilkRoom(ledger.events).lots.get(A)!;
    expect(soured.soured).toBe(true);
    expect(keepOf(soured, hours(20)).fromMs).toBeGreaterThan(hours(9 * 24));
    ledger.move(A, 21, {
      kind: 'pool',
      into: { lotId: POT, name: 'Sour pot', place: 'cold' },
      massKg: 0.9,
      soured: true,
      typed: null,
    });
    expect(foldMilkRoom(ledger.events).lots.get(POT)).toMatchObject({ soured: true, mixedSourSweet: false });
  });

  test('undone and corrected entries change the sums', () => {
    const ledger = createLedger();
    const first = ledger.intake(A, 0, 4);
    const gave = ledger.move(A, 1, { kind: 'give', to: 'animals', ...kg(1), note: '' });
    ledger.say(A, 2, { type: 'voided', data: { target: gave } });
    const intake = ledger.events[0]!;
    ledger.say(A, 3, {
      type: 'corrected',
      data: { target: first, at: null, data: { ...(intake.data as object), litres: 5 } },
    });
    const lot = foldMilkRoom(ledger.events).lots.get(A)!;
    expect(litresIn(lot)).toBeCloseTo(5, 9);
  });

  test('the latest lines come first, page by page, of one lot or of all', () => {
    const { lines } = foldMilkRoom(skimmed().events);
    const first = ledgerPage(lines, { offset: 0, limit: 2 });
    expect(first.more).toBe(true);
    const rest = ledgerPage(lines, { offset: 2, limit: 9 });
    expect([...first.lines, ...rest.lines].map((l) => l.seq)).toEqual([...lines].reverse().map((l) => l.seq));
    expect(rest.more).toBe(false);
    expect(ledgerPage(lines, { offset: 0, limit: 9, lotId: A }).lines.map((l) => l.kind)).toEqual([
      'left-under',
      'skimmed-off',
      'intake',
    ]);
  });
});

describe('conservation', () => {
  const OUT = new Set(['used', 'away', 'animals', 'spoiled', 'churn', 'pour']);
  /** Every kilogram and gram of fat that came in is in a jar, went out, or was counted away. */
  const books = (room: MilkRoom, part: keyof Amount): number =>
    [...room.lots.values()].reduce((sum, lot) => sum + lot.has[part], 0);

  test('mass and fat through any sequence of movements', () => {
    const ids = [A, B, CREAM, REST, POT, THAWED];
    const id = fc.constantFrom(...ids);
    const mass = fc.double({ min: 0.01, max: 3, noNaN: true });
    const movement: fc.Arbitrary<{ lot: string; data: MilkMovement }> = fc.oneof(
      fc.record({
        lot: id,
        data: fc.record({
          kind: fc.constant('give' as const),
          to: fc.constantFrom('used', 'away', 'animals', 'spoiled'),
          massKg: mass,
          typed: fc.constant({ value: 1, unit: 'kg' as const }),
          note: fc.constant(''),
        }),
      }),
      fc.record({
        lot: id,
        data: fc.record({
          kind: fc.constant('pool' as const),
          into: fc.constant({ lotId: POT, name: 'pot', place: 'cold' as const }),
          massKg: mass,
          soured: fc.boolean(),
          typed: fc.constant(null),
        }),
      }),
      fc.record({
        lot: id,
        data: fc.record({
          kind: fc.constant('skim' as const),
          cream: fc.constant({ lotId: CREAM, name: 'cream' }),
          rest: fc.constant({ lotId: REST, name: 'rest' }),
          creamKg: mass,
          fatFraction: fc.double({ min: 0.05, max: 0.5, noNaN: true }),
          weighed: fc.boolean(),
          typed: fc.constant(null),
        }),
      }),
      fc.record({
        lot: id,
        data: fc.record({
          kind: fc.constant('thaw' as const),
          into: fc.constant({ lotId: THAWED, name: 'thawed' }),
          massKg: mass,
          readyAt: fc.constant(null),
          typed: fc.constant(null),
        }),
      }),
      fc.record({ lot: id, data: fc.constant({ kind: 'freeze' as const }) }),
      fc.record({
        lot: id,
        data: fc.constant({
          kind: 'move' as const,
          place: 'counter' as const,
          placeC: null,
          container: null,
        }),
      }),
    );
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.array(movement, { maxLength: 25 }),
        (litresA, litresB, movements) => {
          const ledger = createLedger();
          ledger.intake(A, 0, litresA);
          ledger.intake(B, 0, litresB, { kind: 'ewe', fatFraction: 0.07 });
          let room = foldMilkRoom(ledger.events);
          const cameIn = { massKg: books(room, 'massKg'), fatKg: books(room, 'fatKg') };
          const gone = { massKg: 0, fatKg: 0 };
          for (const [i, { lot, data }] of movements.entries()) {
            // What the door refuses never gets into the log.
            if (movementFault(room, lot, data, hours(i + 1))) continue;
            const before = room.lots.get(lot)!;
            ledger.move(lot, i + 1, data);
            room = foldMilkRoom(ledger.events);
            const line = room.lines.findLast((l) => l.seq === ledger.events.length)!;
            if (OUT.has(line.kind)) {
              gone.massKg -= line.massKg;
              gone.fatKg += before.has.fatKg - room.lots.get(lot)!.has.fatKg;
            }
          }
          for (const part of ['massKg', 'fatKg'] as const) {
            const found = books(room, part) + gone[part];
            expect(Math.abs(found - cameIn[part])).toBeLessThan(0.001 * cameIn[part]);
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  test('what a lot leaves is the sum of its lines', () => {
    const room = foldMilkRoom(skimmed().events);
    for (const lot of room.lots.values()) {
      const sum = room.lines.filter((l) => l.lotId === lot.id).reduce((total, l) => total + l.massKg, 0);
      expect(sum).toBeCloseTo(lot.has.massKg, 9);
    }
  });
});

describe('makes', () => {
  test('a plan speaks for its milk until it is poured; the pour takes it', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 10);
    ledger.say(MAKE, 1, { type: 'make-started', data: { plan: planFrom([asks(A, 2)]) } });
    let room = foldMilkRoom(ledger.events);
    expect(spokenFor(room).get(A)).toBe(2);
    expect(openLots(room)[0]!.spokenForKg).toBe(2);
    ledger.say(MAKE, 2, {
      type: 'milk-poured',
      data: { from: [{ lotId: A, ...kg(2.2) }] },
    });
    // Saying that the step is done pours nothing twice.
    ledger.say(MAKE, 2.1, { type: 'step-done', data: { step: 'pour' } });
    room = foldMilkRoom(ledger.events);
    expect(spokenFor(room).size).toBe(0);
    expect(room.lines.filter((l) => l.kind === 'pour').map((l) => [l.massKg, l.otherId])).toEqual([
      [-2.2, MAKE],
    ]);
  });

  test('who only says it is poured pours as planned; a make given up asks for nothing', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 10);
    ledger.say(MAKE, 1, { type: 'make-started', data: { plan: planFrom([asks(A, 2)]) } });
    ledger.say(MAKE2, 1, { type: 'make-started', data: { plan: planFrom([asks(A, 3)]) } });
    ledger.say(MAKE, 2, { type: 'step-done', data: { step: 'pour' } });
    ledger.say(MAKE2, 3, { type: 'finished', data: { verdict: 'discarded', reason: 'no time' } });
    const room = foldMilkRoom(ledger.events);
    expect(room.lines.at(-1)).toMatchObject({ kind: 'pour', massKg: -2 });
    expect(spokenFor(room).size).toBe(0);
  });

  test('a plan that asks for more than is free is told what is there', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 4);
    ledger.say(MAKE, 1, { type: 'make-started', data: { plan: planFrom([asks(A, 3)]) } });
    const room = foldMilkRoom(ledger.events);
    expect(shortage(room, MAKE2, [asks(A, 1)])).toBeNull();
    expect(shortage(room, MAKE2, [asks(A, 2)])?.message).toMatch(
      /Evening milk: 1\.94 L needed, 4 L in stock, 2\.92 L of it set aside/,
    );
    // Its own earlier asking does not stand in its way; the same lot twice counts twice.
    expect(shortage(room, MAKE, [asks(A, 4)])).toBeNull();
    expect(shortage(room, MAKE, [asks(A, 3), asks(A, 3)])).toMatchObject({ index: 1 });
    expect(shortage(room, MAKE2, [asks(B, 1)])?.message).toMatch(/not in the milk room/);
  });

  test('what must be used first is poured first; shortness and cost are told', () => {
    const ledger = createLedger();
    ledger.intake(B, 0, 3, { name: 'New', costPerLitre: 1 });
    ledger.intake(A, -30, 2, { name: 'Old', costPerLitre: 0.5 });
    const lots = openLots(foldMilkRoom(ledger.events));
    const plan = allocate(
      lots,
      [
        { id: '1', name: 'Yogurt', sort: 'milk', litres: 3 },
        { id: '2', name: 'More', sort: 'milk', litres: 4 },
      ],
      hours(1),
    );
    expect(plan.wants[0]!.from.map((f) => f.name)).toEqual(['Old', 'New']);
    expect(plan.wants[0]!.cost).toBeCloseTo(2 * 0.5 + 1 * 1, 6);
    expect(plan.wants[0]!.shortKg).toBe(0);
    expect(plan.wants[1]!.shortKg).toBeCloseTo(2 * 1.0299, 2);
    expect(plan.enough).toBe(false);
    expect(plan.left.every((l) => l.leftKg < 1e-9)).toBe(true);
  });

  test.each([
    ['a gram', 0.001, true],
    ['ten grams', 0.01, false],
  ])('%s too little: is there enough?', (_, kg, enough) => {
    const ledger = createLedger();
    ledger.intake(A, 0, 2);
    const lots = openLots(foldMilkRoom(ledger.events));
    const plan = allocate(lots, [{ id: '1', name: 'Yogurt', sort: 'milk', litres: 2 + kg / 1.03 }], hours(1));
    expect(plan.enough).toBe(enough);
    expect(plan.wants[0]!.shortKg).toBeCloseTo(enough ? 0 : kg, 4);
  });
});

test('a weighed churning teaches the cream of its source', () => {
  const ledger = skimmed();
  ledger.move(CREAM, 20, { kind: 'churn', massKg: 1, butterKg: 0.36, buttermilkKg: 0.62, typed: null });
  const [factor] = creamFactors(foldMilkRoom(ledger.events));
  const observed = Math.log((0.36 * 0.81 + 0.62 * 0.006) / 0.24);
  expect(factor).toMatchObject({ source: 'Fern', churnings: 1 });
  expect(factor!.mean).toBeGreaterThan(0);
  expect(factor!.mean).toBeLessThan(observed);
  expect(factor!.sigma).toBeLessThan(0.15);
});

describe('what cannot have happened', () => {
  const room = foldMilkRoom(skimmed().events);
  const fault = (lot: string, data: MilkMovement, hour = 30) => movementFault(room, lot, data, hours(hour));
  test.each<[string, string, MilkMovement, RegExp]>([
    ['an unknown lot', THAWED, { kind: 'freeze' }, /no such lot/],
    ['before it came in', A, { kind: 'freeze' }, /before Evening milk came in/],
    [
      'skimming what is empty',
      A,
      {
        kind: 'skim',
        cream: { lotId: THAWED, name: 'x' },
        rest: { lotId: POT, name: 'y' },
        creamKg: 1,
        fatFraction: 0.2,
        weighed: true,
        typed: null,
      },
      /is empty/,
    ],
    [
      'thawing what is not frozen',
      CREAM,
      { kind: 'thaw', into: { lotId: THAWED, name: 'x' }, massKg: 1, readyAt: null, typed: null },
      /not frozen/,
    ],
    [
      'more butter than cream',
      CREAM,
      { kind: 'churn', massKg: 0.5, butterKg: 0.5, buttermilkKg: 0.5, typed: null },
      /weigh more/,
    ],
    [
      'skimmed milk into the cream',
      REST,
      {
        kind: 'pool',
        into: { lotId: CREAM, name: 'p', place: 'cold' },
        massKg: 1,
        soured: false,
        typed: null,
      },
      /is cream, but Skimmed is not/,
    ],
  ])('%s', (name, lot, data, message) => {
    expect(fault(lot, data, name.startsWith('before') ? -1 : 30)?.message).toMatch(message);
  });

  test('more cream than milk', () => {
    const ledger = createLedger();
    ledger.intake(A, 0, 4);
    const skim: MilkMovement = {
      kind: 'skim',
      cream: { lotId: CREAM, name: 'x' },
      rest: { lotId: REST, name: 'y' },
      creamKg: 5,
      fatFraction: 0.2,
      weighed: true,
      typed: null,
    };
    expect(movementFault(foldMilkRoom(ledger.events), A, skim, hours(1))).toMatchObject({
      path: 'data.creamKg',
      message: expect.stringMatching(/more than the 4\.11 kg/) as unknown,
    });
  });
});

test('milk put into the cold still warm is warm for hours: they count for its keeping, and its cream rises later', () => {
  const came = (cameInC?: number) => {
    const ledger = createLedger();
    ledger.intake(A, 0, 3.8, cameInC === undefined ? {} : { cameInC });
    return foldMilkRoom(ledger.events).lots.get(A)!;
  };
  const [cold, warm] = [came(), came(35)];
  const nowMs = hours(30);
  const warmH = keepOf(warm, nowMs).warmH;
  expect(keepOf(cold, nowMs).warmH).toBe(0);
  expect(warmH).toBeGreaterThan(7);
  expect(warmH).toBeLessThan(24);
  expect(keepOf(warm, nowMs).stoodWarm).toBe(true);
  expect(keepOf(warm, nowMs).fromMs).toBeLessThan(keepOf(cold, nowMs).fromMs);
  expect(warm.stillSinceMs!).toBeGreaterThan(cold.stillSinceMs!);
  // About seven hours to 10 °C for so much; an hour later it is far from cold.
  expect(heatAt(warm, hours(1))!).toBeGreaterThan(20);
  expect(heatAt(warm, hours(7.5))!).toBeGreaterThan(7);
  expect(heatAt(warm, hours(7.5))!).toBeLessThan(13);
  expect(heatAt(warm, hours(30))).toBe(4);
});
