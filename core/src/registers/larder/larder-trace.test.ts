import { expect, test } from '@jest/globals';
import { putUpLike } from '../../fixtures/goods.ts';
import { createLedger, lotId, ZERO_MS } from '../../fixtures/ledger-kit.ts';
import { defaultKitchen } from '../../kitchen/index.ts';
import { starterKg, stateOfPlan } from '../../make/index.ts';
import { foldMilkRoom, openLots } from '../milk/index.ts';
import { defaultPlan } from '../../products/index.ts';
import { goodOfMake } from './from-make.ts';
import { foldLarder } from './larder-register.ts';
import { larderTraceOf, traced } from './larder-trace.ts';
import { turningFirst } from './turning-first.ts';
import { HOUR_MS } from '../../science/units/index.ts';

const [MILK, MAKE, BUTTER, GHEE] = ['MILK', 'MAKE', 'BUTTER', 'GHEE'].map(lotId) as [
  string,
  string,
  string,
  string,
];

test('from a jar back to the milking, and from the milking forward to what was made of what was made', () => {
  const ledger = createLedger();
  ledger.intake(MILK, 0, 5);
  const plan = defaultPlan(defaultKitchen('UTC'), new Date(ZERO_MS).toISOString());
  ledger.say(MAKE, 1, { type: 'make-started', data: { plan } });
  ledger.say(MAKE, 2, {
    type: 'milk-poured',
    data: { from: [{ lotId: MILK, massKg: 2, typed: { value: 2, unit: 'kg' } }] },
  });
  ledger.say(BUTTER, 20, { type: 'larder-moved', data: putUpLike({ makeId: MAKE }) });
  ledger.say(BUTTER, 30, {
    type: 'larder-moved',
    data: {
      kind: 'take',
      from: { place: 'cold', size: 0 },
      for: 'made-into',
      massKg: 0.5,
      count: 2,
      typed: null,
      price: null,
      into: GHEE,
      note: '',
    },
  });
  const { links, lots } = larderTraceOf(foldMilkRoom(ledger.events), foldLarder(ledger.events));
  expect(lots.map(({ id }) => id)).toContain(MILK);
  expect(traced(links, BUTTER, 'back')).toEqual([MAKE, MILK]);
  expect(traced(links, MILK, 'forward')).toEqual([MAKE, BUTTER, GHEE]);
  expect(traced(links, GHEE, 'forward')).toEqual([]);
});

test('what turns first stands first, of goods and of milk; what is empty is in no list', () => {
  const ledger = createLedger();
  ledger.intake(MILK, 0, 5);
  ledger.say(BUTTER, 0, { type: 'larder-moved', data: putUpLike() });
  const nowMs = ZERO_MS + HOUR_MS;
  const lots = openLots(foldMilkRoom(ledger.events));
  const goods = [...foldLarder(ledger.events).goods.values()];
  // Raw milk keeps two days, this butter ten.
  expect(turningFirst(goods, lots, nowMs).map((thing) => thing.of)).toEqual(['milk', 'goods']);
  const gone = goods.map((good) => ({ ...good, stocks: [] }));
  expect(turningFirst(gone, [], nowMs)).toEqual([]);
});

test('goods of a make are called and judged by its record, and cost what its milk and the starter made of such milk cost', () => {
  const usual = defaultPlan(defaultKitchen('UTC'), new Date(ZERO_MS).toISOString());
  const lots = [
    { lotId: MILK, name: 'Evening', massKg: 2, costPerKg: 0.5 },
    { lotId: BUTTER, name: 'Morning', massKg: 1, costPerKg: 0.8 },
  ];
  const plan = { ...usual, name: 'Plain', milk: { ...usual.milk, treatment: 'raw' as const, lots } };
  const state = { ...stateOfPlan(plan), weighedKg: 2.9 };
  const good = goodOfMake(state, '4F7K2Q', ZERO_MS);
  expect(good).toMatchObject({ name: 'Plain', what: plan.product, sour: null, saltFraction: null });
  // Raw when it came in, heated since.
  expect(good.milk).toEqual({ kind: plan.milk.kind, raw: false });
  const milk = 1.8 * (1 + starterKg(state)! / 3);
  expect(good.costPerKg).toBeCloseTo(milk / 2.9, 9);
  expect(good.costCounts).toEqual(['milk', 'starter']);
  const unpriced = { ...plan, milk: { ...plan.milk, lots: [{ ...lots[0]!, costPerKg: null }] } };
  expect(goodOfMake({ ...state, plan: unpriced }, '4F7K2Q', ZERO_MS).costPerKg).toBeNull();
});
