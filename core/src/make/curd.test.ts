import { describe, expect, test } from '@jest/globals';
import type { EventOf, EventType, MakePlan } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { nobodyThere } from '../kitchen/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { createLog, MAKE_ID, START } from './fixtures/make-events.ts';
import {
  alarmsOf,
  bandForecast,
  dueMs,
  foldMake,
  makeFlow,
  nextHands,
  nextTurn,
  pointForecast,
  safetyOf,
  sameTags,
  toAdd,
  shownAcidAtMs,
  soursToTheEnd,
  wouldMix,
  yieldOf,
  type MakeState,
  makeAt,
} from './index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { drainingNow, rennetLearned } from '../steps/index.ts';

const KITCHEN = defaultKitchen('UTC');
const AT = new Date(START).toISOString();
const planOf = (id: string, litres = 4): MakePlan =>
  planOfMethod(
    SHIPPED_METHODS.find((m) => m.id === id)!,
    KITCHEN,
    AT,
    litres,
  );
type Entry = { [T in EventType]: readonly [number, T, EventOf<T>['data']] }[EventType];

const make = (plan: MakePlan, ...entries: readonly Entry[]): MakeState => {
  const log = createLog();
  return foldMake(MAKE_ID, [
    log(0, 'make-started', { plan }),
    ...entries.map(([minute, type, data]) => log(minute, type, data)),
  ])!;
};
/** Steps done one after another, so many minutes apart, up to one of them. */
const doneUpTo = (plan: MakePlan, until: string, every = 15): Entry[] => {
  const steps = plan.method.steps.map(({ id }) => id);
  return steps
    .slice(0, steps.indexOf(until))
    .map((step, i): Entry => [(i + 1) * every, 'step-done', { step }]);
};
const look = (state: MakeState, minute: number) => {
  const nowMs = START + minute * MINUTE_MS;
  const forecast = bandForecast(state, nowMs, 3, 80);
  const safety = safetyOf(state, forecast.point.temperature, nowMs, null);
  return { nowMs, forecast, safety, alarms: alarmsOf(state, forecast, safety) };
};

