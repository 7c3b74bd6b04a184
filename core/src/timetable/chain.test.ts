import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { defaultKitchen } from '../kitchen/index.ts';
import { createLog, MAKE_ID, START } from '../make/fixtures/make-events.ts';
import { foldMake, stateOfPlan } from '../make/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { goodToCome, planFromGood } from '../registers/larder/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import type { DayWish } from './asked-day.ts';
import { batchesIn, chained, rechained, stepIn, unchained } from './chain.ts';
import { held } from './fixtures/held.ts';
import { madeUpDay } from './fixtures/made-up-day.ts';
import { goOn, type GoingDay } from './live.ts';
import type { DayProblem } from './problem.ts';
import { scoreOf } from './score.ts';
import { solveDay } from './solve.ts';
import { layDay } from './wish.ts';

const FETCH_MIN = 3;
/** Some batches of a made-up day made from others: m1 from m0, m2 from m1. */
const FED = new Map([
  ['m1', 'm0'],
  ['m2', 'm1'],
]);
const chainDay = (problem: DayProblem, fedBy = FED): DayProblem => ({
  ...problem,
  makes: chained(problem.makes, fedBy, FETCH_MIN),
});

describe('batches of a day made from each other', () => {
  test('each begins when what it is made from is over, on any day there is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 3, max: 5 }), (seed, makes) => {
        const day = madeUpDay({ seed, makes, tasks: 3 });
        const chain = chainDay(day);
        expect(chain.makes).toHaveLength(makes - 2);
        const solved = solveDay(chain, 1, 1500);
        if ('clash' in solved) return;
        const { timetable } = solved;
        held(chain, timetable);
        const slots = unchained(chain, timetable.slots);
        expect(slots).toHaveLength(makes * 3);
        for (const { id, tasks } of day.makes) {
          const own = tasks.map((task) => slots.find((slot) => slot.make === id && slot.task === task.id)!);
          // Fetching is part of the first step, which is as long as it was.
          expect(own.map(({ from, to }) => to - from)).toEqual(tasks.map(({ minutes }) => minutes));
          const feeder = FED.get(id);
          const over = Math.max(0, ...slots.filter(({ make }) => make === feeder).map(({ to }) => to));
          expect(own[0]!.from).toBeGreaterThanOrEqual(over);
        }
        // There and back.
        const key = (slot: { make: string; task: string }): string => `${slot.make} ${slot.task}`;
        const sorted = (all: typeof timetable.slots) => [...all].sort((a, b) => (key(a) < key(b) ? -1 : 1));
        expect(sorted(rechained(chain, slots))).toEqual(sorted(timetable.slots));
      }),
      { numRuns: 25 },
    );
  });

  test('what feeds another may be wished done by a time of its own', () => {
    const day = madeUpDay({ seed: 3, makes: 2, tasks: 2 });
    const [feeder, eater] = day.makes;
    const fedBy = new Map([['m1', 'm0']]);
    const chain = chainDay({ ...day, makes: [{ ...feeder!, by: 1 }, eater!] }, fedBy);
    const solved = solveDay(chain);
    if ('clash' in solved) throw new Error('it fits');
    const { timetable } = solved;
    const over = Math.max(
      ...unchained(chain, timetable.slots)
        .filter(({ make }) => make === 'm0')
        .map(({ to }) => to),
    );
    expect(timetable.late).toBe(over - 1);
    expect(scoreOf(chain, timetable.slots).late).toBe(over - 1);
  });

  test('pinned is the first step with its fetching, and each task knows whose it is', () => {
    const day = madeUpDay({ seed: 5, makes: 2, tasks: 2 });
    const [feeder, eater] = day.makes;
    const fedBy = new Map([['m1', 'm0']]);
    const chain = chainDay({ ...day, makes: [feeder!, { ...eater!, fixed: { t0: 600, t1: 900 } }] }, fedBy);
    expect(Object.values(chain.makes[0]!.fixed)).toEqual([600, 900]);
    const solved = solveDay({
      ...chain,
      makes: chain.makes.map((m) => ({ ...m, fixed: { 'm1 fetch first': 600 } })),
    });
    if ('clash' in solved) throw new Error('it fits');
    expect(
      unchained(chain, solved.timetable.slots).find(({ make, task }) => make === 'm1' && task === 't0')!.from,
    ).toBe(600);
    expect(stepIn(chain)({ make: 'm0', task: 'm1 t1' })).toEqual({ make: 'm1', task: 't1' });
    expect(stepIn(day)({ make: 'm0', task: 't1' })).toEqual({ make: 'm0', task: 't1' });
    expect(batchesIn(chain, ['m0'])).toEqual(['m0', 'm1']);
    expect(batchesIn(day, ['m0'])).toEqual(['m0']);
  });

  test('one that is not among them feeds nothing', () => {
    const day = madeUpDay({ seed: 5, makes: 2, tasks: 2 });
    expect(chained(day.makes, new Map([['m1', 'gone']]), FETCH_MIN)).toEqual(day.makes);
  });
});

