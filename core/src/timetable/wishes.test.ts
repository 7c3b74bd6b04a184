import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Lot, LotFacts } from '../contract/index.ts';
import { milkLot } from '../fixtures/lots.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { freeKg, milkFromLots, type Want } from '../registers/milk/index.ts';
import { litresOfMass } from '../science/milk/index.ts';
import { createLog, MAKE_ID, START } from '../make/fixtures/make-events.ts';
import { foldMake, stateOfPlan } from '../make/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { answerSum } from '../doors/index.ts';
import { eveningList } from './evening.ts';
import { goOn } from './live.ts';
import { litresThere, pourDay, poursFor, wantsOf } from './pours.ts';
import type { DayWish } from './asked-day.ts';
import { lookingForLevers, type Lever } from './levers.ts';
import { begunEarly, mayBeginEarly, toldFrom } from './eve.ts';
import { layDay } from './wish.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

const KITCHEN = defaultKitchen('UTC');
const AT = '2026-03-02T07:00:00.000Z';
const ZERO_MS = Date.parse(AT);
const methodOf = (id: string) => SHIPPED_METHODS.find((m) => m.id === id)!;
const wished = (ids: readonly string[], over: Partial<DayWish['makes'][number]> = {}): DayWish['makes'] =>
  ids.map((id, n) => ({ id: `${id} ${n}`, name: `${id} ${n}`, method: methodOf(id), litres: 2, ...over }));
const laid = (over: Partial<DayWish>) => {
  const answer = layDay({ kitchen: KITCHEN, zeroMs: ZERO_MS, days: 2, makes: wished(['yogurt']), ...over });
  if (!answer.fits) throw new Error(answer.why);
  return answer;
};

describe('hours kept free', () => {
  const morning = { id: 'm', title: 'Morning', from: 0, to: 240, cook: null };
  test('are free, cost what a batch is done later with them, and are given up only when nothing fits', () => {
    const makes = wished(['buttermilk', 'yogurt']);
    const without = laid({ makes });
    const kept = laid({ makes, keptFree: [morning] });
    expect(kept.hands.every(({ from, to }) => to <= 0 || from >= 240)).toBe(true);
    expect(kept.givenUp).toEqual([]);
    expect(kept.prices).toMatchObject([{ id: 'm', lessLateMin: 0 }]);
    expect(kept.prices[0]!.soonerMin).toBeGreaterThan(0);
    const done = ({ hands }: typeof kept): number =>
      makes.reduce(
        (sum, { id }) => sum + Math.max(...hands.filter((h) => h.make === id).map(({ to }) => to)),
        0,
      );
    expect(done(kept)).toBeGreaterThan(done(without));
    const never = { id: 'n', title: 'Never', from: 0, to: 8 * 1440, cook: null };
    const given = laid({ makes, keptFree: [morning, never] });
    expect(given.givenUp).toEqual(['n']);
    expect(given.hands.every(({ from }) => from >= 240)).toBe(true);
  });
});

