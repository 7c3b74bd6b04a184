import { describe, expect, test } from '@jest/globals';
import type { MakePlan, PlanPrices } from '../../contract/index.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { stateOfPlan, type MakeState, stateWith } from '../../make/index.ts';
import { beginPlan, defaultPlan } from '../../products/index.ts';
import { lotId, ZERO_MS } from '../../fixtures/ledger-kit.ts';
import { burnerKwh } from './energy.ts';
import { priced } from './priced.ts';
import { countedIn, worthOf } from './worth.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const kitchen = defaultKitchen('UTC');
const PRICES: PlanPrices = {
  energyPerKwh: 0.3,
  saltPerKg: 2,
  powderPerKg: 8,
  starterPerKg: 5,
  packetEach: 3,
  handsPerHour: 12,
  shopPerKg: 4,
};
const usual = defaultPlan(kitchen, new Date(ZERO_MS).toISOString());
const withMilk = (over: Partial<MakePlan> = {}): MakePlan => ({
  ...usual,
  milk: { ...usual.milk, lots: [{ lotId: lotId('MILK'), name: 'Morning', massKg: 2, costPerKg: 0.5 }] },
  ...over,
});
/** The first steps are done, an hour each. */
function done(plan: MakePlan, many: number, weighedKg: number | null = null): MakeState {
  const state = stateOfPlan(plan);
  return {
    ...state,
    weighedKg,
    steps: state.steps.map((s, i) =>
      i < many
        ? {
            ...s,
            status: 'done' as const,
            startedAtMs: ZERO_MS + i * HOUR_MS,
            endedAtMs: ZERO_MS + (i + 1) * HOUR_MS,
          }
        : s,
    ),
  };
}

