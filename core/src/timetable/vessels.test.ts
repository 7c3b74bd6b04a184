import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { KitchenSettings } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { stateOfPlan } from '../make/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { held } from './fixtures/held.ts';
import { dayCooks, dayMakeOf, dayProblem } from './from-makes.ts';
import { guarded } from './guarded.ts';
import { inSizes, sharedOut, sizedSpans, sizesApart } from './in-sizes.ts';
import { scoreOf } from './score.ts';
import { solveDay } from './solve.ts';
import { leastPot, vesselsOf } from './vessels.ts';
import type { DayWish } from './asked-day.ts';
import { layDay } from './wish.ts';

const KITCHEN = defaultKitchen('UTC');
const AT = '2026-03-02T13:00:00.000Z';
const ZERO_MS = Date.parse(AT);
const methodOf = (id: string) => SHIPPED_METHODS.find((m) => m.id === id)!;
const pots = (...litres: number[]): KitchenSettings => ({
  ...KITCHEN,
  pots: litres.map((size, n) => ({
    ...KITCHEN.pots[0]!,
    id: `0000000000000000000000P00${n}`,
    name: `Pot ${size}`,
    litres: size,
  })),
});
const wished = (ids: readonly (readonly [string, number])[]): DayWish['makes'] =>
  ids.map(([id, litres], n) => ({ id: `m${n}`, name: `${id} ${n}`, method: methodOf(id), litres }));

describe('what a batch stands in', () => {
  const plan = (id: string) => planOfMethod(methodOf(id), KITCHEN, AT, 2);
  /** The steps in which a batch has a pot. */
  const potSteps = (of: ReturnType<typeof plan>): string[] => {
    const steps = stateOfPlan(of).steps.map(({ step }) => step);
    const vessels = vesselsOf(of, steps);
    return steps.flatMap(({ id }, n) => (vessels[n]!.includes('pot') ? [id] : []));
  };

  test('yogurt in jars leaves its pot with the starter; wrapped up in it, it stays until it is cold', () => {
    expect(potSteps(plan('yogurt'))).toEqual(['pour', 'heat', 'hold', 'cool', 'inoculate']);
    const wrapped = potSteps(plan('yogurt-coasting'));
    expect(wrapped).toEqual(['pour', 'heat', 'cool', 'inoculate', 'incubate', 'chill']);
    const jars = { ...plan('yogurt-coasting'), jars: [{ id: 'a', name: 'A', litres: 1 }] } as ReturnType<
      typeof plan
    >;
    expect(potSteps(jars)).not.toContain('incubate');
  });

  test('milk that is set and cut stands in its pot while it ripens; what is never heated needs none', () => {
    const cheese = potSteps(plan('washed-curd'));
    expect(cheese).toEqual(expect.arrayContaining(['ripen-milk', 'coagulate', 'cut', 'stir-2']));
    expect(cheese).not.toContain('press');
    // Left for the cloth, it does not come back to it.
    expect(potSteps(plan('cream-cheese'))).not.toContain('salt');
    for (const id of ['kefir', 'buttermilk', 'cultured-cream', 'butter', 'whipped-cream'])
      expect(potSteps(plan(id))).toEqual([]);
  });

  test('what is emptied is washed before it is free, and nothing of the batch is due later for it', () => {
    const of = plan('yogurt');
    const make = dayMakeOf({ id: 'y', plan: of, from: 0, by: null, fixed: {} })!;
    const inoculate = make.tasks.find(({ id }) => id === 'inoculate')!;
    const incubate = make.tasks.find(({ id }) => id === 'incubate')!;
    expect(inoculate.washes).toEqual(['pot']);
    const { handsMin } = stateOfPlan(of).steps.find(({ step }) => step.id === 'inoculate')!.step;
    const washing = inoculate.minutes - handsMin;
    expect(washing).toBeGreaterThan(0);
    expect(incubate.holds).not.toContain('pot');
    // Cooling holds the pot and no burner.
    expect(make.tasks.find(({ id }) => id === 'cool')!.holds).toEqual(expect.not.arrayContaining(['burner']));
    for (const { id } of SHIPPED_METHODS)
      for (const task of dayMakeOf({ id, plan: plan(id), from: 0, by: null, fixed: {} })!.tasks)
        expect(task.after).toBeGreaterThanOrEqual(0);
  });
});

