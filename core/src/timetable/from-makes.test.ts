import { describe, expect, test } from '@jest/globals';
import type { Method } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { bandForecast, markBand, stateOfPlan } from '../make/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { answerSum } from '../doors/index.ts';
import { dayCooks, dayMakeOf, dayProblem } from './from-makes.ts';
import { dayNeeds } from './needs.ts';
import type { DayMake } from './problem.ts';
import { solveDay } from './solve.ts';

type MethodChurn = Extract<Method['steps'][number], { kind: 'churn' }>['churn'];
const KITCHEN = defaultKitchen('UTC');
const AT = '2026-03-02T07:00:00.000Z';
const ZERO_MS = Date.parse(AT);
const makeOf = (method: string, litres = 3, id = method): DayMake =>
  dayMakeOf({
    id,
    plan: planOfMethod(
      SHIPPED_METHODS.find((m) => m.id === method)!,
      KITCHEN,
      AT,
      litres,
    ),
    from: 0,
    by: null,
    fixed: {},
  })!;

test('a make is its hands and waits: nothing of its time is lost', () => {
  for (const { id } of SHIPPED_METHODS) {
    const make = makeOf(id);
    expect(make.tasks.length).toBeGreaterThan(1);
    for (const { minutes, after, slack } of make.tasks) {
      expect(Number.isInteger(minutes) && minutes >= 1).toBe(true);
      expect(Number.isInteger(after) && after >= 0).toBe(true);
      expect(slack).toBeGreaterThanOrEqual(0);
    }
  }
  const yogurt = makeOf('yogurt');
  const heat = yogurt.tasks.find(({ id }) => id === 'heat')!;
  expect(heat.holds).toEqual(['burner', 'pot']);
  // It sours for hours by itself, and its end may wait a while only.
  const incubate = yogurt.tasks.find(({ id }) => id === 'incubate')!;
  expect(incubate.after).toBeGreaterThan(180);
  expect(incubate.holds[0]).toMatch(/^place /);
  expect(makeOf('washed-curd').tasks.some(({ holds }) => holds.includes('pot'))).toBe(true);
});

test('what hands are at all along leaves them for nothing else: churning by hand, butter on the fire', () => {
  const taskOf = (method: string, kind: string, churns?: MethodChurn) => {
    const made = SHIPPED_METHODS.find((m) => m.id === method)!;
    const steps = made.steps.map((step) =>
      step.kind === 'churn' && churns ? { ...step, churn: churns } : step,
    );
    const plan = planOfMethod({ ...made, steps }, KITCHEN, AT, 1);
    const { tasks } = dayMakeOf({ id: method, plan, from: 0, by: null, fixed: {} })!;
    return tasks.find(({ id }) => made.steps.find((step) => step.id === id)?.kind === kind)!;
  };
  const jar = taskOf('butter', 'churn', 'jar');
  expect(jar.after).toBe(0);
  expect(jar.minutes).toBeGreaterThan(10);
  // A mixer turns by itself until the bell.
  const mixer = taskOf('butter', 'churn', 'whisk');
  expect(mixer.after).toBeGreaterThan(3);
  expect(mixer.minutes).toBeLessThan(6);
  const pan = taskOf('ghee', 'clarify');
  expect(pan).toMatchObject({ after: 0 });
  expect(pan.minutes).toBeGreaterThan(8);
});

test('a souring may be as much longer as the thousand makes of its forecast say', () => {
  let seen = 0;
  for (const method of SHIPPED_METHODS.filter((_, n) => n % 3 === 0)) {
    const plan = planOfMethod(method, KITCHEN, AT, 3);
    const { tasks } = dayMakeOf({ id: method.id, plan, from: 0, by: null, fixed: {} })!;
    const state = stateOfPlan(plan);
    const souring = state.steps.find(({ step }) => step.facts.sours)?.step.id;
    const own = tasks.find(({ id }) => id === souring)?.sigma ?? 0;
    // The band of its end is about when it begins, too.
    const until = tasks.slice(0, 1 + tasks.findIndex(({ id }) => id === souring));
    const whole = Math.hypot(...until.map(({ sigma = 0 }) => sigma));
    const ready = markBand(bandForecast(state, ZERO_MS, 1, 600), 'ready');
    if (own === 0 || ready.p10 === null || ready.p90 === null) continue;
    seen++;
    // Between the tenth and the ninetieth of a hundred lie 2.563 σ.
    const ratio = whole / ((ready.p90 - ready.p10) / 60_000 / 2.563);
    expect(ratio).toBeGreaterThan(0.9);
    expect(ratio).toBeLessThan(1.1);
  }
  expect(seen).toBeGreaterThan(4);
});

test('a cook has hands when awake and not away', () => {
  const free = dayCooks(KITCHEN, ZERO_MS, 24 * 60)[0]!.free;
  const [cook] = KITCHEN.cooks;
  expect(free.length).toBeGreaterThan(0);
  const minutes = free.reduce((sum, [from, to]) => sum + to - from, 0);
  expect(minutes).toBeLessThan(24 * 60);
  expect(minutes).toBeGreaterThan(10 * 60);
  const away = dayCooks(
    {
      ...KITCHEN,
      absences: [
        {
          id: '01H00000000000000000000009',
          cookId: cook!.id,
          name: 'School',
          days: [1],
          from: '14:00',
          to: '15:00',
        },
      ],
    },
    ZERO_MS,
    24 * 60,
  )[0]!.free;
  // From seven on, 14:00 is the 420th minute.
  expect(away.every(([from, to]) => to <= 420 || from >= 480)).toBe(true);
});

