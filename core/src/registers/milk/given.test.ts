import { describe, expect, test } from '@jest/globals';
import type { ByProduct, GoodKind, MakePlan, ProductId } from '../../contract/index.ts';
import { createLedger, lotId, putUpLike, ZERO_MS } from '../../fixtures/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { beginPlan, planOfMethod } from '../../products/index.ts';
import { SHIPPED_METHODS } from '../../products/methods/index.ts';
import { creamFactors, foldMilkRoom, keepOf, milkFromLots } from './index.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const [CREAM, MAKE] = ['CREAM', 'MAKE'].map(lotId) as [string, string];

/** A make of 1.2 kg of cream out of the milk room, poured. */
function poured(product: ProductId, soured = false) {
  const ledger = createLedger();
  ledger.intake(CREAM, 0, 1.6, {
    what: 'cream',
    name: 'Cream of Fern',
    fatFraction: 0.32,
    soured,
    costPerLitre: 3,
  });
  const { lots } = foldMilkRoom(ledger.events);
  const begun = beginPlan(product, defaultKitchen('UTC'), new Date(ZERO_MS + HOUR_MS).toISOString());
  const milk = milkFromLots(begun.milk, [...lots.values()], [{ lotId: CREAM, massKg: 1.2 }], 'cream')!;
  const plan: MakePlan = { ...begun, milk };
  ledger.say(MAKE, 1, { type: 'make-started', data: { plan } });
  const [first] = plan.method.steps;
  ledger.say(MAKE, 1.1, { type: 'step-done', data: { step: first!.id } });
  const weigh = (hour: number, massKg: number, of?: ByProduct): string =>
    ledger.say(MAKE, hour, {
      type: 'weighed',
      data: { massKg, typed: { value: massKg, unit: 'kg' }, ...(of ? { of } : {}) },
    });
  return { ...ledger, plan, weigh };
}