describe('what a make cost', () => {
  test('hands that are at it all along count as long as it took; one marked as done hours later, no longer than an hour', () => {
    const ghee = done(beginPlan('ghee', kitchen, usual.startAt), 1);
    const [pan, ...others] = ghee.steps;
    const after = (minutes: number): number =>
      worthOf({ ...ghee, steps: [{ ...pan!, endedAtMs: ZERO_MS + (minutes * HOUR_MS) / 60 }, ...others] })
        .handsMin;
    expect(after(23)).toBeCloseTo(23, 6);
    expect(after(300)).toBe(60);
    expect(after(1)).toBe(pan!.step.handsMin);
  });

  test('every part at its price, by hand', () => {
    const made = done(withMilk({ prices: PRICES }), 2, 2.5);
    const { events } = stateWith(
      made,
      'salted',
      { massKg: 0.01, typed: { value: 10, unit: 'g' } },
      ZERO_MS + HOUR_MS,
    );
    const state = { ...made, events };
    const { lines, total, perKg, savedPerKg, handsMin, energyKwh } = worthOf(state);
    const cost = Object.fromEntries(lines.map((line) => [line.part, line.cost]));
    expect(cost.milk).toBeCloseTo(1, 9);
    expect(cost.starter).toBeCloseTo(5 * usual.starter.massKg!, 9);
    expect(cost.salt).toBeCloseTo(0.02, 9);
    expect(cost.energy).toBeCloseTo(0.3 * energyKwh, 9);
    expect(cost.hands).toBeCloseTo(12 * (handsMin / 60), 9);
    expect(handsMin).toBe(state.steps[0]!.step.handsMin + state.steps[1]!.step.handsMin);
    expect(total).toBeCloseTo(
      Object.values(cost).reduce((sum: number, c) => sum + (c ?? 0), 0),
      9,
    );
    expect(perKg).toBeCloseTo(total! / 2.5, 9);
    expect(savedPerKg).toBeCloseTo(4 - total! / 2.5, 9);
  });

  test('without prices it is the milk and the starter made of such milk; without a price of the milk it is nothing', () => {
    const worth = worthOf(done(withMilk(), 2, 2));
    expect(countedIn(worth)).toEqual(['milk', 'starter']);
    expect(worth.total).toBeCloseTo(1 + 0.5 * usual.starter.massKg!, 9);
    expect(worth.savedPerKg).toBeNull();
    const bare = worthOf(done({ ...usual, prices: PRICES }, 2, 2));
    expect(bare.total).toBeNull();
    expect(bare.perKg).toBeNull();
    expect(countedIn(bare)).not.toContain('milk');
  });

  test('goods of the larder that went in cost what they cost; of butter alone there is no milk to be priced', () => {
    const ghee = {
      ...done({ ...beginPlan('ghee', kitchen, new Date(ZERO_MS).toISOString()), prices: PRICES }, 0, 0.8),
    };
    expect(worthOf(ghee).total).toBeNull();
    const taken = [
      { massKg: 0.75, costPerKg: 8 },
      { massKg: 0.25, costPerKg: 6 },
    ];
    const worth = worthOf(ghee, taken);
    expect(worth.lines.map(({ part }) => part)).not.toContain('milk');
    expect(worth.lines[0]).toEqual({ part: 'goods', amount: 1, unit: 'kg', cost: 7.5 });
    expect(worth.perKg).toBeCloseTo((7.5 + 12 * (worth.handsMin / 60)) / 0.8, 9);
    // One of unknown price, and nobody knows what it cost.
    expect(worthOf(ghee, [...taken, { massKg: 0.1, costPerKg: null }]).total).toBeNull();
    // Into yogurt they come on top of its milk.
    const both = worthOf(done(withMilk({ prices: PRICES }), 0, 2), taken);
    expect(both.total).toBeCloseTo(worthOf(done(withMilk({ prices: PRICES }), 0, 2)).total! + 7.5, 9);
  });

  test('dried culture by its packets', () => {
    const plan = withMilk({ prices: PRICES });
    const state = { ...done(plan, 1), dose: { massKg: null, statedRatio: 0.5 } };
    expect(worthOf(state).lines.find(({ part }) => part === 'starter')).toMatchObject({
      amount: 0.5,
      unit: 'packet',
      cost: 1.5,
    });
  });

  test('the burner draws what it is set to while milk heats, less while it is kept hot, nothing before', () => {
    const plan = withMilk();
    expect(burnerKwh(done(plan, 0))).toBe(0);
    const heat = usual.method.steps.findIndex(({ kind }) => kind === 'heat');
    const before = burnerKwh(done(plan, heat));
    const heated = burnerKwh(done(plan, heat + 1));
    const held = burnerKwh(done(plan, heat + 2));
    expect(before).toBe(0);
    // The usual medium setting.
    expect(heated).toBeCloseTo(0.5 * usual.burner.powerKw, 9);
    expect(held - heated).toBeGreaterThan(0.05);
    expect(held - heated).toBeLessThan(0.6 * usual.burner.powerKw);
  });

  test('who says late that it is hot did not burn all that while', () => {
    const state = done(withMilk(), 3);
    const at = (h: number) => ({ p10: null, p50: ZERO_MS + h * HOUR_MS, p90: null });
    const [pour, heat] = state.steps;
    const planned = {
      ...({} as NonNullable<MakeState['planned']>),
      steps: [
        { step: pour!.step.id, end: at(1) },
        { step: heat!.step.id, end: at(1.2) },
      ],
    };
    const only = { ...state, steps: [pour!, heat!] };
    expect(burnerKwh({ ...only, planned })).toBeCloseTo(0.4 * 0.5 * usual.burner.powerKw, 9);
  });
});

test('prices go with the plan as they are when it is begun', () => {
  expect(priced(usual, kitchen).prices).toBeUndefined();
  const dear = {
    ...kitchen,
    prices: { ...kitchen.prices, energyPerKwh: 0.4, shop: [{ product: usual.product, perKg: 5 }] },
  };
  expect(priced(usual, dear).prices).toMatchObject({ energyPerKwh: 0.4, shopPerKg: 5, saltPerKg: null });
  // Made again when nothing has a price any more, nothing has one.
  expect(priced(priced(usual, dear), kitchen).prices).toBeUndefined();
});
