import { describe, expect, test } from '@jest/globals';
import { EVENT_DATA, type EventOf, type EventType, type MakePlan } from '../contract/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { batchOf } from '../setup/index.ts';
import { planOfMethod } from '../products/index.ts';
import { SHIPPED_METHODS } from '../products/methods/index.ts';
import { createLog, MAKE_ID, START } from './fixtures/make-events.ts';
import {
  asPoured,
  bandForecast,
  foldMake,
  makeFlow,
  maySplit,
  pointForecast,
  replannedState,
  safetyOf,
  shownAcidAtMs,
  splitMake,
  waysOn,
  whyNotTogether,
  yieldOf,
  type MakeState,
} from './index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

const KITCHEN = defaultKitchen('UTC');
const methodOf = (id: string) => SHIPPED_METHODS.find((m) => m.id === id)!;
const planOf = (id: string, litres: number): MakePlan =>
  planOfMethod(methodOf(id), KITCHEN, new Date(START).toISOString(), litres);
type Said = { [T in EventType]: readonly [number, T, EventOf<T>['data']] }[EventType];

/** A make that sours since two hours after its start, with what was said of it since. */
function souring(plan: MakePlan, ...said: readonly Said[]): MakeState {
  const log = createLog();
  const steps = plan.method.steps.map(({ id }) => id);
  const at = plan.method.steps.findIndex(({ kind }) => kind === 'incubate' || kind === 'ripen');
  return foldMake(MAKE_ID, [
    log(0, 'make-started', { plan }),
    ...steps.slice(0, at).map((step, i) => log(((i + 1) * 120) / at, 'step-done', { step })),
    ...said.map(([minute, type, data]) => log(minute, type, data)),
  ])!;
}
const CLOCK_MS = START + 2 * HOUR_MS;
const celsius = (state: MakeState, hour: number): number => {
  const { temperature } = pointForecast(state, CLOCK_MS);
  return temperature.findLast(([ms]) => ms <= START + hour * HOUR_MS)![1];
};
const ready = (state: MakeState): number =>
  pointForecast(state, CLOCK_MS).marks.find(({ role }) => role === 'ready')!.atMs!;

/** Entries as the device would record them, folded again. */
function recorded(streamId: string, entries: ReturnType<typeof splitMake>): MakeState {
  const log = createLog(streamId);
  return foldMake(
    streamId,
    entries
      .filter((entry) => entry.streamId === streamId)
      .map((entry) => log((entry.atMs - START) / MINUTE_MS, entry.type, entry.data as never)),
  )!;
}
const CHILD_ID = '01H00000000000000000000001';

describe('another place under way', () => {
  const plan = planOf('yogurt', 3);
  const still = souring(plan);
  const cool = {
    ...plan.place,
    name: 'Cellar',
    kind: 'appliance' as const,
    setPointC: 12,
    biasC: 0,
    tauH: 1.5,
  };

  test('until it is moved it is as warm as it was, then it follows the other place', () => {
    const moved = replannedState(still, { place: cool, why: '' }, START + 5 * HOUR_MS);
    for (const hour of [2.5, 3.5, 4.7]) expect(celsius(moved, hour)).toBeCloseTo(celsius(still, hour), 9);
    expect(celsius(moved, 5.6)).toBeLessThan(celsius(still, 5.6) - 5);
    expect(Math.abs(celsius(moved, 12) - 12)).toBeLessThan(1);
    // Moved only after two warm hours it is sourer by then than if it had stood cold from the beginning.
    const ph = (state: MakeState, hour: number): number =>
      pointForecast(state, CLOCK_MS).ph.findLast(([ms]) => ms <= START + hour * HOUR_MS)![1];
    const cold = souring({ ...plan, place: cool });
    expect(ph(moved, 6)).toBeLessThan(ph(cold, 6) - 0.1);
    expect(ph(moved, 12)).toBeGreaterThan(ph(still, 12) + 0.1);
  });

  test('a place chosen before the starter went in is simply its place', () => {
    const early = replannedState(still, { place: cool, why: '' }, START + MINUTE_MS);
    expect(celsius(early, 8)).toBeCloseTo(celsius(souring({ ...plan, place: cool }), 8), 9);
  });

  test('between readings of two places it is not drawn straight across the move', () => {
    const read = (minute: number, value: number): Said => [
      minute,
      'temperature-read',
      { celsius: value, instrument: 'pen', typed: { value, unit: 'C' } },
    ];
    const moved = souring(plan, read(240, 43), [300, 'replanned', { place: cool, why: '' }], read(720, 13));
    // An hour before the move it was still warm; a straight line would have it at 40.
    expect(celsius(moved, 4.9)).toBeGreaterThan(41.5);
    expect(celsius(moved, 8)).toBeLessThan(22);
    expect(celsius(moved, 12)).toBeCloseTo(13, 0);
  });
});