describe('skyr', () => {
  const plan = planOf('skyr', 3);
  const hanging = doneUpTo(plan, 'strain', 60);
  const beganMin = hanging.at(-1)![0];

  test('a set shows nothing with rennet; only a measured pH stops the clock', () => {
    const set = make(plan, ...doneUpTo(plan, 'incubate'), [
      300,
      'cue-seen',
      { cue: 'set', cleanSmell: true },
    ]);
    expect(shownAcidAtMs(set)).toBeNull();
    const measured = make(plan, ...doneUpTo(plan, 'incubate'), [
      300,
      'ph-read',
      { ph: 4.6, instrument: 'strip', sigma: null, typed: { value: 4.6, unit: 'pH' } },
    ]);
    expect(shownAcidAtMs(measured)).toBe(START + 300 * MINUTE_MS);
    const asked = look(set, 301).alarms.find(({ id }) => id === 'safety-limit');
    expect(asked?.text).toMatch(/measure the ph of the whey/i);
  });

  test('drains towards its thickness; whey that was weighed moves the end, too far is mended with whey', () => {
    const state = make(plan, ...hanging);
    const at = (minutes: number, of = state) =>
      drainingNow(makeAt(of, START + (beganMin + minutes) * MINUTE_MS), 0.9)!;
    const book = at(20);
    expect(book.weighed).toBe(false);
    expect(book.now.proteinFraction).toBeGreaterThan(0.035);
    expect(book.thickMs![0]).toBeLessThan(book.thickMs![1]);
    const typed = { value: 1, unit: 'g' } as const;
    const slow = make(plan, ...hanging, [
      beganMin + 20,
      'drain-weighed',
      { step: 'strain', massKg: 0.6 * book.now.wheyKg, of: 'whey', typed },
    ]);
    expect(at(20, slow).thickMs![1]).toBeGreaterThan(book.thickMs![1]);
    expect(at(20, slow).now.wheyKg).toBeCloseTo(0.6 * book.now.wheyKg, 6);
    const bag = make(plan, ...hanging, [
      beganMin + 20,
      'drain-weighed',
      { step: 'strain', massKg: 2, of: 'curd', typed },
    ]);
    expect(at(20, bag).now.curdKg).toBeCloseTo(2, 6);

    const far = at(600);
    expect(far.backKg).toBeGreaterThan(0.05);
    // The bowl is one for what ran off, not for what was to run off.
    expect(far.wheyToCatchKg).toBe(far.now.wheyKg);
    expect(book.wheyToCatchKg).toBeGreaterThan(book.now.wheyKg);
    const mended = make(
      plan,
      ...hanging,
      [beganMin + 600, 'drain-weighed', { step: 'strain', massKg: far.now.wheyKg, of: 'whey', typed }],
      [beganMin + 605, 'whey-returned', { step: 'strain', massKg: far.backKg, typed }],
    );
    const after = at(606, mended);
    expect(after.returnedKg).toBeCloseTo(far.backKg, 9);
    expect(after.now.proteinFraction).toBeCloseTo(0.075, 3);
    expect(yieldOf(mended).wheyKg).toBeCloseTo(far.now.wheyKg - far.backKg, 9);
  });

  test('two cloths, one after the other, are weighed each for itself', () => {
    const at = plan.method.steps.findIndex(({ id }) => id === 'strain');
    const first = plan.method.steps[at]!;
    if (first.kind !== 'strain') throw new Error('skyr hangs in a cloth');
    const twice: MakePlan = {
      ...plan,
      method: {
        ...plan.method,
        steps: [
          ...plan.method.steps.slice(0, at),
          { ...first, fraction: 0.05 },
          { ...first, id: 'again' },
          ...plan.method.steps.slice(at + 1),
        ],
      },
    };
    const typed = { value: 1, unit: 'kg' } as const;
    const firstOff: Entry[] = [
      ...hanging,
      [beganMin + 60, 'drain-weighed', { step: 'strain', massKg: 1, of: 'whey', typed }],
      [beganMin + 61, 'step-done', { step: 'strain' }],
    ];
    const state = make(twice, ...firstOff);
    const now = (of: MakeState) => drainingNow(makeAt(of, START + (beganMin + 70) * MINUTE_MS), 0.9)!;
    const { wentIn } = makeFlow(state, 0.9);
    expect(now(state)).toMatchObject({ step: 'again', weighed: false, returnedKg: 0 });
    expect(now(state).startKg).toBeCloseTo(wentIn.massKg - 1, 9);
    // The bag of the second cloth is held against what hung in it, not against the milk.
    const bag = make(twice, ...firstOff, [
      beganMin + 70,
      'drain-weighed',
      { step: 'again', massKg: wentIn.massKg - 1.4, of: 'curd', typed },
    ]);
    expect(now(bag).now.wheyKg).toBeCloseTo(0.4, 9);
    expect(yieldOf(bag).wheyKg).toBeCloseTo(1.4, 9);
    const whole = make(twice, ...firstOff, [
      beganMin + 70,
      'whey-returned',
      { step: 'strain', massKg: 0.3, typed },
    ]);
    expect(makeFlow(whole, 0.9).into.get('again')!.massKg).toBeCloseTo(wentIn.massKg - 0.7, 9);
    expect(yieldOf(whole).wheyKg).toBeCloseTo(0.7, 9);
  });

  test('its forecast tells the draining with a spread of its own, and rings when it is thick', () => {
    const { forecast, alarms } = look(make(plan, ...hanging), beganMin + 5);
    const end = forecast.steps.find(({ step }) => step === 'strain')!.end;
    expect(end.p90! - end.p10!).toBeGreaterThan(10 * MINUTE_MS);
    expect(alarms.find(({ id }) => id === 'step-strain')?.dueAtMs).toBe(end.p50);
  });

  test('what cannot get so thick is endless, and nothing rings for it', () => {
    const thick = {
      ...plan,
      method: {
        ...plan.method,
        steps: plan.method.steps.map((s) => (s.kind === 'strain' ? { ...s, fraction: 0.3 } : s)),
      },
    };
    const { forecast, alarms } = look(make(thick, ...hanging), beganMin + 5);
    expect(forecast.point.steps.find(({ id }) => id === 'strain')).toMatchObject({ endless: true });
    expect(alarms.map(({ id }) => id)).not.toContain('step-strain');
    expect(
      drainingNow(makeAt(make(thick, ...hanging), START + beganMin * MINUTE_MS), 0.9)!.thickMs,
    ).toBeNull();
  });
});