describe('pots of sizes', () => {
  test('each batch has one that is large enough, the smallest that leads somewhere', () => {
    const answer = layDay({
      kitchen: pots(3, 5),
      zeroMs: ZERO_MS,
      days: 2,
      makes: wished([
        ['yogurt', 4],
        ['acid-set', 2],
      ]),
    });
    if (!answer.fits) throw new Error(answer.why);
    expect(answer.pots.map(({ make, name }) => [make, name]).sort()).toEqual([
      ['m0', 'Pot 5'],
      ['m1', 'Pot 3'],
    ]);
  });

  test('more than the largest holds is said, with both amounts', () => {
    const answer = layDay({ kitchen: pots(3, 5), zeroMs: ZERO_MS, days: 2, makes: wished([['yogurt', 7]]) });
    expect(answer).toMatchObject({ fits: false, clashing: ['m0'] });
    if (!answer.fits)
      expect(answer.why).toMatch(/needs a pot for 7\.\d+ L\. The largest here holds 5(\.00)? L/);
    // A little burner under a large pot: what would help is said.
    const cold = layDay({ kitchen: pots(9), zeroMs: ZERO_MS, days: 2, makes: wished([['yogurt', 7]]) });
    expect(cold).toMatchObject({ fits: false });
    if (!cold.fits) expect(cold.why).toMatch(/never get hot enough in Pot 9 on Burner/);
    // What stands in no pot has no limit.
    expect(layDay({ kitchen: pots(3), zeroMs: ZERO_MS, days: 3, makes: wished([['kefir', 9]]) }).fits).toBe(
      true,
    );
  });

  test('two that want the only large pot at once are said to want the same pot, though there are two', () => {
    const makes = wished([
      ['yogurt', 4],
      ['yogurt', 4],
    ]).map((make) => ({ ...make, fixed: { pour: 30 } }));
    const answer = layDay({ kitchen: pots(3, 5), zeroMs: ZERO_MS, days: 2, makes });
    if (answer.fits) throw new Error('there is one pot for both');
    expect(answer.why).toMatch(/They need the same .*pot/);
  });

  test('counted as many as there are from a size on; or each size by itself', () => {
    const two = dayProblem(
      pots(3, 9),
      [7, 2].map((litres, n) =>
        dayMakeOf({
          id: `m${n}`,
          plan: planOfMethod(methodOf('yogurt'), KITCHEN, AT, litres),
          from: 0,
          by: null,
          fixed: {},
        })!,
      ),
      ZERO_MS,
      2,
    );
    const large = leastPot(planOfMethod(methodOf('yogurt'), KITCHEN, AT, 7));
    expect(inSizes(two).things).toMatchObject({ pot: 2, [`pot from ${large}`]: 1 });
    expect(sizesApart(two).things[`pot of ${large}`]).toBe(1);
    expect(sharedOut([{ from: 0, to: 60, least: 5 }], [3, 9])).toEqual([1]);
    expect(
      sharedOut(
        [
          { from: 0, to: 60, least: 5 },
          { from: 30, to: 90, least: 4 },
        ],
        [3, 9],
      ),
    ).toBeNull();
  });

  test('whatever is made in whatever pots, what is laid out holds, and bears more when it is made to', () => {
    const ids = [
      'yogurt',
      'yogurt-coasting',
      'acid-set',
      'kefir',
      'butter',
      'cream-cheese',
      'ghee',
      'washed-curd',
    ];
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...ids), fc.double({ min: 0.5, max: 6, noNaN: true })), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.array(fc.constantFrom(2, 4, 7), { minLength: 1, maxLength: 3 }),
        (makes, sizes) => {
          const kitchen = pots(...sizes, 7);
          const own = makes.flatMap(([id, litres], n) => {
            const plan = planOfMethod(methodOf(id), kitchen, AT, litres);
            const seen = dayMakeOf({ id: `m${n}`, plan, from: 0, by: null, fixed: {} });
            // A little in a wide pot never gets hot.
            if (!seen) return [];
            return [{ ...seen, tasks: seen.tasks.filter((_, k) => k < 12) }];
          });
          if (own.length === 0) return;
          const problem = { ...dayProblem(kitchen, own, ZERO_MS, 4), session: [[0, 240]] as const };
          const solved = solveDay(problem, 1, 400);
          if ('clash' in solved) return;
          held(problem, solved.timetable);
          expect(scoreOf(problem, solved.timetable.slots)).toEqual({
            late: solved.timetable.late,
            outside: solved.timetable.outside,
            risk: solved.timetable.risk,
            sum: solved.timetable.sum,
            finish: solved.timetable.finish,
          });
          const other = solveDay(guarded(problem), 1, 400);
          if ('clash' in other) return;
          const { slots } = other.timetable;
          held(problem, { slots, finish: scoreOf(problem, slots).finish });
          expect(sizedSpans(problem, slots).length).toBe(sizedSpans(problem, solved.timetable.slots).length);
        },
      ),
      { numRuns: 25 },
    );
  });
});

test('hands end with the minute of bedtime, also when the day begins at no round minute', () => {
  const cooks = [{ ...KITCHEN.cooks[0]!, sleepFrom: '22:32', sleepTo: '05:48' }];
  for (const offMin of [0, 1, 2, 3, 4]) {
    const zeroMs = ZERO_MS + offMin * 60_000;
    const [cook] = dayCooks({ ...KITCHEN, cooks }, zeroMs, 24 * 60);
    expect(cook!.free).toEqual([
      [0, 9 * 60 + 32 - offMin],
      [16 * 60 + 48 - offMin, 24 * 60],
    ]);
  }
});

describe('hours in the kitchen', () => {
  test('work is laid into them, and only short looks outside; what cannot be is counted', () => {
    const makes = wished([
      ['yogurt', 2],
      ['acid-set', 2],
    ]);
    const wish = { kitchen: pots(3, 5), zeroMs: ZERO_MS, days: 2, makes };
    const answer = layDay({
      ...wish,
      session: [
        [0, 240],
        [1440, 1680],
      ],
    });
    if (!answer.fits) throw new Error(answer.why);
    expect(answer.outside).toBe(0);
    for (const { from, to } of answer.hands)
      if (to - from > 10)
        expect(
          [
            [0, 240],
            [1440, 1680],
          ].some(([a, b]) => a! <= from && to <= b!),
        ).toBe(true);
    const none = layDay({ ...wish, session: [[0, 1]] });
    if (!none.fits) throw new Error(none.why);
    expect(none.outside).toBeGreaterThan(0);
  });
});
