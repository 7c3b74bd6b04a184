import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Good, KitchenSettings, Lot, LotFacts, ProductId, WantedGood } from '../contract/index.ts';
import { cultureLike, goodLike, lotId, register } from '../fixtures/index.ts';
import { milkLot } from '../fixtures/lots.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { massFlow, planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { foldCultures, type Due } from '../registers/cultures/index.ts';
import { DAY_MIN, DAY_MS, HOUR_MS } from '../science/units/index.ts';
import { layDay, wantsOf } from '../timetable/index.ts';
import { chooseBatches, DAY_AIMS, type Choice } from './choose.ts';
import { SORTS, type BySort } from './sorts.ts';
import { comesOut } from './comes-out.ts';
import { dueProducts } from './due-products.ts';
import { lackingOf, type Lacking } from './lacking.ts';
import { onDay, proposingDay, type ProposalWish, type ProposedDay } from './propose.ts';
import { supplyOf } from './supply.ts';
import { fedProducts, fedUsualOf, productsByHabit, usualOf, type MadeBefore } from './usuals.ts';

/** A Monday, early in the afternoon. */
const NOW = Date.parse('2026-03-09T13:00:00.000Z');
const START = new Date(NOW).toISOString();
const HOME = defaultKitchen('UTC');
const KITCHEN: KitchenSettings = {
  ...HOME,
  pots: [2.5, 5, 8].map((litres, n) => ({
    ...HOME.pots[0]!,
    id: `${HOME.pots[0]!.id.slice(0, -1)}${n}`,
    litres,
  })),
};
const THURSDAY = 4;
const usuals = (products: readonly ProductId[], made: readonly MadeBefore[] = [], kitchen = KITCHEN) =>
  products.map((product) => usualOf(product, { methods: SHIPPED_METHODS, made, kitchen, startAt: START })!);
/** Ghee of this kitchen's own butter. */
const GHEE = fedUsualOf('ghee', { methods: SHIPPED_METHODS, made: [], kitchen: KITCHEN, startAt: START })!;
const none: BySort = { milk: 0, skimmed: 0, cream: 0 };
const choice = (over: Partial<Choice> & { there: Partial<BySort>; turning?: Partial<BySort> }): Choice => ({
  usuals: usuals(['yogurt', 'butter', 'kefir', 'fresh-cheese', 'cultured-cream', 'skyr']),
  lacking: [],
  fed: [],
  due: new Set(),
  ...over,
  supply: {
    skimmable: [],
    ...over.supply,
    there: { ...none, ...over.there },
    turning: { ...none, ...over.turning },
  },
});
const lacks = (product: ProductId, massKg: number, byMs: number | null = null): Lacking => ({
  product,
  massKg,
  byMs,
});

function good(what: ProductId, massKg: number, daysAgo: number): Good {
  const madeMs = NOW - daysAgo * DAY_MS;
  return {
    ...goodLike({ what }),
    id: '01HGGGGGGGGGGGGGGGGGGGGG01',
    madeMs,
    putUpMs: madeMs,
    sizesKg: [massKg],
    putUpKg: massKg,
    stocks: [{ place: 'cold', size: 0, massKg, sinceMs: madeMs, used: [0, 0], thawed: false, thawFor: null }],
  };
}
const want = (product: ProductId, massKg: number, on: number | null = null): WantedGood => ({
  id: '01HGGGGGGGGGGGGGGGGGGGGG02',
  product,
  massKg,
  on,
});
const lacking = (
  wanted: readonly WantedGood[],
  goods: readonly Good[] = [],
  underWay: readonly ProductId[] = [],
) =>
  lackingOf({
    wanted,
    goods,
    zone: 'UTC',
    nowMs: NOW,
    underWay: underWay.map((product) =>
      planOfMethod(
        SHIPPED_METHODS.find((m) => m.product === product)!,
        KITCHEN,
        START,
        2,
      ),
    ),
  });