const KITCHEN = defaultKitchen('UTC');
const AT = new Date(START).toISOString();
const methodOf = (id: string) => SHIPPED_METHODS.find((m) => m.id === id)!;
const [BUTTER, GHEE] = (['butter', 'ghee'] as const).map((product) => {
  const method = SHIPPED_METHODS.find((m) => m.product === product)!;
  return { method, plan: planOfMethod(method, KITCHEN, AT, product === 'ghee' ? 3 : 2) };
}) as [
  { method: ReturnType<typeof methodOf>; plan: ReturnType<typeof planOfMethod> },
  { method: ReturnType<typeof methodOf>; plan: ReturnType<typeof planOfMethod> },
];
const WILL = goodToCome(BUTTER.plan, 'butter')!;
const GHEE_PLAN = planFromGood(GHEE.plan, { good: WILL, stock: WILL.stocks[0]! }, WILL.putUpKg);
const wish = (fedBy: string | undefined, more: DayWish['makes'] = []): DayWish => ({
  kitchen: KITCHEN,
  zeroMs: START,
  days: 2,
  makes: [
    // Asked for first, and made last.
    {
      id: 'ghee',
      name: 'Ghee',
      method: { ...GHEE.method, steps: GHEE_PLAN.method.steps },
      litres: WILL.putUpKg,
      milk: GHEE_PLAN.milk,
      fedBy,
    },
    { id: 'butter', name: 'Butter', method: BUTTER.method, litres: 2 },
    ...more,
  ],
});

describe('ghee of the butter of the same day', () => {
  const answer = layDay(wish('butter'));
  if (!answer.fits) throw new Error(answer.why);
  const ofMake = (make: string) => answer.hands.filter((h) => h.make === make);

  test('is laid out after it, says why, and has a pot of its own', () => {
    const butterOver = Math.max(...ofMake('butter').map(({ to }) => to));
    const [first] = ofMake('ghee');
    expect(first!.from).toBeGreaterThanOrEqual(butterOver);
    expect(first!.why.notEarlier === 'fed' || first!.from > butterOver).toBe(true);
    expect(ofMake('ghee').map(({ step }) => step)).toEqual(GHEE.method.steps.map(({ id }) => id));
    expect(answer.pots.map(({ make }) => make)).toContain('ghee');
    // Without the order it begins at once.
    const free = layDay(wish(undefined));
    if (!free.fits) throw new Error(free.why);
    expect(free.hands.find(({ make }) => make === 'ghee')!.from).toBeLessThan(first!.from);
  });

  test('what cannot be made from each other is refused with its reason', () => {
    const refused = (fedBy: string | undefined, more?: DayWish['makes']): string => {
      const no = layDay(wish(fedBy, more));
      return no.fits ? '' : no.why;
    };
    expect(refused('gone')).toBe('“Ghee” is made from a batch that is not in this plan.');
    const second = { ...wish('butter').makes[0]!, id: 'ghee 2', name: 'Ghee 2' };
    expect(refused('butter', [second])).toBe('“Butter” can go into one other batch of a plan, not into two.');
    expect(refused('ghee')).toBe('“Ghee” cannot be made from what is made from it.');
  });

  test('as the day goes on it waits for the butter, is late with it, and falls away with it', () => {
    const slots = answer.hands.map(({ make, step, cookId, from, to }) => ({
      make,
      task: step,
      cook: cookId,
      from,
      to,
    }));
    const log = createLog();
    const begun = [log(0, 'make-started', { plan: BUTTER.plan })];
    const none = { by: null, fixed: {}, who: {} };
    const going = (state: ReturnType<typeof foldMake>, minutes: number): GoingDay => ({
      kitchen: KITCHEN,
      zeroMs: START,
      days: 2,
      keptFree: [],
      slots,
      nowMs: START + minutes * MINUTE_MS,
      makes: [
        { id: 'ghee', ...none, plan: { ...GHEE_PLAN, name: 'Ghee' }, fedBy: 'butter' },
        { id: 'butter', ...none, state: state! },
      ],
    });
    const inTime = goOn(going(foldMake(MAKE_ID, begun), 0))!;
    expect(inTime.hands.map(({ make, step }) => `${make} ${step}`)).toEqual(
      answer.hands.map(({ make, step }) => `${make} ${step}`),
    );
    // Nothing was touched for two hours: both are later.
    const late = goOn(going(foldMake(MAKE_ID, begun), 120))!;
    const firstOf = (day: typeof late, make: string): number => day.hands.find((h) => h.make === make)!.from;
    const overOf = (day: typeof late): number =>
      Math.max(...day.hands.filter((h) => h.make === 'butter').map(({ to }) => to));
    expect(firstOf(late, 'ghee')).toBeGreaterThanOrEqual(overOf(late));
    expect(firstOf(late, 'ghee')).toBeGreaterThan(firstOf(inTime, 'ghee') + 60);
    expect(late.moved.filter(({ make }) => make === 'ghee').length).toBeGreaterThan(0);
    expect(late.moved.every(({ task }) => !task.includes(' '))).toBe(true);
    // All of the butter is done: the ghee may begin.
    const steps = stateOfPlan(BUTTER.plan).steps;
    const done = [...begun, ...steps.map(({ step }) => log(60, 'step-done', { step: step.id }))];
    const ready = goOn(going(foldMake(MAKE_ID, done), 61))!;
    expect(ready.hands.every(({ make }) => make === 'ghee')).toBe(true);
    expect(firstOf(ready, 'ghee')).toBeLessThan(firstOf(inTime, 'ghee') + 1);
    // Discarded, there is nothing to make it of.
    const gone = [...done, log(62, 'finished', { verdict: 'discarded', reason: '' })];
    expect(goOn(going(foldMake(MAKE_ID, gone), 63))?.hands ?? []).toEqual([]);
  });
});
