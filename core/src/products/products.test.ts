import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PRODUCT_TAKES, makePlan, PRODUCT_IDS, type MakePlan, type ProductId } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import {
  markBand,
  alarmsOf,
  bandForecast,
  foldMake,
  nextHands,
  pointForecast,
  safetyOf,
  seenSetMs,
  shownAcidAtMs,
  stateOfPlan,
  type MakeState,
  makeAt,
} from '../make/index.ts';
import { createLog, MAKE_ID, START } from '../make/fixtures/make-events.ts';
import { adviseOn, methodSteps, beginPlan } from './index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { WASH_TOLD, told, butterDoubt, fatBalance } from '../steps/index.ts';

const KITCHEN = defaultKitchen('UTC');
const AT = new Date(START).toISOString();
const begun = (product: ProductId, over: (plan: MakePlan) => Partial<MakePlan> = () => ({})): MakePlan => {
  const plan = beginPlan(product, KITCHEN, AT);
  return { ...plan, ...over(plan) };
};
const withMilk = (part: Partial<MakePlan['milk']>) => (plan: MakePlan) => ({
  milk: { ...plan.milk, ...part },
});
/** A make of a plan with what was entered of it. */
const make = (plan: MakePlan, entries: (log: ReturnType<typeof createLog>) => LoggedEvent[]): MakeState => {
  const log = createLog();
  return foldMake(MAKE_ID, [log(0, 'make-started', { plan }), ...entries(log)])!;
};
const look = (state: MakeState, minute: number) => {
  const nowMs = START + minute * MINUTE_MS;
  const forecast = bandForecast(state, nowMs, 3, 80);
  const safety = safetyOf(state, forecast.point.temperature, nowMs, markBand(forecast, 'safe').p90);
  return { nowMs, forecast, safety, alarms: alarmsOf(state, forecast, safety).map((a) => a.id) };
};

describe.each(PRODUCT_IDS)('%s', (product) => {
  test('begins with a plan that is taken, has its steps, and is stopped by nothing', () => {
    const plan = begun(product);
    expect(makePlan.safeParse(plan).error).toBeUndefined();
    expect(plan.product).toBe(product);
    const ids = methodSteps(plan).map((s) => s.id);
    expect(ids.length).toBeGreaterThan(3);
    expect(new Set(ids).size).toBe(ids.length);
    expect(adviseOn(plan).filter((a) => a.severity === 'stop')).toEqual([]);
  });

  test('is forecast without fault for any size, room and height', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.integer({ min: 12, max: 32 }),
        fc.integer({ min: 0, max: 3000 }),
        (litres, roomC, altitudeM) => {
          const plan = begun(product, (p) => ({ milk: { ...p.milk, litres }, roomC, altitudeM }));
          const { steps, temperature, firmness } = pointForecast(stateOfPlan(plan), START);
          expect(steps.map((s) => s.id)).toEqual(methodSteps(plan).map((s) => s.id));
          expect(steps.filter((step) => step.endMs < step.startMs)).toEqual([]);
          // Fat on the fire goes beyond what water can.
          const hottest = PRODUCT_TAKES[product] === 'butter' ? 121 : 101;
          // One look at the whole curve: an assertion a point takes longer than the forecast.
          expect(
            temperature.filter(
              ([ms, celsius]) => !Number.isFinite(ms) || !(celsius > -5 && celsius < hottest),
            ),
          ).toEqual([]);
          expect(firmness).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 12 },
    );
  });
});

test('a make goes by the method it was begun with, whatever the product does by now', () => {
  const plan = begun('butter');
  const shorter = {
    ...plan,
    method: { ...plan.method, steps: plan.method.steps.filter((s) => s.kind !== 'wash') },
  };
  expect(stateOfPlan(shorter).steps.map((s) => s.step.id)).not.toContain('wash');
  // A kind may come twice: each is its own step.
  const twice = {
    ...plan,
    method: {
      ...plan.method,
      steps: plan.method.steps.flatMap((s) => (s.kind === 'drain' ? [s, { ...s, id: 'drain-2' }] : [s])),
    },
  };
  expect(makePlan.safeParse(twice).error).toBeUndefined();
  const state = make(twice, (log) => [
    log(3, 'step-done', { step: 'take-out' }),
    log(60, 'step-done', { step: 'temper' }),
    log(80, 'step-done', { step: 'churn' }),
    log(85, 'step-done', { step: 'drain' }),
  ]);
  expect(state.current?.step.id).toBe('drain-2');
});