describe('what would help', () => {
  const found = (wish: DayWish): Lever[] => {
    const work = lookingForLevers(wish);
    for (;;) {
      const step = work.next();
      if (step.done === true) return step.value;
      expect(step.value).toBeGreaterThanOrEqual(0);
      expect(step.value).toBeLessThanOrEqual(1);
    }
  };

  test.each([
    [2, 2],
    [3, 2],
    [2, 4],
  ])(
    '%d batches of %d L that want the one warm place: whoever takes what is told gets what was told',
    (many, litres) => {
      const pots = Array.from({ length: many }, (_, n) => ({
        ...KITCHEN.pots[0]!,
        id: `p${n}`,
        name: `p${n}`,
      }));
      const makes = wished(Array<string>(many).fill('yogurt'), { litres });
      const wish: DayWish = { kitchen: { ...KITCHEN, pots }, zeroMs: ZERO_MS, days: 2, makes };
      const levers = found(wish);
      const meanOf = (answer: ReturnType<typeof laid>): number =>
        makes.reduce(
          (sum, { id }) => sum + Math.max(...answer.hands.filter((h) => h.make === id).map((h) => h.to)),
          0,
        ) / many;
      const now = laid(wish);
      for (const { kind, make, aims, litres: fewer, soonerMin, lessLateMin, makesItFit } of levers) {
        expect({ lessLateMin, makesItFit }).toEqual({ lessLateMin: 0, makesItFit: false });
        expect(soonerMin).toBeGreaterThanOrEqual(10);
        if (make === null) continue;
        const taken = makes.map((own) => {
          if (own.id !== make) return own;
          return kind === 'less'
            ? { ...own, litres: fewer! }
            : { ...own, method: { ...own.method, aims: { ...own.method.aims, ...aims } } };
        });
        expect(Math.round(meanOf(now) - meanOf(laid({ ...wish, makes: taken })))).toBe(soonerMin);
      }
      // The most worth first.
      const worth = levers.map(({ soonerMin }) => soonerMin);
      expect([...worth].sort((x, y) => y - x)).toEqual(worth);
    },
  );

  test('two batches for one warm place: whatever else the kitchen keeps warm in, a thermos for what fits into it', () => {
    const thermos = { id: 'th', name: 'Flask', kind: 'thermos', tauH: 25 } as const;
    const kindsOf = (litres: number): (string | undefined)[] =>
      found({
        kitchen: {
          ...KITCHEN,
          places: [...KITCHEN.places.filter(({ kind }) => kind === 'appliance'), thermos],
          pots: [KITCHEN.pots[0]!, { ...KITCHEN.pots[0]!, id: 'p2', name: 'p2' }],
        },
        zeroMs: ZERO_MS,
        days: 2,
        makes: wished(['yogurt', 'yogurt'], { litres }),
      }).flatMap(({ kind, aims }) => (kind === 'place' ? [aims?.place?.kind] : []));
    expect(kindsOf(1)).toContain('thermos');
    expect(kindsOf(3)).toEqual([]);
  });

  test('asked the evening before, what takes longest may begin then: as much sooner as was told', () => {
    // At nine in the evening, for a day from eight o'clock on.
    const eveMs = ZERO_MS - 11 * HOUR_MS;
    const wish: DayWish = {
      kitchen: KITCHEN,
      zeroMs: ZERO_MS,
      days: 3,
      makes: wished(['kefir', 'yogurt']),
      eve: { fromMs: eveMs, opensMin: 0 },
    };
    const lever = found(wish).find(({ kind, make }) => kind === 'early' && make === 'kefir 0')!;
    expect(lever.soonerMin).toBeGreaterThan(60);
    expect(lever.beginsMs).toBeGreaterThanOrEqual(eveMs);
    expect(lever.beginsMs).toBeLessThan(ZERO_MS);
    const taken = laid(begunEarly(wish, 'kefir 0'));
    const doneMs = ({ hands }: typeof taken, zeroMs: number): number =>
      wish.makes.reduce(
        (sum, { id }) =>
          sum + zeroMs + Math.max(...hands.filter((h) => h.make === id).map(({ to }) => to)) * MINUTE_MS,
        0,
      ) / 2;
    expect(Math.round((doneMs(laid(wish), ZERO_MS) - doneMs(taken, eveMs)) / MINUTE_MS)).toBe(
      lever.soonerMin,
    );
    expect(eveMs + taken.hands.find(({ make }) => make === 'kefir 0')!.from * MINUTE_MS).toBe(lever.beginsMs);
    // The other one keeps to the day.
    expect(taken.hands.filter(({ make }) => make === 'yogurt 1').every(({ from }) => from >= 11 * 60)).toBe(
      true,
    );
    // On the day itself, pinned, or made from another batch, nothing begins before it.
    const { eve, ...onTheDay } = wish;
    expect(eve).toBeDefined();
    expect(found(onTheDay).some(({ kind }) => kind === 'early')).toBe(false);
    expect(mayBeginEarly({ ...wish, makes: wished(['kefir'], { fixed: { pour: 30 } }) })).toEqual([]);
    expect(mayBeginEarly({ ...wish, makes: wished(['kefir'], { from: 60 }) })).toEqual([]);
  });

  test('a wish told from an earlier zero asks for the same', () => {
    const wish: DayWish = {
      kitchen: KITCHEN,
      zeroMs: ZERO_MS,
      days: 2,
      makes: wished(['yogurt'], { by: 900, fixed: { pour: 30 } }),
      chores: [{ id: 'c', title: 'Skim', at: 10, minutes: 5 }],
      keptFree: [{ id: 'k', title: 'Off', from: 60, to: 120, cook: null }],
      session: [[0, 240]],
    };
    expect(toldFrom(wish, ZERO_MS - HOUR_MS)).toMatchObject({
      days: 2 + 1 / 24,
      makes: [{ from: 60, by: 960, fixed: { pour: 90 } }],
      chores: [{ at: 70 }],
      keptFree: [{ from: 120, to: 180 }],
      session: [[60, 300]],
    });
    expect(toldFrom(wish, ZERO_MS).makes[0]).toMatchObject({ from: 0, by: 900, fixed: { pour: 30 } });
  });

  test('more starter where it helps, never more than a tenth of the milk', () => {
    const sharesFor = (id: string, share: number): number[] =>
      found({
        kitchen: KITCHEN,
        zeroMs: ZERO_MS,
        days: 3,
        makes: wished([id], { litres: 2 }).map((make) => ({
          ...make,
          method: {
            ...make.method,
            aims: { ...make.method.aims, starter: { ...make.method.aims.starter!, share } },
          },
        })),
      }).flatMap(({ kind, aims }) => (kind === 'starter' ? [aims!.starter!.share!] : []));
    // Twice as much is sooner; of much there is no twice as much.
    expect([0.005, 0.01, 0.02, 0.08].map((share) => sharesFor('yogurt', share))).toEqual([
      [0.01],
      [0.02],
      [0.04],
      [],
    ]);
  });

  test('ice for milk that cools in the air, with how much of it; nothing for what nothing helps', () => {
    const levers = found({
      kitchen: { ...KITCHEN, places: [] },
      zeroMs: ZERO_MS,
      days: 2,
      makes: wished(['yogurt-boiled'], { litres: 4 }),
    });
    expect(levers[0]).toMatchObject({ kind: 'iced-bath', iceKg: 2, aims: { cooling: 'iced-bath' } });
    // Half the grains would be no help, and there are no more of them.
    expect(found({ kitchen: KITCHEN, zeroMs: ZERO_MS, days: 3, makes: wished(['kefir']) })).toEqual([]);
    expect(
      found({ kitchen: { ...KITCHEN, pots: [] }, zeroMs: ZERO_MS, days: 1, makes: wished(['kefir']) }),
    ).toEqual([]);
  });
});