describe('more starter', () => {
  const plan = planOf('yogurt', 3);
  const dose = { massKg: 0.3, statedRatio: null, typed: { value: 300, unit: 'g' } } as const;

  test('hurries it a little, weighs what it weighs, and turns no clock back', () => {
    const first: Said = [120, 'starter-added', { ...dose, massKg: 0.03 }];
    const once = souring(plan, first);
    const twice = souring(plan, first, [180, 'starter-added', dose]);
    expect(twice.inoculatedAtMs).toBe(once.inoculatedAtMs);
    expect(ready(twice)).toBeLessThan(ready(once) - 10 * MINUTE_MS);
    expect(makeFlow(twice, 0.9).wentIn.massKg - makeFlow(once, 0.9).wentIn.massKg).toBeCloseTo(0.3, 9);
    expect(yieldOf(twice).starterKg).toBeCloseTo(0.33, 9);
    const warm = (state: MakeState): number =>
      safetyOf(state, pointForecast(state, CLOCK_MS).temperature, START + 4 * HOUR_MS, null).warmH;
    expect(warm(twice)).toBeCloseTo(warm(once), 1);
  });
});

describe('a part that goes another way', () => {
  const plan = planOf('yogurt', 4);
  const read: Said = [
    150,
    'temperature-read',
    { celsius: 43, instrument: 'pen', typed: { value: 43, unit: 'C' } },
  ];
  const acid: Said = [
    200,
    'ph-read',
    { ph: 5.6, instrument: 'meter', sigma: null, typed: { value: 5.6, unit: 'pH' } },
  ];
  const whole = souring(plan, read, acid);
  const nowMs = START + 240 * MINUTE_MS;
  const entries = splitMake(
    whole,
    { id: CHILD_ID, name: 'A quarter', share: 0.25, jars: [], method: null },
    nowMs,
  );
  const part = recorded(CHILD_ID, entries);
  const rest = foldMake(MAKE_ID, [
    ...whole.events,
    createLog(MAKE_ID, 50)(240, 'split-off', entries.at(-1)!.data as EventOf<'split-off'>['data']),
  ])!;

  test('both weigh together what the whole weighed, starter and all', () => {
    expect(entries.at(-1)).toMatchObject({ streamId: MAKE_ID, type: 'split-off' });
    for (const of of [
      (s: MakeState) => batchOf(s.plan).massKg,
      (s: MakeState) => s.dose.massKg ?? 0,
      (s: MakeState) => makeFlow(s, 0.9).wentIn.massKg,
    ]) {
      expect(of(part)).toBeCloseTo(0.25 * of(whole), 9);
      expect(of(part) + of(rest)).toBeCloseTo(of(whole), 9);
    }
    expect(part.plan).toMatchObject({ name: 'A quarter', splitFrom: MAKE_ID, product: 'yogurt' });
    for (const entry of entries) expect(EVENT_DATA[entry.type].safeParse(entry.data).success).toBe(true);
  });

  test('it has the same past: what was read, how sour it is, and its safety clock', () => {
    expect(part.current!.step.id).toBe(whole.current!.step.id);
    expect(part.inoculatedAtMs).toBe(whole.inoculatedAtMs);
    expect(part.temperatures.map(({ celsius: c }) => c)).toEqual([43]);
    expect(part.acidity.map(({ reading }) => reading)).toEqual(whole.acidity.map(({ reading }) => reading));
    const [a, b] = [part, whole].map((state) =>
      bandForecast(state, nowMs, 5, 300).marks.find(({ role }) => role === 'ready')!,
    );
    expect(Math.abs(a!.band.p50! - b!.band.p50!)).toBeLessThan(6 * MINUTE_MS);
  });

  test('it may go on as another thing that sours alike', () => {
    expect(maySplit(whole)).toBe(true);
    const ways = waysOn(whole, SHIPPED_METHODS);
    expect(ways.map(({ id }) => id)).toContain('yogurt-strained');
    // Neither what needs another culture, nor what differs only in what is over, nor what rennet should be in.
    expect(ways.map(({ id }) => id)).toEqual(['yogurt-strained', 'yogurt-whey-back']);
    const strained = recorded(
      CHILD_ID,
      splitMake(
        whole,
        { id: CHILD_ID, name: 'Strained', share: 0.5, jars: [], method: methodOf('yogurt-strained') },
        nowMs,
      ),
    );
    expect(strained.steps.map(({ step }) => step.kind)).toContain('strain');
    expect(new Set(strained.steps.map(({ step }) => step.id)).size).toBe(strained.steps.length);
    expect(strained.current!.step.kind).toBe('incubate');
    // It drains what it is, not what the whole was.
    expect(makeFlow(strained, 0.9).into.get('strain')!.massKg).toBeCloseTo(
      0.5 * makeFlow(whole, 0.9).wentIn.massKg,
      6,
    );
  });

  test('what was weighed is parted no more', () => {
    const weighed = souring(plan, [300, 'weighed', { massKg: 3.9, typed: { value: 3.9, unit: 'kg' } }]);
    expect(maySplit(weighed)).toBe(false);
  });
});