describe('cream that ripens', () => {
  const plan = begun('cultured-cream', withMilk({ treatment: 'raw' }));
  const standing = (...seen: readonly (readonly [number, 'runs' | 'thick' | 'dollop', boolean | null])[]) =>
    make(plan, (log) => [
      log(4, 'step-done', { step: 'pour' }),
      log(10, 'starter-added', { massKg: 0.06, statedRatio: null, typed: null }),
      ...seen.map(([minute, cue, cleanSmell]) => log(minute, 'cue-seen', { cue, cleanSmell })),
    ]);

  test('is thick when it was seen so; only with a clean sour smell that stops the clock', () => {
    expect(seenSetMs(standing([800, 'runs', null]))).toBeNull();
    const thick = standing([800, 'thick', null]);
    expect(seenSetMs(thick)).toBe(START + 800 * MINUTE_MS);
    expect(shownAcidAtMs(thick)).toBeNull();
    expect(look(thick, 801).safety.verdict).not.toBe('acid');
    const smelled = standing([800, 'thick', null], [805, 'dollop', true]);
    expect(shownAcidAtMs(smelled)).toBe(START + 805 * MINUTE_MS);
    expect(look(smelled, 806).safety.verdict).toBe('acid');
    expect(seenSetMs(standing([800, 'thick', true], [810, 'runs', null]))).toBeNull();
  });

  test('thickens later in a cooler room, in a band, and the next day in the cold', () => {
    const at = (roomC: number) =>
      bandForecast(stateOfPlan(begun('cultured-cream', () => ({ roomC }))), START, 5, 120);
    const [cool, warm] = [at(18), at(24)];
    expect(markBand(warm, 'body').p50!).toBeLessThan(markBand(cool, 'body').p50!);
    expect(markBand(warm, 'body').p10!).toBeLessThan(markBand(warm, 'body').p50!);
    expect(markBand(warm, 'body').p90!).toBeGreaterThan(markBand(warm, 'body').p50!);
    const time = (id: string) => warm.point.steps.find((s) => s.id === id)!;
    expect(time('thicken').endMs - time('ripen').endMs).toBeCloseTo(12 * 60 * MINUTE_MS, -3);
  });

  test('a cold start is no warm day: until somebody reads it, it follows the room', () => {
    const state = make(plan, (log) => [
      log(4, 'step-done', { step: 'pour' }),
      log(10, 'starter-added', { massKg: 0.06, statedRatio: null, typed: null }),
      log(610, 'temperature-read', { celsius: 20, instrument: 'hand', typed: { value: 20, unit: 'C' } }),
    ]);
    const { temperature } = pointForecast(state, START + 620 * MINUTE_MS);
    const afterHours = (h: number): number =>
      temperature.findLast(([ms]) => ms <= START + (10 + 60 * h) * MINUTE_MS)![1];
    expect(afterHours(3)).toBeGreaterThan(15);
    expect(afterHours(10)).toBeCloseTo(20, 0);
  });

  test.each([
    ['heated cream left to itself', { treatment: 'pasteurised' } as const, 'none', 20, /Never leave heated/],
    [
      'yogurt’s whey in the cool',
      { treatment: 'pasteurised' } as const,
      'yogurt-whey',
      20,
      /does not work at/,
    ],
    ['a room too cold', { treatment: 'raw' } as const, 'cultured-buttermilk', 11, /too cold for cream/],
  ] as const)('%s is stopped', (_what, milk, kind, roomC, words) => {
    const stops = adviseOn(
      begun('cultured-cream', (p) => ({
        milk: { ...p.milk, ...milk },
        starter: { ...p.starter, kind },
        roomC,
      })),
    ).filter((a) => a.severity === 'stop');
    expect(stops.map((a) => a.text).join()).toMatch(words);
  });

  test('raw by itself is a caution, as is thin cream, and a carton asks whether it was open', () => {
    const words = (
      over: Partial<MakePlan['milk']>,
      kind: MakePlan['starter']['kind'] = 'cultured-buttermilk',
    ) =>
      adviseOn(
        begun('cultured-cream', (p) => ({ milk: { ...p.milk, ...over }, starter: { ...p.starter, kind } })),
      )
        .map((a) => a.text)
        .join();
    expect(words({ treatment: 'raw' }, 'none')).toMatch(/rough guess/);
    expect(words({ fatFraction: 0.12 })).toMatch(/stays thin/);
    expect(words({})).toMatch(/If the carton was open/);
    expect(words({ treatment: 'raw' })).not.toMatch(/carton/);
  });
});