describe('seven things in a day', () => {
  const ids = ['yogurt', 'buttermilk', 'cultured-cream', 'cream-cheese', 'kefir', 'clabber', 'skyr'].filter(
    (id) => SHIPPED_METHODS.some((m) => m.id === id),
  );
  const problem = dayProblem(
    KITCHEN,
    ids.map((id) => makeOf(id, 2)),
    ZERO_MS,
    4,
  );

  test('are laid out with nobody’s hands at two things, one warm place, and nothing in sleep', () => {
    expect(ids.length).toBeGreaterThanOrEqual(6);
    const solved = solveDay(problem, 1, 60);
    if ('clash' in solved) throw new Error(`clash of ${solved.clash.join()}`);
    const slots = [...solved.timetable.slots].sort((a, b) => a.from - b.from);
    for (const [i, slot] of slots.entries()) {
      if (i > 0) expect(slot.from).toBeGreaterThanOrEqual(slots[i - 1]!.to);
      expect(problem.cooks[0]!.free.some(([from, to]) => from <= slot.from && slot.to <= to)).toBe(true);
    }
    expect(solved.bound).toBeLessThanOrEqual(solved.timetable.finish);
  });
});

test('what to have ready is every milk and starter once, for all the makes it is for', () => {
  const of = (name: string, method: string, litres: number) => ({
    ...planOfMethod(
      SHIPPED_METHODS.find((m) => m.id === method)!,
      KITCHEN,
      AT,
      litres,
    ),
    name,
  });
  const needs = dayNeeds([
    of('A', 'yogurt', 2),
    of('B', 'yogurt', 3),
    of('C', 'buttermilk', 1),
    of('D', 'cultured-cream', 1),
  ]);
  expect(needs).toMatchObject([
    { what: 'milk', litres: expect.closeTo(6, 6), of: ['A', 'B', 'C'] },
    { what: 'cream', litres: expect.closeTo(1, 6), of: ['D'] },
    { what: 'Live plain yogurt', of: ['A', 'B'] },
    { what: 'Cultured buttermilk or sour cream', of: ['C', 'D'] },
  ]);
  // An acid sets it: no starter is needed.
  expect(dayNeeds([of('E', 'acid-set', 2)])).toMatchObject([{ what: 'milk', of: ['E'] }]);
  expect(dayNeeds([of('E', 'acid-set', 2)])).toHaveLength(1);
  // Butter is weighed; what stands in the larder is called as there, beside what is to be bought.
  const [, own] = dayNeeds([
    of('F', 'ghee', 0.8),
    {
      ...of('G', 'ghee', 0.5),
      milk: {
        ...of('G', 'ghee', 0.5).milk,
        goods: [{ goodId: 'X', name: 'butter', place: 'cold', size: 0, massKg: 0.5 }],
      },
    },
  ]);
  expect(dayNeeds([of('F', 'ghee', 0.8)])).toEqual([
    { what: 'butter', massKg: expect.closeTo(0.8, 6), of: ['F'] },
  ]);
  expect(own).toEqual({ what: 'butter', massKg: 0.5, of: ['G'], isHere: true });
  const yogurt = needs[2]!;
  // Two per cent of five litres, by weight.
  expect('massKg' in yogurt && yogurt.massKg).toBeCloseTo(0.02 * 5 * 1.03, 2);
});

describe('the door', () => {
  const ask = (over: object) =>
    answerSum('day', JSON.stringify({ makes: [], startAt: AT, days: 2, ...over }));
  const day = (over: object) => {
    const answer = ask(over);
    if (!answer.ok) throw new Error(JSON.stringify(answer));
    return answer.json as {
      clash: string | null;
      slots: unknown[];
      clashing: string[];
      after: { at: number }[];
    };
  };

  test('a day by the names of methods', () => {
    const { clash, slots } = day({
      makes: [
        { name: 'Yogurt', method: 'yogurt', litres: 2 },
        { name: 'Buttermilk', method: 'buttermilk', litres: 1 },
      ],
    });
    expect(clash).toBeNull();
    expect(slots[0]).toMatchObject({ step: 'pour', from: expect.any(Number), cook: expect.any(String) });
  });

  test('what takes longer than the days chosen goes on after them, and is told', () => {
    const wheel = day({ days: 1, makes: [{ name: 'Wheel', method: 'washed-curd' }] });
    expect(wheel.clash).toBeNull();
    expect(wheel.slots.length).toBeGreaterThan(4);
    expect(wheel.after[0]).toMatchObject({ make: 'Wheel', title: expect.any(String) });
    expect(wheel.after[0]!.at).toBeGreaterThan(12 * 60);
  });

  test('what cannot be says why, in a sentence', () => {
    expect(day({ makes: [{ name: 'X', method: 'no-such-thing' }] }).clash).toMatch(
      /There is no method called/,
    );
    expect(day({ makes: [{ name: 'X', method: 'yogurt', fixed: { dance: 5 } }] }).clash).toMatch(
      /no step “dance”/,
    );
    const two = ['One', 'Two'].map((name) => ({ name, method: 'yogurt', fixed: { pour: 30 } }));
    expect(day({ makes: two })).toMatchObject({
      clash: expect.stringMatching(/No plan was found for “One” and “Two” together/),
      clashing: ['One', 'Two'],
    });
    expect(ask({ makes: [] })).toMatchObject({ ok: false });
    expect(ask({ days: 9, makes: [{ name: 'X', method: 'yogurt' }] })).toMatchObject({ ok: false });
  });
});
