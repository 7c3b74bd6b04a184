import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { choicesOfWaking, EVENT_VERSION, makePlan, wakingPlan, type WakingPlan } from '../contract/index.ts';
import { createLedger, lotId, ZERO_MS } from '../fixtures/index.ts';
import { defaultKitchen, nobodyThere } from '../kitchen/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import {
  alarmsOf,
  bandForecast,
  foldMake,
  markBand,
  nextHands,
  pointForecast,
  safetyOf,
  seenSetMs,
  stateOfPlan,
  summaryOf,
  type MakeState,
} from '../make/index.ts';
import { beginWaking, feedRows, milkForWaking, usualWaking, type FeedRow } from './index.ts';
import { HOUR_MS } from '../science/units/index.ts';

const kitchen = defaultKitchen('UTC');
const ID = lotId('WAKE');
const PLAN: WakingPlan = {
  ...usualWaking(new Date(ZERO_MS).toISOString()),
  name: 'Waking the grey line',
  celsius: 23,
};

type Said = Pick<LoggedEvent, 'type' | 'data'> & { readonly hour: number };
const fed = (feed: string, hour: number, massKg: number | null = null): Said => ({
  hour,
  type: 'fed',
  data: { step: feed, massKg, typed: null },
});
const seen = (stand: string, hour: number): Said => ({ hour, type: 'step-done', data: { step: stand } });
const stateOf = (said: readonly Said[], choices: WakingPlan = PLAN): MakeState =>
  foldMake(
    ID,
    [{ hour: 0, type: 'make-started', data: { plan: beginWaking(choices, kitchen) } }, ...said].map(
      ({ hour, ...rest }, i) =>
        ({
          id: `01J00000000000000000000${String(i).padStart(3, '0')}`,
          streamId: ID,
          at: new Date(ZERO_MS + hour * HOUR_MS).toISOString(),
          cookId: null,
          deviceId: 'test',
          version: EVENT_VERSION,
          ...rest,
        }) as LoggedEvent,
    ),
  )!;
const look = (state: MakeState, hour: number) => {
  const nowMs = ZERO_MS + hour * HOUR_MS;
  const forecast = bandForecast(state, nowMs, 3, 80);
  const safety = safetyOf(state, forecast.point.temperature, nowMs, markBand(forecast, 'safe').p90);
  return {
    nowMs,
    forecast,
    safety,
    alarms: alarmsOf(state, forecast, safety),
    next: nextHands(state, forecast, safety, nowMs),
  };
};
const rowsOf = (state: MakeState, hour = 0): FeedRow[] =>
  feedRows(state.steps, pointForecast(state, ZERO_MS + hour * HOUR_MS).steps, state.fed);