describe('a rennet cheese', () => {
  const plan = planOf('washed-curd', 8);
  const renneted = doneUpTo(plan, 'coagulate');
  const setMin = renneted.at(-1)![0];

  test('its culture is woken by the clock and sours on in curd and press', () => {
    const state = make(plan, ...doneUpTo(plan, 'ripen-milk'));
    expect(soursToTheEnd(state)).toBe(false);
    const { forecast } = look(state, 46);
    const ripen = forecast.point.steps.find(({ id }) => id === 'ripen-milk')!;
    expect((ripen.endMs - state.inoculatedAtMs!) / MINUTE_MS).toBeCloseTo(40, 6);
    expect(forecast.neverSets).toBe(0);
    const safe = forecast.marks.find(({ role }) => role === 'safe')!.band;
    expect(safe.p50!).toBeGreaterThan(ripen.endMs);
    const last = forecast.point.steps.findLast(({ id }) => id !== 'taste')!;
    expect((last.endMs - START) / MINUTE_MS).toBeGreaterThan(35 * 24 * 60);
  });

  test('tried and not clean, it is tried again in seven minutes and rings again', () => {
    const state = make(plan, ...renneted);
    const first = look(state, setMin + 1);
    const bookMs = first.forecast.point.steps.find(({ id }) => id === 'coagulate')!.endMs;
    const triedMin = (bookMs - START) / MINUTE_MS + 1;
    const tried = make(plan, ...renneted, [triedMin, 'break-tried', { step: 'coagulate', clean: false }]);
    const again = look(tried, triedMin);
    const end = again.forecast.point.steps.find(({ id }) => id === 'coagulate')!.endMs;
    expect((end - START) / MINUTE_MS).toBeCloseTo(triedMin + 7, 3);
    expect(first.alarms.map(({ id }) => id)).toContain('step-coagulate');
    expect(again.alarms.map(({ id }) => id)).toContain('step-coagulate-try-1');
  });

  test('a clean break tells a rennet whose label says nothing', () => {
    const state = make(plan, ...renneted, [setMin + 30, 'step-done', { step: 'coagulate' }]);
    const slower = make(plan, ...renneted, [setMin + 60, 'step-done', { step: 'coagulate' }]);
    const of = (s: MakeState): number => rennetLearned(s, pointForecast(s, START + 300 * MINUTE_MS))!.imcu;
    expect(of(state) / of(slower)).toBeCloseTo(2, 1);
    expect(rennetLearned(make(plan, ...renneted), pointForecast(make(plan, ...renneted), START))).toBeNull();
  });

  test('is turned when somebody is up, as often as it was to be, and never just before its end', () => {
    const pressing = doneUpTo(plan, 'press');
    const beganMs = START + pressing.at(-1)![0] * MINUTE_MS;
    let state = make(plan, ...pressing);
    const turns: number[] = [];
    for (;;) {
      const turn = nextTurn(state, pointForecast(state, beganMs));
      if (!turn) break;
      expect(nobodyThere(KITCHEN, turn.atMs)).toBe(false);
      expect(turn.no).toBe(turns.length + 1);
      turns.push((turn.atMs - START) / MINUTE_MS);
      state = make(plan, ...pressing, ...turns.map((minute): Entry => [minute, 'turned', { step: 'press' }]));
    }
    expect(turns.length).toBeGreaterThanOrEqual(2);
    expect(turns.length).toBeLessThanOrEqual(3);
    const { forecast, safety } = look(make(plan, ...pressing), (beganMs - START) / MINUTE_MS + 1);
    expect(nextHands(make(plan, ...pressing), forecast, safety, beganMs)?.act).toBe('Turn the cheese');
  });

  test('forgotten in its mould it is no longer turned but taken out, due since it should have been', () => {
    const pressing = doneUpTo(plan, 'press');
    const began = pressing.at(-1)![0];
    const state = make(plan, ...pressing);
    const bookMs = pointForecast(state, START + began * MINUTE_MS).steps.find(
      ({ id }) => id === 'press',
    )!.endMs;
    // Nobody came for a day and a night, but the whey is acid, or nothing of it would go on.
    const acid = make(plan, ...pressing, [
      began + 60,
      'ph-read',
      { ph: 5.1, instrument: 'meter', sigma: null, typed: { value: 5.1, unit: 'pH' } },
    ]);
    const late = look(acid, began + 36 * 60);
    expect(dueMs(acid, late.forecast.point)).toBeCloseTo(bookMs, -4);
    expect(nextTurn(acid, late.forecast.point)).toBeNull();
    const next = nextHands(acid, late.forecast, late.safety, late.nowMs)!;
    expect(next.act).not.toBe('Turn the cheese');
    expect(next.sinceMs).toBeCloseTo(bookMs, -4);
    expect(next.atMs).toBeGreaterThanOrEqual(late.nowMs);
    // In time nothing is late.
    const inTime = look(acid, began + 90);
    expect(nextHands(acid, inTime.forecast, inTime.safety, inTime.nowMs)!.sinceMs).toBeUndefined();
  });

  test('left in its mould or its cloth it stays as warm as that stands, and its warm hours go on', () => {
    const pressing = doneUpTo(plan, 'press');
    const began = pressing.at(-1)![0];
    const state = make(plan, ...pressing);
    const warmH = (hours: number): number => look(state, began + 60 * hours).safety.warmH;
    // Nine hours of it were planned.
    expect(warmH(20) - warmH(8)).toBeCloseTo(12, 0);
    expect(look(state, began + 60 * 30).safety.verdict).toBe('over');
    // Taken out in time it is in its brine, and in the cellar after that.
    const out = make(
      plan,
      ...pressing,
      [began + 540, 'step-done', { step: 'press' }],
      [began + 560, 'step-done', { step: 'brine' }],
      [began + 570, 'step-done', { step: 'dry' }],
      [began + 575, 'weighed', { massKg: 0.4, typed: { value: 400, unit: 'g' } }],
    );
    const heatAt = (s: MakeState): number =>
      look(s, began + 60 * 30).forecast.point.temperature.findLast(
        ([ms]) => ms <= START + (began + 60 * 30) * MINUTE_MS,
      )![1];
    expect(heatAt(out)).toBeLessThan(15);
    expect(heatAt(state)).toBeGreaterThan(17);
  });

  test('gives its cheese and its whey, all of it', () => {
    const state = make(plan);
    const { wentIn, out, off, added } = makeFlow(state, 0);
    const sum = out.massKg + off.reduce((kg, part) => kg + part.massKg, 0);
    expect(sum).toBeCloseTo(wentIn.massKg + added.reduce((kg, a) => kg + a.massKg, 0), 9);
    expect(out.massKg / wentIn.massKg).toBeGreaterThan(0.09);
    expect(out.massKg / wentIn.massKg).toBeLessThan(0.16);
  });
});