describe('what cannot be', () => {
  test.each([
    [
      'wished before it may begin',
      { makes: wished(['yogurt'], { from: 200, by: 100 }) },
      'before its earliest start',
    ],
    ['given to nobody', { makes: wished(['yogurt'], { who: { pour: 'x' } }) }, 'not a cook in this kitchen'],
    ['fixed where it is not', { makes: wished(['yogurt'], { fixed: { press: 10 } }) }, 'no step “press”'],
    ['longer than the days', { makes: wished(['yogurt'], { from: 2000 }), days: 1 }, 'does not start within'],
    ['nobody there', { kitchen: { ...KITCHEN, cooks: [] } }, 'Nobody is there'],
    ['no burner', { kitchen: { ...KITCHEN, burners: [] } }, 'no burner in this kitchen'],
  ] as const)('%s is said', (_what, over, words) => {
    const answer = layDay({
      kitchen: KITCHEN,
      zeroMs: ZERO_MS,
      days: 2,
      makes: wished(['yogurt']),
      ...over,
    } as DayWish);
    expect(answer).toMatchObject({ fits: false });
    expect(answer.fits ? '' : answer.why).toContain(words);
  });

  test('two fixed onto one pot', () => {
    const one = { ...KITCHEN, pots: KITCHEN.pots.slice(0, 1) };
    const answer = layDay({
      kitchen: one,
      zeroMs: ZERO_MS,
      days: 1,
      makes: wished(['yogurt', 'yogurt'], { fixed: { pour: 60 } }),
    });
    expect(answer).toMatchObject({ fits: false, clashing: ['yogurt 0', 'yogurt 1'] });
  });
});