describe('what is lacking', () => {
  test('is what is wanted less what is there and still good, and less what is under way', () => {
    expect(lacking([want('butter', 1)])).toEqual([lacks('butter', 1)]);
    expect(lacking([want('butter', 1)], [good('butter', 0.4, 3)])[0]!.massKg).toBeCloseTo(0.6, 6);
    expect(lacking([want('butter', 1)], [good('butter', 0.4, 40)])[0]!.massKg).toBe(1);
    expect(lacking([want('butter', 0.3)], [good('butter', 0.4, 3)])).toEqual([]);
    const [yogurt] = lacking([want('yogurt', 5)], [], ['yogurt']);
    expect(yogurt!.massKg).toBeCloseTo(5 - 2 * 1.05, 0);
  });

  test('for a day of the week is wanted in its next morning, on top of what should always be there, and goes first', () => {
    const thursday = Date.parse('2026-03-12T06:00:00.000Z');
    expect(lacking([want('butter', 1), want('yogurt', 2), want('yogurt', 3, THURSDAY)])).toEqual([
      lacks('yogurt', 5, thursday),
      lacks('butter', 1),
    ]);
    // Wanted on a Monday, asked for on a Monday afternoon: next week’s.
    expect(lacking([want('yogurt', 3, 1)])[0]!.byMs).toBe(Date.parse('2026-03-16T06:00:00.000Z'));
    expect(onDay(thursday, { zeroMs: NOW, days: 4, kitchen: KITCHEN })).toEqual({ day: 3, time: '06:00' });
    expect(onDay(thursday, { zeroMs: NOW, days: 3, kitchen: KITCHEN })).toBeNull();
  });
});

describe('how a product is made here', () => {
  test('by the method and the amount of last time, what is made most often in front', () => {
    const towel = SHIPPED_METHODS.filter(({ product }) => product === 'yogurt')[1]!;
    const made = [
      { product: 'yogurt', methodId: towel.id, litres: 3.2 },
      { product: 'kefir', methodId: 'kefir', litres: 1 },
      { product: 'yogurt', methodId: 'yogurt', litres: 6 },
    ] as const;
    expect(usuals(['yogurt'], made)[0]).toMatchObject({ method: { id: towel.id }, litres: 3.2, times: 2 });
    expect(productsByHabit(SHIPPED_METHODS, made).slice(0, 2)).toEqual(['yogurt', 'kefir']);
    // Begun with something made before: a day’s milk is not shared out to it.
    expect(productsByHabit(SHIPPED_METHODS, made)).not.toContain('ghee');
    expect(productsByHabit(SHIPPED_METHODS, made)).not.toContain('frozen-yogurt');
  });

  test('a batch is no larger than a pot that holds it and gets hot enough', () => {
    // In the widest pot the milk never gets to the heat of yogurt on this burner; it is never heated for kefir.
    const [yogurt, kefir] = usuals(['yogurt', 'kefir']);
    expect(yogurt!.mostLitres).toBeCloseTo(4.75, 2);
    expect(kefir!.mostLitres).toBeCloseTo(7.6, 2);
    const tooMuch = { ...KITCHEN, burners: [{ ...HOME.burners[0]!, powerKw: 0.2 }] };
    expect(usuals(['yogurt'], [], tooMuch)[0]!.mostLitres).toBe(0);
  });
});