describe('what stands beside what', () => {
  const at = (id: string, product: string, tags: number[]): MakeState => {
    const plan = planOf(product, 1);
    const log = createLog();
    return foldMake(id, [
      log(0, 'make-started', { plan }),
      ...doneUpTo(plan, 'incubate').map(([m, t, d]) => log(m, t, d)),
      log(60, 'tagged', { tags }),
    ])!;
  };
  test('two cultures in one room would mix, the same culture twice would not, nor one that is done', () => {
    const [kefir, buttermilk, more] = [
      at('A', 'kefir', [4]),
      at('B', 'buttermilk', [4, 7]),
      at('C', 'kefir', []),
    ];
    expect(wouldMix(kefir, [kefir, buttermilk, more]).map(({ id }) => id)).toEqual(['B']);
    expect(wouldMix(buttermilk, [kefir]).map(({ id }) => id)).toEqual(['A']);
    expect(sameTags(kefir, [kefir, buttermilk, more]).map(({ tag, make: m }) => [tag, m.id])).toEqual([
      [4, 'B'],
    ]);
  });
});

describe('what is to be put in', () => {
  const upTo = (id: string, kind: string, litres = 8): MakeState => {
    const plan = planOf(id, litres);
    const step = plan.method.steps.find((s) => s.kind === kind)!.id;
    return make(plan, ...doneUpTo(plan, step));
  };

  test('salt is told by weight, as a share of what is there with it', () => {
    const salting = SHIPPED_METHODS.find(({ steps }) => steps.some(({ kind }) => kind === 'salt'))!;
    const state = upTo(salting.id, 'salt');
    const [salt] = toAdd(state, 0.9, 20);
    const { into } = makeFlow(state, 0.9);
    const step = state.current!.step.instance;
    if (step.kind !== 'salt') throw new Error('salted now');
    expect(salt).toMatchObject({ what: 'salt', by: 'weight', celsius: null });
    expect(salt!.massKg / (salt!.massKg + into.get(step.id)!.massKg)).toBeCloseTo(step.saltFraction, 9);
  });

  test('water for whey is as hot as it must be, by the heat of what it comes to', () => {
    const washed = SHIPPED_METHODS.find(({ steps }) => steps.some(({ kind }) => kind === 'swap-whey'))!;
    const state = upTo(washed.id, 'swap-whey');
    const step = state.current!.step.instance;
    if (step.kind !== 'swap-whey') throw new Error('washed now');
    const [cool] = toAdd(state, 0, step.toC - 6);
    const [near] = toAdd(state, 0, step.toC - 1);
    expect(cool).toMatchObject({ what: 'water', by: 'volume', toC: step.toC });
    expect(cool!.celsius!).toBeGreaterThan(near!.celsius!);
    expect(near!.celsius!).toBeGreaterThan(step.toC);
    // The heat that goes in is the heat that is missing, milk and water nearly alike.
    const draw = step.drawFraction;
    expect(draw * cool!.celsius! + (1 - draw) * (step.toC - 6)).toBeCloseTo(step.toC, 0);
  });

  test('a step that puts nothing in asks for nothing', () => {
    expect(toAdd(upTo('skyr', 'strain'), 0.9, 20)).toEqual([]);
  });
});