describe('cream that breaks', () => {
  const plan = begun('butter', withMilk({ treatment: 'raw', fatFraction: 0.34 }));
  const churned = (more: (log: ReturnType<typeof createLog>) => LoggedEvent[]) =>
    make(plan, (log) => [
      log(3, 'step-done', { step: 'take-out' }),
      log(60, 'step-done', { step: 'temper' }),
      ...more(log),
    ]);

  test('rings to look and to stop, and no more when it was seen to break', () => {
    const before = churned(() => []);
    expect(look(before, 61).alarms).toEqual(expect.arrayContaining(['early-churn', 'step-churn']));
    const { forecast, safety } = look(before, 61);
    expect(nextHands(before, forecast, safety, START + 61 * MINUTE_MS)).toMatchObject({
      act: 'Stop: cream has broken',
      mustAct: true,
    });
    const broke = churned((log) => [log(78, 'stage-seen', { stage: 'broken' })]);
    expect(look(broke, 79).alarms).toEqual([]);
    expect(look(broke, 79).safety.verdict).toBe('none');
    const end = look(broke, 79).forecast.point.steps.find((s) => s.id === 'churn')!;
    // The clock runs on until somebody stops it, but the churning took what it took.
    expect(end.endMs).toBe(START + 79 * MINUTE_MS);
  });

  test('a stage seen moves the end: early sooner, late later', () => {
    const endOf = (minute: number): number =>
      look(
        churned((log) => [log(60 + minute, 'stage-seen', { stage: 'stiff' })]),
        60 + minute,
      ).forecast.point.steps.find((s) => s.id === 'churn')!.endMs;
    expect(endOf(6)).toBeLessThan(endOf(14));
  });

  test('accounts for all its fat, and believes no more butter than there can be', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.15, max: 0.55, noNaN: true }),
        fc.double({ min: 0.3, max: 0.99, noNaN: true }),
        (fatFraction, share) => {
          const state = make(begun('butter', withMilk({ fatFraction })), (log) => [
            log(3, 'step-done', { step: 'take-out' }),
            log(60, 'step-done', { step: 'temper' }),
            log(80, 'step-done', { step: 'churn' }),
          ]);
          const open = fatBalance(makeAt(state, START))!;
          expect(open.realKg).toBeNull();
          expect(open.likelyKg).toBeLessThan(open.possibleKg);
          const massKg = open.possibleKg * share;
          const weighed = foldMake(MAKE_ID, [
            ...state.events,
            {
              ...state.events[0]!,
              id: '01HYYYYYYYYYYYYYYYYYYYYY98',
              type: 'weighed',
              data: { massKg, typed: { value: massKg, unit: 'kg' } },
              at: new Date(START + 100 * MINUTE_MS).toISOString(),
            },
          ])!;
          const fat = fatBalance(makeAt(weighed, START))!;
          expect(fat.inButterKg! + (fat.inButtermilkKg ?? 0) + fat.elsewhereKg!).toBeCloseTo(fat.fatKg, 9);
          expect(butterDoubt(makeAt(state, START), massKg, { value: massKg, unit: 'kg' })).toBeNull();
        },
      ),
      { numRuns: 40 },
    );
    const state = churned((log) => [log(80, 'step-done', { step: 'churn' })]);
    const most = fatBalance(makeAt(state, START))!;
    expect(butterDoubt(makeAt(state, START), 0.9, { value: 0.9, unit: 'kg' })).toMatchObject({
      why: 'more-than-fat',
    });
    expect(butterDoubt(makeAt(state, START), 4, { value: 4, unit: 'kg' })).toMatchObject({
      why: 'more-than-cream',
    });
    // 388 ounces is no butter of a litre; 388 grams is.
    expect(butterDoubt(makeAt(state, START), 388 * 0.02835, { value: 388, unit: 'oz' })).toMatchObject({
      gramsMeant: true,
      mostKg: expect.any(Number),
    });
    expect(most.breakC).toBeGreaterThan(12);
  });

  test('salt is no butter, and a by-product is no yield', () => {
    const state = churned((log) => [
      log(80, 'step-done', { step: 'churn' }),
      log(85, 'weighed', { massKg: 0.56, typed: { value: 560, unit: 'g' }, of: 'buttermilk' }),
      log(90, 'rinsed', { clear: false }),
      log(93, 'rinsed', { clear: true }),
      log(94, 'step-done', { step: 'wash' }),
      log(97, 'salted', { massKg: 0.006, typed: { value: 6, unit: 'g' } }),
      log(98, 'step-done', { step: 'work' }),
      log(99, 'weighed', { massKg: 0.4, typed: { value: 400, unit: 'g' } }),
    ]);
    expect(state.steps.every((s) => s.status === 'done')).toBe(true);
    expect(state.weighedKg).toBe(0.4);
    expect(fatBalance(makeAt(state, START))).toMatchObject({ realKg: 0.394, buttermilkKg: 0.56 });
    expect(told(state, WASH_TOLD).rinses.map((r) => r.clear)).toEqual([false, true]);
  });

  test('a bath tempers in minutes what the room takes an hour for, warm cream as well as cold', () => {
    const tempered = (startC: number, standing: 'room' | 'cold' | 'bath') => {
      const plan = begun('butter', withMilk({ startC }));
      const steps = plan.method.steps.map((s) => (s.kind === 'temper' ? { ...s, standing } : s));
      const made = stateOfPlan({ ...plan, method: { ...plan.method, steps } });
      const time = pointForecast(made, START).steps.find((s) => s.id === 'temper')!;
      return (time.endMs - time.startMs) / MINUTE_MS;
    };
    expect(tempered(5, 'bath')).toBeLessThan(20);
    expect(tempered(5, 'room')).toBeGreaterThan(3 * tempered(5, 'bath'));
    expect(tempered(21, 'bath')).toBeLessThan(tempered(21, 'cold') / 2);
  });

  test.each([
    [
      '28 °C cream at room temperature',
      { startC: 28 },
      'stop',
      /cannot cool to 12.0 °C in a place at 20.0 °C/,
    ],
    ['cream of 10 %', { fatFraction: 0.1 }, 'stop', /hardly cream and would not break/],
    ['thin cream', { fatFraction: 0.2 }, 'caution', /is thin/],
    ['ultra-heated', { treatment: 'ultra-heated' }, 'caution', /may not break at all/],
    ['homogenised', { homogenised: true }, 'caution', /breaks late/],
    ['a full churn', { litres: 1.9 }, 'stop', /leaves no room to beat/],
    ['more than half full', { litres: 1.3 }, 'caution', /more than half full/],
  ] as const)('%s is said', (_what, milk, severity, words) => {
    const said = adviseOn(begun('butter', withMilk(milk))).filter((a) => a.severity === severity);
    expect(said.map((a) => a.text).join()).toMatch(words);
  });
});