test('what is fixed is where it was fixed, and moving one fixed block never moves another fixed one', () => {
  const makes = wished(['yogurt', 'buttermilk', 'clabber']);
  for (const minute of [30, 95, 240]) {
    const { hands } = laid({
      kitchen: { ...KITCHEN, pots: [1, 2, 3].map(() => KITCHEN.pots[0]!) },
      makes: makes.map((make, n) => ({
        ...make,
        fixed: n === 0 ? { pour: minute } : n === 1 ? { pour: 150 } : {},
      })),
    });
    const at = (make: string): number => hands.find((h) => h.make === make && h.step === 'pour')!.from;
    expect([at('yogurt 0'), at('buttermilk 1')]).toEqual([minute, 150]);
  }
});

test('who does it is who was asked', () => {
  const [cook] = KITCHEN.cooks;
  const kitchen = {
    ...KITCHEN,
    cooks: [cook!, { ...cook!, id: '01H00000000000000000000002', name: 'Wren' }],
  };
  const who = Object.fromEntries(
    methodOf('yogurt').steps.map(({ id }) => [id, '01H00000000000000000000002']),
  );
  const { hands } = laid({ kitchen, makes: wished(['yogurt'], { who }) });
  expect(new Set(hands.map((h) => h.cook))).toEqual(new Set(['Wren']));
});