describe('poured together', () => {
  const OTHER_ID = '01H00000000000000000000002';
  const mine = souring(planOf('yogurt', 2));
  const nowMs = START + 300 * MINUTE_MS;
  const other = { ...souring(planOf('yogurt', 1)), id: OTHER_ID };
  const poured = asPoured(other, bandForecast(other, nowMs, 1, 200), nowMs);
  const log = createLog(MAKE_ID, 50);
  const together = foldMake(MAKE_ID, [...mine.events, log(300, 'joined', poured)])!;
  const at = (state: MakeState, ms: number): number =>
    pointForecast(state, nowMs).ph.findLast(([t]) => t <= ms)![1];

  test('mass, fat and protein add up', () => {
    const [a, b, both] = [mine, other, together].map((state) => makeFlow(state, 0.9).wentIn);
    expect(both!.massKg).toBeCloseTo(a!.massKg + b!.massKg, 9);
    // Its starter came with it, as the milk it is now.
    expect(both!.massKg * both!.fatFraction).toBeCloseTo(
      a!.massKg * a!.fatFraction + b!.massKg * b!.fatFraction,
      3,
    );
  });

  test('two alike go on as one; something sweeter slows it by as much as there is of it', () => {
    expect(whyNotTogether(mine, other)).toBeNull();
    expect(at(together, nowMs + HOUR_MS)).toBeCloseTo(at(mine, nowMs + HOUR_MS), 1);
    const fresh = foldMake(MAKE_ID, [
      ...mine.events,
      log(300, 'joined', { ...poured, acidMmolPerKg: 0, log10CfuPerMl: {}, celsius: 20 }),
    ])!;
    expect(at(fresh, nowMs + HOUR_MS)).toBeGreaterThan(at(mine, nowMs + HOUR_MS) + 0.1);
    expect(celsius(fresh, 5.05)).toBeLessThan(celsius(mine, 5.05) - 3);
  });

  test('the older of two safety clocks counts, and acid shown before something sweet came to it does not', () => {
    const clock = (state: MakeState) =>
      safetyOf(state, pointForecast(state, nowMs).temperature, nowMs + MINUTE_MS, null);
    const older = foldMake(MAKE_ID, [
      ...mine.events,
      log(300, 'joined', { ...poured, warmH: 9, shownAcid: false }),
    ])!;
    expect(clock(older).warmH).toBeCloseTo(9, 1);
    const shown = souring(planOf('yogurt', 2), [
      290,
      'ph-read',
      { ph: 4.5, instrument: 'meter', sigma: null, typed: { value: 4.5, unit: 'pH' } },
    ]);
    expect(shownAcidAtMs(shown)).not.toBeNull();
    const thinned = foldMake(MAKE_ID, [
      ...shown.events,
      log(300, 'joined', { ...poured, shownAcid: false }),
    ])!;
    expect(shownAcidAtMs(thinned)).toBeNull();
    const sour = foldMake(MAKE_ID, [...shown.events, log(300, 'joined', { ...poured, shownAcid: true })])!;
    expect(shownAcidAtMs(sour)).not.toBeNull();
  });

  test('raw and heated are not poured together, nor what sours another way', () => {
    const raw: MakeState = {
      ...other,
      plan: {
        ...other.plan,
        heat: { ...other.plan.heat, kind: 'none' },
        milk: { ...other.plan.milk, treatment: 'raw' },
      },
    };
    expect(whyNotTogether(mine, raw)).toMatch(/is raw/);
    expect(whyNotTogether(raw, mine)).toMatch(/is heated/);
    expect(whyNotTogether(mine, souring(planOf('cultured-cream-kefir', 1)))).toMatch(/a different way/);
    expect(whyNotTogether(mine, { ...other, inoculatedAtMs: null })).toMatch(/not souring/);
  });
});