describe('what a make gives back', () => {
  test('cream that ripened is a lot of soured cream, poured into whatever comes next', () => {
    const { events, weigh } = poured('cultured-cream');
    const id = weigh(30, 1.25);
    const room = foldMilkRoom(events);
    expect(room.lots.get(CREAM)!.has.massKg).toBeCloseTo(1.6 * 0.9959 - 1.2, 1);
    const lot = room.lots.get(id)!;
    expect(lot).toMatchObject({
      role: 'cream',
      soured: true,
      place: 'cold',
      source: 'Fern',
      parents: [CREAM],
    });
    expect(lot.has.massKg).toBe(1.25);
    expect(lot.of.fatFraction).toBeCloseTo(0.32, 6);
    // What the cream cost, its lot costs.
    expect(lot.costPerKg! * 1.25).toBeCloseTo(1.2 * room.lots.get(CREAM)!.costPerKg!, 9);
    const nowMs = ZERO_MS + 31 * HOUR_MS;
    expect(keepOf(lot, nowMs).reason).toBe('soured: the acid preserves it');
    expect(room.lines.at(-1)).toMatchObject({ kind: 'made', otherId: MAKE, note: 'weighed' });
    const next = milkFromLots(
      beginPlan('butter', defaultKitchen('UTC'), new Date(nowMs).toISOString()).milk,
      [lot],
      [{ lotId: id, massKg: 1 }],
      'cream',
    );
    expect(next).toMatchObject({ soured: true, treatment: 'raw' });
    expect(milkFromLots(next!, [lot], [{ lotId: id, massKg: 1 }])).toBeNull();
  });

  test('what is put up into jars leaves the milk room, and comes back when that is undone', () => {
    const { events, weigh, say, plan } = poured('cultured-cream');
    const id = weigh(30, 1.25);
    const jars = (what: GoodKind, makeId: string | null) => ({
      type: 'larder-moved' as const,
      data: putUpLike({ what, makeId }, 2, 0.3),
    });
    const put = say(lotId('JARS'), 31, jars(plan.product, MAKE));
    const has = (): number => foldMilkRoom(events).lots.get(id)?.has.massKg ?? 0;
    expect(has()).toBeCloseTo(0.65, 9);
    expect(foldMilkRoom(events).lines.at(-1)).toMatchObject({ kind: 'put-up', otherId: lotId('JARS') });
    // Something else of the same make, and the same of nobody's make, take nothing of it.
    say(lotId('WHEY'), 32, jars('acid-whey', MAKE));
    say(lotId('OTHER'), 32, jars(plan.product, null));
    expect(has()).toBeCloseTo(0.65, 9);
    say(lotId('JARS'), 33, { type: 'voided', data: { target: put } });
    expect(has()).toBeCloseTo(1.25, 9);
  });

  test('nobody weighed it: it is there all the same, as computed', () => {
    const { events, say, plan } = poured('cultured-cream');
    const id = say(MAKE, 30, { type: 'step-skipped', data: { step: 'weigh' } });
    const lot = foldMilkRoom(events).lots.get(id)!;
    expect(lot.has.massKg).toBeCloseTo(1.2 + plan.starter.massKg!, 2);
  });

  test.each([
    [false, 'Sweet buttermilk', 'sweet buttermilk'],
    [true, 'Cultured buttermilk', 'soured: the acid preserves it'],
  ])('buttermilk of cream that was soured: %s', (soured, name, keeps) => {
    const { events, weigh } = poured('butter', soured);
    const id = weigh(3, 0.7, 'buttermilk');
    const room = foldMilkRoom(events);
    const lot = room.lots.get(id)!;
    expect(lot).toMatchObject({ name, role: 'buttermilk', soured });
    expect(lot.of.fatFraction).toBeLessThan(0.01);
    expect(keepOf(lot, ZERO_MS + 4 * HOUR_MS).reason).toBe(keeps);
  });

  test('butter leaves the milk room and teaches the fat of its cream; weighed again, it teaches anew', () => {
    const { events, weigh } = poured('butter');
    weigh(3, 0.7, 'buttermilk');
    expect(creamFactors(foldMilkRoom(events))).toEqual([]);
    weigh(4, 0.38);
    const [lean] = creamFactors(foldMilkRoom(events));
    expect(lean).toMatchObject({ source: 'Fern', churnings: 1 });
    expect(lean!.mean).toBeLessThan(0);
    weigh(5, 0.52);
    const [rich] = creamFactors(foldMilkRoom(events));
    expect(rich!.churnings).toBe(1);
    expect(rich!.mean).toBeGreaterThan(0);
    expect([...foldMilkRoom(events).lots.values()].map((l) => l.role)).toEqual(['cream', 'buttermilk']);
  });

  test('weighed again, a lot is set right by the difference, whatever was taken of it meanwhile', () => {
    const { events, weigh, move } = poured('butter');
    const id = weigh(3, 0.7, 'buttermilk');
    move(id, 4, {
      kind: 'give',
      to: 'used',
      massKg: 0.2,
      typed: { value: 200, unit: 'g' },
      note: '',
    });
    weigh(5, 0.65, 'buttermilk');
    const room = foldMilkRoom(events);
    expect(room.lots.get(id)!.has.massKg).toBeCloseTo(0.45, 9);
    expect([...room.lots.keys()].filter((k) => k !== CREAM)).toEqual([id]);
  });

  test('what was discarded is no food: its lot goes too', () => {
    const { events, weigh, say } = poured('cultured-cream');
    const id = weigh(30, 1.25);
    say(MAKE, 31, { type: 'finished', data: { verdict: 'discarded', reason: 'pink streaks' } });
    const room = foldMilkRoom(events);
    expect(room.lots.get(id)!.has.massKg).toBe(0);
    expect(room.lines.at(-1)).toMatchObject({ kind: 'spoiled', massKg: -1.25 });
  });
});

test('the whey of two cloths is one lot; what is stirred back is in it no longer', () => {
  const ledger = createLedger();
  const skyr = SHIPPED_METHODS.find(({ id }) => id === 'skyr')!;
  const plan = planOfMethod(skyr, defaultKitchen('UTC'), new Date(ZERO_MS).toISOString(), 4);
  ledger.say(MAKE, 0, { type: 'make-started', data: { plan } });
  const typed = { value: 1, unit: 'kg' } as const;
  const caught = (hour: number, step: string, massKg: number): string =>
    ledger.say(MAKE, hour, { type: 'drain-weighed', data: { step, of: 'whey', massKg, typed } });
  const back = (hour: number, step: string, massKg: number): string =>
    ledger.say(MAKE, hour, { type: 'whey-returned', data: { step, massKg, typed } });
  const has = (): number | undefined => foldMilkRoom(ledger.events).lots.get(id)?.has.massKg;
  back(9, 'strain', 0.1);
  const id = caught(10, 'strain', 0.6);
  expect(has()).toBeCloseTo(0.6, 9);
  caught(11, 'strain', 1);
  expect(has()).toBeCloseTo(1, 9);
  caught(14, 'again', 0.4);
  expect(has()).toBeCloseTo(1.4, 9);
  back(15, 'again', 0.3);
  expect(has()).toBeCloseTo(1.1, 9);
  expect([...foldMilkRoom(ledger.events).lots.keys()]).toEqual([id]);
});