describe('pours', () => {
  test('creamy milk is poured of milk and cream, so that its fat comes out as its method wants it', () => {
    const creamCheese = { ...planOfMethod(methodOf('cream-cheese'), KITCHEN, AT, 4), name: 'Cream cheese' };
    const wants = wantsOf('c', creamCheese);
    expect(wants.map(({ sort, name }) => [sort, name])).toEqual([
      ['milk', 'Cream cheese'],
      ['cream', 'Cream cheese, cream'],
    ]);
    expect(wants.reduce((sum, { litres }) => sum + litres, 0)).toBeCloseTo(4, 9);
    const lots = [
      milkLot('m', 9, {}, { nowMs: ZERO_MS, hoursAgo: 4 }),
      milkLot('k', 3, { what: 'cream', fatFraction: 0.34 }, { nowMs: ZERO_MS, hoursAgo: 20 }),
    ];
    const pours = pourDay(lots, wants, [], ZERO_MS);
    const from = poursFor(pours, 'c').flatMap((part) => part.from);
    expect(from.map(({ lotId }) => lotId)).toEqual(['m', 'k']);
    const milk = milkFromLots(creamCheese.milk, lots, from, 'milk', ZERO_MS)!;
    expect(milk.litres).toBeCloseTo(4, 1);
    expect(milk.fatFraction).toBeGreaterThan(0.11);
    expect(milk.fatFraction).toBeLessThan(0.13);
    // Of milk alone it would never drain to its fat: so it is laid out of what it is poured from.
    const { fits } = layDay({
      kitchen: KITCHEN,
      zeroMs: ZERO_MS,
      days: 3,
      makes: wished(['cream-cheese'], { litres: 4, milk }),
    });
    expect(fits).toBe(true);
  });

  const lot = (id: string, litres: number, over: Partial<LotFacts> = {}, hoursAgo = 16): Lot =>
    milkLot(id, litres, over, { nowMs: ZERO_MS, hoursAgo });
  const want = (id: string, sort: Want['sort'], litres: number): Want => ({ id, name: id, sort, litres });

  test('no lot gives more than it has, whatever is wanted and skimmed; what is poured and what is left is what there was', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.3, max: 12, noNaN: true }), { minLength: 1, maxLength: 5 }),
        fc.array(
          fc.tuple(
            fc.constantFrom<Want['sort']>('milk', 'cream', 'skimmed'),
            fc.double({ min: 0.2, max: 9, noNaN: true }),
          ),
          { minLength: 1, maxLength: 5 },
        ),
        fc.nat(4),
        (milks, asked, skimmed) => {
          const lots = milks.map((litres, n) => lot(`l${n}`, litres, {}, 8 + 3 * n));
          const wants = asked.map(([sort, litres], n) => want(`w${n}`, sort, litres));
          const skims = lots.slice(0, skimmed).map(({ id }) => ({ lotId: id, atMs: ZERO_MS + 3_600_000 }));
          const { allocation, lots: there } = pourDay(lots, wants, skims, ZERO_MS);
          const poured = new Map<string, number>();
          for (const { from } of allocation.wants)
            for (const { lotId, massKg } of from) poured.set(lotId, (poured.get(lotId) ?? 0) + massKg);
          for (const { lot: of, leftKg } of allocation.left) {
            expect(leftKg).toBeGreaterThanOrEqual(-1e-9);
            expect((poured.get(of.id) ?? 0) + leftKg).toBeCloseTo(freeKg(of), 6);
          }
          // Skimming parts mass and fat, and makes none.
          const sum = (all: readonly Lot[], part: 'massKg' | 'fatKg'): number =>
            all.reduce((kg, l) => kg + l.has[part], 0);
          expect(sum(there, 'massKg')).toBeCloseTo(sum(lots, 'massKg'), 6);
          expect(sum(there, 'fatKg')).toBeCloseTo(sum(lots, 'fatKg'), 3);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('what must be used first goes first; what lacks has ways out that are enough', () => {
    const lots = [
      lot('new', 5, {}, 2),
      lot('old', 3, {}, 40),
      lot('pot', 0.4, { what: 'cream', fatFraction: 0.3 }),
    ];
    const { allocation, ways } = pourDay(lots, [want('y', 'milk', 4), want('c', 'cream', 1)], [], ZERO_MS);
    expect(allocation.wants[0]!.from.map(({ lotId }) => lotId)).toEqual(['old', 'new']);
    const offered = ways.get('c')!;
    expect(offered.map(({ way }) => way)).toContain('buy');
    const buy = offered.find((o) => o.way === 'buy')!;
    expect(buy).toMatchObject({ litres: expect.closeTo(0.6, 1) });
    const skim = offered.find((o) => o.way === 'skim');
    expect(skim).toBeDefined();
    if (skim?.way !== 'skim') return;
    const after = pourDay(lots, [want('c', 'cream', 1)], [{ lotId: skim.lotId, atMs: skim.atMs }], ZERO_MS);
    const got = after.allocation.wants[0]!.from.find(({ lotId }) => lotId.startsWith(skim.lotId));
    expect(got).toBeDefined();
    expect(after.readyMs.get(got!.lotId)).toBe(skim.atMs);
  });

  test('a method wants milk, cream or skimmed milk by what it is of, and there is so much of it', () => {
    const plan = (id: string) => planOfMethod(methodOf(id), KITCHEN, AT, 2);
    expect(['yogurt', 'cultured-cream', 'skyr'].map((id) => wantsOf(id, plan(id))[0]?.sort)).toEqual([
      'milk',
      'cream',
      'skimmed',
    ]);
    // What begins with something made before wants nothing of the milk room, nor what is made of goods that are here.
    const frozen = SHIPPED_METHODS.find(({ product }) => product === 'frozen-yogurt')!;
    expect(wantsOf('f', planOfMethod(frozen, KITCHEN, AT, 1))).toEqual([]);
    expect(wantsOf('g', plan('ghee'))).toEqual([]);
    const made = plan('yogurt');
    const goods = [{ goodId: 'G', name: 'Skimmed milk', place: 'cold' as const, size: 0, massKg: 2 }];
    expect(wantsOf('y', { ...made, milk: { ...made.milk, goods } })).toEqual([]);
    const lots = [lot('a', 3), lot('b', 2), lot('c', 1, { place: 'freezer' })];
    expect(litresThere(lots, 'milk', ZERO_MS)).toBeCloseTo(5, 6);
    expect(litresOfMass(freeKg(lots[0]!), lots[0]!.of)).toBeCloseTo(3, 6);
  });
});