describe('batches', () => {
  test('what is lacking is made first, in as many batches as the pots ask for, and no more than there is', () => {
    const { batches } = chooseBatches(
      'lacking',
      choice({ there: { milk: 20 }, lacking: [lacks('yogurt', 7), lacks('butter', 1)] }),
    );
    expect(batches.map(({ product, why }) => [product, why])).toEqual([
      ['yogurt', 'lacking'],
      ['yogurt', 'lacking'],
    ]);
    expect(batches.reduce((sum, { litres }) => sum + litres, 0)).toBeCloseTo(6.7, 0);
  });

  test('milk that has risen is skimmed when cream is lacking, and what is left of it is skimmed milk', () => {
    const lot = { lotId: 'A', name: 'Milk', atMs: NOW, litres: 8, cream: 1.1, rest: 6.9 };
    const asked = choice({ there: { milk: 10 }, lacking: [lacks('butter', 0.4), lacks('skyr', 1)] });
    const chosen = chooseBatches('lacking', { ...asked, supply: { ...asked.supply, skimmable: [lot] } });
    expect(chosen.skims).toEqual([lot]);
    expect(chosen.batches.map(({ product, sort }) => [product, sort])).toEqual([
      ['butter', 'cream'],
      ['skyr', 'skimmed'],
    ]);
    expect(chooseBatches('lacking', asked).skims).toEqual([]);
  });

  test('a culture that wants to be used is used; what turns is saved in few batches', () => {
    const due = chooseBatches(
      'lacking',
      choice({ there: { milk: 9 }, lacking: [lacks('yogurt', 1)], due: new Set(['kefir']) }),
    );
    expect(due.batches.map(({ product, why }) => [product, why])).toEqual([
      ['yogurt', 'lacking'],
      ['kefir', 'culture'],
    ]);
    const { batches } = chooseBatches(
      'least-work',
      choice({ there: { milk: 18, cream: 3 }, turning: { milk: 6, cream: 1 } }),
    );
    expect(batches.map(({ sort, litres, why }) => [sort, litres, why])).toEqual([
      ['milk', 6, 'turning'],
      ['cream', 1, 'turning'],
    ]);
    // Nothing turns: the least that is worth a pot.
    expect(chooseBatches('least-work', choice({ there: { milk: 18 } })).batches).toHaveLength(1);
  });

  test('whatever is asked, no sort is used beyond what is there, no pot overfilled, and everything leaves little that could be used', () => {
    const litres = fc.integer({ min: 0, max: 300 }).map((tenths) => tenths / 10);
    const products = productsByHabit(SHIPPED_METHODS, []);
    const all = usuals(products);
    fc.assert(
      fc.property(
        fc.record({ milk: litres, skimmed: litres, cream: litres }),
        fc.record({ milk: litres, skimmed: litres, cream: litres }),
        fc.subarray(products, { minLength: 1 }),
        fc.array(
          fc.record({
            product: fc.constantFrom(...products),
            massKg: fc.double({ min: 0.05, max: 9, noNaN: true }),
          }),
          {
            maxLength: 4,
          },
        ),
        fc.constantFrom(...DAY_AIMS),
        (there, turning, chosen, wanted, aim) => {
          const own = all.filter(({ product }) => chosen.includes(product));
          const skimmable =
            there.milk >= 4
              ? [{ lotId: 'A', name: 'Milk', atMs: NOW, litres: 4, cream: 0.6, rest: 3.4 }]
              : [];
          const asked = choice({
            there,
            turning,
            usuals: own,
            lacking: wanted.map((w) => ({ ...w, byMs: null })),
          });
          const { batches, skims } = chooseBatches(aim, { ...asked, supply: { ...asked.supply, skimmable } });
          const skimmed = skims.length > 0;
          for (const sort of SORTS) {
            const used = batches.reduce((sum, b) => sum + b.litres * b.shares[sort], 0);
            const comes = skimmed ? { milk: -4, cream: 0.6, skimmed: 3.4 }[sort] : 0;
            expect(used).toBeLessThanOrEqual(there[sort] + comes + 1e-6);
            const room = own.some((usual) => usual.shares[sort] === 1 && usual.mostLitres >= 0.4);
            if (aim === 'everything' && room && batches.length < 8)
              expect(there[sort] + comes - used).toBeLessThan(0.5);
          }
          for (const { product, litres: of } of batches) {
            expect(of).toBeGreaterThanOrEqual(0.4);
            expect(of).toBeLessThanOrEqual(own.find((usual) => usual.product === product)!.mostLitres + 1e-6);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what is made from what another batch gives', () => {
  const CREAM = { there: { milk: 6, cream: 5 }, fed: [GHEE] };
  const told = (chosen: ReturnType<typeof chooseBatches>) =>
    chosen.batches.map(({ product, fedBy }) => [product, fedBy]);

  test('is ghee of butter here; butter is of cream, and nothing of what nobody makes', () => {
    expect(fedProducts(SHIPPED_METHODS, ['yogurt', 'butter'])).toEqual(['ghee']);
    expect(fedProducts(SHIPPED_METHODS, ['yogurt'])).toEqual([]);
    expect(GHEE.from.product).toBe('butter');
    expect(GHEE.kgPerKg).toBeGreaterThan(0.7);
    expect(GHEE.kgPerKg).toBeLessThan(0.86);
    expect(
      fedUsualOf('butter', { methods: SHIPPED_METHODS, made: [], kitchen: KITCHEN, startAt: START }),
    ).toBeNull();
  });

  test('where ghee is lacking as much butter is churned as it takes, and where butter is lacking too, both in one churning', () => {
    const ghee = chooseBatches('lacking', choice({ ...CREAM, lacking: [lacks('ghee', 0.4)] }));
    expect(told(ghee)).toEqual([
      ['butter', null],
      ['ghee', 0],
    ]);
    const [butter, fed] = ghee.batches;
    expect(fed!.litres * GHEE.kgPerKg).toBeCloseTo(0.4, 6);
    const gives = butter!.litres * GHEE.from.kgPerLitre;
    expect(gives).toBeGreaterThanOrEqual(fed!.litres);
    expect(gives - fed!.litres).toBeLessThan(0.15);
    const both = chooseBatches(
      'lacking',
      choice({ ...CREAM, lacking: [lacks('butter', 0.5), lacks('ghee', 0.4)] }),
    );
    expect(told(both)).toEqual(told(ghee));
    expect(both.batches[0]!.litres * GHEE.from.kgPerLitre - both.batches[1]!.litres).toBeGreaterThan(0.5);
  });

  test('where only ghee was chosen all of the butter is for it; where butter was chosen it stays butter', () => {
    const only = chooseBatches('everything', choice({ ...CREAM, usuals: usuals(['yogurt']) }));
    const butter = only.batches.filter(({ product }) => product === 'butter');
    expect(butter.length).toBeGreaterThan(0);
    for (const { n, litres } of butter)
      expect(only.batches.find(({ fedBy }) => fedBy === n)?.litres).toBeCloseTo(
        litres * GHEE.from.kgPerLitre,
        6,
      );
    const { batches } = chooseBatches(
      'everything',
      choice({ ...CREAM, usuals: usuals(['yogurt', 'butter']) }),
    );
    expect(batches.some(({ product }) => product === 'ghee')).toBe(false);
  });

  test('of too little cream there is no ghee either', () => {
    expect(
      chooseBatches('lacking', choice({ fed: [GHEE], there: { cream: 0.2 }, lacking: [lacks('ghee', 1)] }))
        .batches,
    ).toEqual([]);
  });
});

describe('what a day is made of', () => {
  const milk = (id: string, litres: number, hoursAgo: number, over: Partial<LotFacts> = {}): Lot =>
    milkLot(id, litres, over, { nowMs: NOW, hoursAgo });

  test('is what stands in the milk room; what should be used before the day is over turns; what has risen may be skimmed', () => {
    const lots = [
      milk('old', 3, 40),
      milk('new', 5, 2),
      milk('pot', 1.2, 10, { what: 'cream', fatFraction: 0.3 }),
    ];
    const supply = supplyOf(lots, NOW, NOW + 24 * HOUR_MS, () => undefined);
    expect(supply.there.milk).toBeCloseTo(8, 6);
    expect(supply.there.cream).toBeCloseTo(1.2, 6);
    expect(supply.there.skimmed).toBe(0);
    expect(supply.turning.milk).toBeCloseTo(3, 6);
    // What was milked two hours ago has not risen today.
    expect(supply.skimmable.map(({ lotId }) => lotId)).toEqual(['old']);
    const [old] = supply.skimmable;
    expect(old!.cream + old!.rest).toBeCloseTo(old!.litres, 1);
  });

  test('a culture that loses its strength asks for the product it is the usual starter of', () => {
    const r = register();
    const id = lotId('GRAINS');
    r.change(id, 0, { kind: 'taken-in', culture: cultureLike({ kind: 'kefir-grains', name: 'Grains' }) });
    const cultures = [...foldCultures(r.events).cultures.values()];
    const due = (kind: Due['kind'], atMs: number): Due => ({ kind, id, name: 'Grains', atMs, text: '' });
    const products: ProductId[] = ['yogurt', 'kefir'];
    expect([...dueProducts([due('feed', NOW)], cultures, products, NOW + DAY_MS)]).toEqual(['kefir']);
    expect([...dueProducts([due('feed', NOW + 2 * DAY_MS)], cultures, products, NOW + DAY_MS)]).toEqual([]);
    expect([...dueProducts([due('sign', NOW)], cultures, products, NOW + DAY_MS)]).toEqual([]);
    expect([...dueProducts([due('feed', NOW)], cultures, ['yogurt'], NOW + DAY_MS)]).toEqual([]);
  });
});

describe('whole days', () => {
  const propose = (of: Choice, over: Partial<ProposalWish['day']> = {}): ProposedDay[] => {
    const work = proposingDay({ ...of, day: { kitchen: KITCHEN, zeroMs: NOW, days: 3, ...over } });
    for (;;) {
      const step = work.next();
      if (step.done === true) return step.value;
    }
  };
  const afternoon: [number, number][] = [0, 1, 2].map((day) => [day * DAY_MIN, day * DAY_MIN + 4 * 60]);
  const full = choice({
    there: { milk: 18, cream: 3 },
    turning: { milk: 5, cream: 3 },
    lacking: [lacks('butter', 0.5, NOW + 64 * HOUR_MS), lacks('yogurt', 3)],
  });

  test('two or three to choose from, each of which can be laid out as it was told', () => {
    const days = propose(full, { session: afternoon });
    expect(days.map(({ aim }) => aim)).toEqual(['lacking', 'everything', 'least-work']);
    for (const day of days) {
      const answer = layDay({
        kitchen: KITCHEN,
        zeroMs: NOW,
        days: 3,
        session: afternoon,
        makes: day.batches.map(({ method, litres }, n) => ({
          id: String(n),
          name: String(n),
          method,
          litres,
        })),
      });
      if (!answer.fits) throw new Error(answer.why);
      expect(answer.outside).toBeLessThanOrEqual(Math.max(30, day.outsideMin + 10));
    }
    const [lack, everything, least] = days;
    expect(Object.values(everything!.left).every((litres) => litres < 0.5)).toBe(true);
    expect(lack!.left.milk).toBeGreaterThan(10);
    expect(least!.handsMin).toBeLessThan(everything!.handsMin);
  });

  test('mass is kept: what comes out and besides is of what goes in; what is left is what was there less what is used', () => {
    const [day] = propose(full);
    for (const { product, massKg } of day!.gives) {
      const own = day!.batches.filter((batch) => batch.product === product);
      const likely = own.reduce(
        (sum, { method, litres }) => sum + comesOut(planOfMethod(method, KITCHEN, START, litres)).productKg,
        0,
      );
      expect(massKg).toBeCloseTo(likely, 9);
    }
    for (const sort of SORTS) {
      const used = day!.batches.reduce((sum, { litres, shares }) => sum + litres * shares[sort], 0);
      expect(day!.left[sort] + used).toBeCloseTo(full.supply.there[sort], 6);
    }
    const butter = day!.gives.find(({ product }) => product === 'butter')!;
    expect(butter.massKg).toBeGreaterThan(0.5);
    expect(day!.besides).toMatchObject([{ what: 'buttermilk' }]);
  });

  test('what the hours have no room for is left out and told, what nobody asked for before what is lacking', () => {
    const hour: [number, number][] = [[0, 60]];
    const days = propose(full, { session: hour, days: 1 });
    const everything = days.find(({ aim }) => aim === 'everything');
    expect(everything?.leftOut.length).toBeGreaterThan(0);
    for (const { batches, leftOut } of days)
      if (batches.some(({ why }) => why === 'usual')) expect(leftOut).not.toContain('butter');
  });

  test('a day makes ghee of its own butter: laid out one after the other, told with what is left of the butter', () => {
    const lackingBoth = [lacks('ghee', 0.4), lacks('butter', 0.5)];
    const [day] = propose({ ...full, fed: [GHEE], lacking: lackingBoth });
    const butter = day!.batches.find(({ product }) => product === 'butter')!;
    const ghee = day!.batches.find(({ product }) => product === 'ghee')!;
    expect(ghee.fedBy).toBe(butter.n);
    const kg = Object.fromEntries(day!.gives.map(({ product, massKg }) => [product, massKg]));
    expect(kg['ghee']).toBeCloseTo(0.4, 2);
    expect(kg['butter']! + ghee.litres).toBeCloseTo(
      comesOut(planOfMethod(butter.method, KITCHEN, START, butter.litres)).productKg,
      6,
    );
    expect(kg['butter']).toBeGreaterThan(0.5);
    // No hour for both: the ghee goes with its butter, and is told.
    const tight = propose(
      { ...full, fed: [GHEE], lacking: [lacks('ghee', 0.4)] },
      { session: [[0, 20]], days: 1 },
    );
    for (const { batches } of tight)
      for (const { fedBy } of batches)
        if (fedBy !== null) expect(batches.some(({ n }) => n === fedBy)).toBe(true);
  });

  test('worth is what the shop asks for what has a price; without one none is told', () => {
    const [day] = propose(full);
    expect(day).toMatchObject({ worth: null, unpriced: ['butter', 'yogurt'] });
    const prices = { ...KITCHEN.prices, shop: [{ product: 'butter' as const, perKg: 12 }] };
    const [priced] = propose(full, { kitchen: { ...KITCHEN, prices } });
    const butter = priced!.gives.find(({ product }) => product === 'butter')!;
    expect(priced!.worth).toBeCloseTo(12 * butter.massKg, 6);
    expect(priced!.unpriced).toEqual(['yogurt']);
  });

  test('nothing comes out of a batch that did not go in, whatever its method', () => {
    for (const { method, litres, product } of usuals(productsByHabit(SHIPPED_METHODS, []))) {
      const plan = planOfMethod(method, KITCHEN, START, litres);
      const { wentIn, added } = massFlow(plan);
      const inKg = added.reduce((sum, { massKg }) => sum + massKg, wentIn.massKg);
      const { productKg, besides } = comesOut(plan);
      const outKg = besides.reduce((sum, { massKg }) => sum + massKg, productKg);
      expect([product, outKg <= inKg * 1.001]).toEqual([product, true]);
    }
  });

  test('of nothing nothing is proposed', () => {
    expect(propose(choice({ there: {} }))).toEqual([]);
  });

  test('what each product wants of the milk room is what it is proposed from', () => {
    for (const usual of usuals(productsByHabit(SHIPPED_METHODS, []))) {
      const wants = wantsOf('', planOfMethod(usual.method, KITCHEN, START, usual.litres));
      expect(wants[0]!.sort).toBe(usual.sort);
      for (const { sort, litres } of wants) expect(usual.shares[sort]).toBeCloseTo(litres / usual.litres, 6);
    }
  });
});