describe('a waking', () => {
  test('is a make: feeds grow, each stands, and what is awake is kept', () => {
    const plan = beginWaking(PLAN, kitchen);
    expect(makePlan.safeParse(plan).error).toBeUndefined();
    const rows = rowsOf(stateOfPlan(plan));
    expect(rows.map((f) => Math.round(f.massKg * 1000))).toEqual([60, 180, 540, 1620]);
    expect(plan.method.steps.map((s) => s.id).slice(0, 4)).toEqual(['feed', 'stand', 'feed-2', 'stand-2']);
    expect(plan.method.steps.at(-1)!.id).toBe('reserve');
    expect(plan.milk.litres * 1.03).toBeCloseTo(2.4, 1);
  });

  test('the milk needed is the sum of its feeds; more than one carton, or many days, is said', () => {
    const soon = ZERO_MS + 24 * HOUR_MS;
    expect(milkForWaking(PLAN, soon)).toMatchObject({
      cartons: 3,
      words: 'One carton is not enough. You need 3.',
    });
    expect(milkForWaking(PLAN, soon).massKg).toBeCloseTo(2.4, 9);
    expect(milkForWaking({ ...PLAN, cartonLitres: 5, feeds: 2 }, soon).words).toBeNull();
    expect(milkForWaking({ ...PLAN, cartonLitres: 5 }, ZERO_MS + 6 * 24 * HOUR_MS).words).toMatch(
      /about 6 days, longer than an opened carton keeps/,
    );
  });

  test('each feed is scalded unless the milk is ultra-heated', () => {
    const [scalded] = rowsOf(stateOf([]));
    expect(scalded!.feedMs - scalded!.beginMs).toBe(0.75 * HOUR_MS);
    const [plain] = rowsOf(stateOf([], { ...PLAN, treatment: 'ultra-heated' }));
    expect(plain!.feedMs).toBe(plain!.beginMs);
  });

  test('whenever it begins, hands are asked for only when somebody is there, and nothing overlaps', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 47 }),
        fc.constantFrom<WakingPlan['kind']>('dried-mesophilic', 'dried-yogurt'),
        fc.constantFrom<WakingPlan['treatment']>('pasteurised', 'ultra-heated'),
        (halfHours, kind, treatment) => {
          const startMs = ZERO_MS + halfHours * 0.5 * HOUR_MS;
          const choices: WakingPlan = {
            ...PLAN,
            kind,
            treatment,
            celsius: kind === 'dried-yogurt' ? 42 : 23,
            startAt: new Date(startMs).toISOString(),
          };
          const rows = feedRows(
            stateOf([], choices).steps,
            pointForecast(stateOf([], choices), startMs).steps,
            new Map(),
          );
          let before = startMs;
          for (const [i, feed] of rows.entries()) {
            expect(feed.beginMs).toBeGreaterThanOrEqual(before - 1);
            expect(feed.setMs).toBeGreaterThan(feed.feedMs + HOUR_MS);
            for (const ms of [feed.beginMs, feed.feedMs]) expect(nobodyThere(kitchen, ms)).toBe(false);
            // The first set is foreseen by its own course, and asked for when somebody is there.
            if (i > 0) expect(nobodyThere(kitchen, feed.setMs)).toBe(false);
            before = feed.setMs;
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  test('a feed given late moves everything after it, and keeps what is done', () => {
    const plan = rowsOf(stateOf([]));
    const lateH = (plan[1]!.feedMs - ZERO_MS) / HOUR_MS + 9;
    const firstH = (plan[0]!.feedMs - ZERO_MS) / HOUR_MS;
    const setH = (plan[0]!.setMs - ZERO_MS) / HOUR_MS;
    const again = rowsOf(
      stateOf([fed('feed', firstH), seen('stand', setH), fed('feed-2', lateH)]),
      lateH + 1,
    );
    expect(again.map((f) => f.is)).toEqual(['set', 'standing', 'coming', 'coming']);
    expect(again[1]!.feedMs).toBe(ZERO_MS + lateH * HOUR_MS);
    expect(again[2]!.feedMs).toBeGreaterThan(plan[2]!.feedMs);
    expect(again[0]!.feedMs).toBe(plan[0]!.feedMs);
  });

  test('a feed that is due stays due for a while, then it is planned anew', () => {
    const [first] = rowsOf(stateOf([]));
    const beginH = (first!.beginMs - ZERO_MS) / HOUR_MS;
    expect(look(stateOf([]), beginH + 0.5).next).toMatchObject({ act: 'Feed 1 is in', atMs: first!.beginMs });
    expect(look(stateOf([]), beginH + 0.5).alarms.map((a) => a.id)).toContain('step-feed');
    expect(rowsOf(stateOf([]), beginH + 5)[0]!.beginMs).toBeGreaterThanOrEqual(
      ZERO_MS + (beginH + 5) * HOUR_MS,
    );
  });

  test('not set yet: it is expected later, and not at once', () => {
    const before = look(stateOf([fed('feed', 1)]), 2);
    const middleH = (markBand(before.forecast, 'ready').p50! - ZERO_MS) / HOUR_MS;
    const after = look(
      stateOf([
        fed('feed', 1),
        { hour: middleH, type: 'cue-seen', data: { cue: 'liquid', cleanSmell: null } },
      ]),
      middleH + 0.1,
    );
    expect(after.next!.atMs).toBeGreaterThan(after.nowMs + 0.3 * HOUR_MS);
    expect(nobodyThere(kitchen, after.next!.atMs)).toBe(false);
  });

  test('what was really fed counts: more milk on the same culture sets later', () => {
    const given = (massKg: number) => stateOf([fed('feed', 0), seen('stand', 16), fed('feed-2', 17, massKg)]);
    const hours = (state: MakeState) => {
      const { point } = look(state, 18).forecast;
      return (point.marks.find((m) => m.role === 'body')!.atMs! - point.inoculationMs) / HOUR_MS;
    };
    expect(hours(given(0.36))).toBeGreaterThan(hours(given(0.18)));
    const [planned, doubled] = [given(0.18), given(0.36)].map((state) => rowsOf(state, 18));
    // The third feed is as planned, so that it begins with a larger share of culture.
    expect(doubled![2]!.setMs - doubled![2]!.feedMs).toBeLessThanOrEqual(
      planned![2]!.setMs - planned![2]!.feedMs,
    );
    expect(summaryOf(given(0.36)).litres).toBeCloseTo(summaryOf(given(0.18)).litres + 0.18 / 1.03, 2);
  });

  test('a packet for more milk wakes sooner in the same feed', () => {
    const big = { ...PLAN, firstFeedKg: 0.5 };
    const setMs = (choices: WakingPlan) => rowsOf(stateOf([fed('feed', 0)], choices), 1)[0]!.setMs;
    expect(setMs({ ...big, packetLitres: 3 })).toBeLessThan(setMs(big));
  });

  test('each feed has its own safety clock: unseen too long, it is not to be used; seen set, it was', () => {
    expect(look(stateOf([fed('feed', 1)]), 22).safety.verdict).not.toBe('over');
    expect(look(stateOf([fed('feed', 1)]), 27).safety.verdict).toBe('over');
    const second = stateOf([fed('feed', 1), seen('stand', 20), fed('feed-2', 30)]);
    expect(seenSetMs(second)).toBeNull();
    expect(look(second, 40).safety.verdict).not.toBe('over');
    expect(look(second, 56).safety.verdict).toBe('over');
    const over = stateOf([fed('feed', 1), seen('stand', 20)], { ...PLAN, feeds: 1 });
    expect(seenSetMs(over)).toBe(ZERO_MS + 20 * HOUR_MS);
    expect(look(over, 60).safety.verdict).toBe('acid');
  });

  test('an alarm silenced in one feed rings again in the next', () => {
    const first = look(stateOf([fed('feed', 1)]), 20).alarms.map((a) => a.id);
    const second = look(stateOf([fed('feed', 1), seen('stand', 20), fed('feed-2', 30)]), 45).alarms.map(
      (a) => a.id,
    );
    expect(first).toContain('look-now');
    expect(second).toContain('look-now-stand-2');
    expect(second).not.toContain('look-now');
  });

  test('its forecast widens from feed to feed', () => {
    const { forecast } = look(stateOf([fed('feed', 0)]), 1);
    const widths = forecast.steps
      .filter(({ step }) => step.startsWith('stand'))
      .map(({ end }) => end.p90! - end.p10!);
    expect(widths).toHaveLength(4);
    expect(widths[3]!).toBeGreaterThan(widths[0]!);
  });
});

test('a waking told in entries of its own is the same make', () => {
  const ledger = createLedger();
  ledger.say(ID, 0, { type: 'waking-started', data: { plan: wakingPlan.parse(PLAN) } });
  ledger.say(ID, 1, { type: 'waking-done', data: { feed: 1, did: 'fed', massKg: 0.06, typed: null } });
  ledger.say(ID, 9, { type: 'waking-done', data: { feed: 1, did: 'not-yet', massKg: null, typed: null } });
  ledger.say(ID, 15, { type: 'waking-done', data: { feed: 1, did: 'set', massKg: null, typed: null } });
  ledger.say(ID, 15.5, { type: 'waking-done', data: { feed: 1, did: 'rested', massKg: null, typed: null } });
  ledger.say(ID, 20, { type: 'reserved', data: { massKg: 0.1, typed: { value: 100, unit: 'g' } } });
  ledger.say(ID, 21, { type: 'finished', data: { verdict: 'kept', reason: '' } });
  const old = ledger.events.map((e) => ({ ...e, version: 2 }));
  const state = foldMake(ID, old)!;
  expect(state.plan).toMatchObject({ product: 'waking', name: PLAN.name, inoculateC: 23 });
  expect(state.steps.map((s) => s.status).slice(0, 3)).toEqual(['done', 'done', 'coming']);
  expect(state.steps[0]!.endedAtMs).toBe(ZERO_MS + HOUR_MS);
  expect(state.steps[1]!.endedAtMs).toBe(ZERO_MS + 15 * HOUR_MS);
  expect(state.notes.map((n) => n.text)).toEqual(['Rested in the fridge.']);
  expect(state.acidity.map((a) => a.reading.kind === 'cue' && a.reading.cue)).toEqual(['liquid', 'set']);
  expect(summaryOf(state)).toMatchObject({
    status: 'kept',
    waking: true,
    product: 'waking',
    name: PLAN.name,
  });
  expect(summaryOf(state).litres).toBeCloseTo(0.06 / 1.03, 3);
});

describe('as a packet tells it', () => {
  const soaked: WakingPlan = { ...PLAN, soakH: 12, feeds: 3, feedsKg: [0.06, 0.25, 1] };

  test('soaked cold first, each feed of its own amount', () => {
    const plan = beginWaking(soaked, kitchen);
    expect(makePlan.safeParse(plan).error?.issues).toBeUndefined();
    expect(plan.method.steps[0]).toMatchObject({ id: 'soak', stands: 'cold', waitMin: 720 });
    const rows = feedRows(
      stateOf([], soaked).steps,
      look(stateOf([], soaked), 0).forecast.point.steps,
      new Map(),
    );
    expect(rows.map(({ massKg }) => massKg)).toEqual([0.06, 0.25, 1]);
    expect(rows[0]!.feedMs).toBeGreaterThanOrEqual(ZERO_MS + 12 * HOUR_MS);
    expect(milkForWaking(soaked, ZERO_MS + 72 * HOUR_MS).massKg).toBeCloseTo(1.31, 9);
  });

  test('its choices are read back from it, and those of an even one without amounts', () => {
    expect(choicesOfWaking(beginWaking(soaked, kitchen))).toMatchObject({
      soakH: 12,
      feeds: 3,
      feedsKg: [0.06, 0.25, 1],
    });
    const even = choicesOfWaking(beginWaking(PLAN, kitchen))!;
    expect(even.feedsKg).toBeUndefined();
    expect(even.soakH).toBeUndefined();
  });
});