test('the evening before: cloths, moulds, starters and pots by what the steps need', () => {
  const { hands } = laid({ makes: wished(['cream-cheese', 'washed-curd', 'yogurt']), days: 2 });
  const plans = ['cream-cheese', 'washed-curd', 'yogurt'].map((id) =>
    planOfMethod(methodOf(id), KITCHEN, AT, 2),
  );
  const list = eveningList(plans, hands, KITCHEN);
  const what = list.map((thing) => thing.what);
  expect(what).toEqual(expect.arrayContaining(['cloths', 'moulds', 'pots', 'starter']));
  expect(list.find((thing) => thing.what === 'pots')!.count).toBeLessThanOrEqual(KITCHEN.pots.length);
  expect(what).not.toContain('cold-water');
});

test('a day goes on: untouched it stays, half an hour late it moves, and nothing goes before now', () => {
  const ids = ['yogurt', 'buttermilk'];
  const { hands } = laid({ makes: wished(ids) });
  const slots = hands.map((h) => ({ make: h.make, task: h.step, cook: h.cookId, from: h.from, to: h.to }));
  const makes = ids.map((id, n) => {
    const first = hands.find((h) => h.make === `${id} ${n}`)!.from;
    const startAt = new Date(ZERO_MS + first * MINUTE_MS).toISOString();
    return {
      id: `${id} ${n}`,
      state: stateOfPlan(planOfMethod(methodOf(id), KITCHEN, startAt, 2)),
      by: null,
      fixed: {},
      who: {},
    };
  });
  const at = (minute: number) =>
    goOn({
      kitchen: KITCHEN,
      zeroMs: ZERO_MS,
      days: 2,
      keptFree: [],
      makes,
      slots,
      nowMs: ZERO_MS + minute * MINUTE_MS,
    })!;
  expect(at(0).changed).toBe(false);
  // Half an hour after the first hands were due, and nothing was done.
  const lateMin = Math.min(...hands.map(({ from }) => from)) + 30;
  const late = at(lateMin);
  expect(late.changed).toBe(true);
  expect(late.hands.every(({ from }) => from >= lateMin)).toBe(true);
  expect(late.broken).toBe(0);
  // Relaid, and nothing more happens: it stays as it is.
  const again = goOn({
    kitchen: KITCHEN,
    zeroMs: ZERO_MS,
    days: 2,
    keptFree: [],
    makes,
    slots: late.hands.map((h) => ({ make: h.make, task: h.step, cook: h.cookId, from: h.from, to: h.to })),
    nowMs: ZERO_MS + lateMin * MINUTE_MS,
  })!;
  expect(again.changed).toBe(false);
});

test('a batch past its safety clock leaves the day, and what is left goes on without it', () => {
  // Its milk was heated, and forgotten.
  const log = createLog();
  const plan = planOfMethod(methodOf('yogurt'), KITCHEN, new Date(START).toISOString(), 2);
  const forgotten = foldMake(MAKE_ID, [
    log(0, 'make-started', { plan }),
    ...(['pour', 'heat', 'hold'] as const).map((step, i) => log(10 + 30 * i, 'step-done', { step })),
  ])!;
  const slots = [
    { make: 'y', task: 'inoculate', cook: KITCHEN.cooks[0]!.id, from: 40 * 60, to: 40 * 60 + 6 },
  ];
  const at = (hours: number, laidSoFar = slots) =>
    goOn({
      kitchen: KITCHEN,
      zeroMs: START,
      days: 2,
      keptFree: [],
      makes: [{ id: 'y', state: forgotten, by: null, fixed: {}, who: {} }],
      slots: laidSoFar,
      nowMs: START + hours * HOUR_MS,
    });
  expect(at(2)!.hands.length).toBeGreaterThan(0);
  expect(at(30)).toEqual({ hands: [], moved: [], broken: 0, changed: true });
  // Once it is out of the timetable there is nothing more to say.
  expect(at(30, [])).toBeNull();
});

test('the door tells prices, what was given up, and simulated days', () => {
  const answer = answerSum(
    'day',
    JSON.stringify({
      makes: [{ name: 'Y', method: 'yogurt', litres: 2 }],
      startAt: AT,
      days: 2,
      keptFree: [{ title: 'Noon', from: 0, to: 300 }],
    }),
  );
  expect(answer).toMatchObject({
    ok: true,
    json: {
      prices: [{ title: 'Noon', soonerMin: expect.any(Number) }],
      simulated: { days: 200 },
      givenUp: [],
    },
  });
});
