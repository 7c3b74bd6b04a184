import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { wakingPlan, type WakingPlan } from '../contract/index.ts';
import { defaultKitchen, nobodyThere } from '../kitchen/index.ts';
import { createLedger, lotId, ZERO_MS } from '../fixtures/index.ts';
import {
  feedSetHours,
  foldWaking,
  planWaking,
  wakingAlarms,
  wakingHands,
  wakingNow,
  wakingStep,
  wakingSummary,
} from './index.ts';

const HOUR_MS = 3_600_000;
const kitchen = defaultKitchen('UTC');
const PLAN: WakingPlan = {
  name: 'Waking the grey line',
  cultureId: null,
  kind: 'dried-mesophilic',
  treatment: 'pasteurised',
  cartonLitres: 1,
  firstFeedKg: 0.06,
  growth: 3,
  feeds: 4,
  celsius: 23,
  restBetween: 'cold',
  startAt: new Date(ZERO_MS).toISOString(),
};
const fed = (feed: number, atMs: number) => ({ feed, did: 'fed' as const, massKg: null, typed: null, atMs });
const seen = (feed: number, atMs: number) => ({ feed, did: 'set' as const, massKg: null, typed: null, atMs });

describe('a waking', () => {
  test('feeds grow; the milk needed is their sum, and more than one carton is said', () => {
    const plan = planWaking(PLAN, kitchen, [], ZERO_MS);
    expect(plan.feeds.map((f) => Math.round(f.massKg * 1000))).toEqual([60, 180, 540, 1620]);
    expect(plan.milkKg).toBeCloseTo(2.4, 9);
    expect(plan.cartons).toBe(3);
    expect(plan.milkWords).toMatch(/One carton is not enough: 3 are needed/);
    expect(planWaking({ ...PLAN, cartonLitres: 5, feeds: 2 }, kitchen, [], ZERO_MS).milkWords).toBeNull();
  });

  test('each feed is scalded unless the milk is ultra-heated', () => {
    const scalded = planWaking(PLAN, kitchen, [], ZERO_MS);
    expect(scalded.scald).toBe(true);
    expect(scalded.feeds[0]!.feedMs - scalded.feeds[0]!.beginMs).toBe(0.75 * HOUR_MS);
    const plain = planWaking({ ...PLAN, treatment: 'ultra-heated' }, kitchen, [], ZERO_MS);
    expect(plain.feeds[0]!.feedMs).toBe(plain.feeds[0]!.beginMs);
  });

  test('whenever it begins, hands are asked for only when somebody is there, and nothing overlaps', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 47 }),
        fc.constantFrom<WakingPlan['kind']>('dried-mesophilic', 'dried-yogurt'),
        fc.constantFrom<WakingPlan['treatment']>('pasteurised', 'ultra-heated'),
        (halfHours, kind, treatment) => {
          const startMs = ZERO_MS + halfHours * 0.5 * HOUR_MS;
          const plan = {
            ...PLAN,
            kind,
            treatment,
            celsius: kind === 'dried-yogurt' ? 42 : 23,
            startAt: new Date(startMs).toISOString(),
          };
          const { feeds } = planWaking(plan, kitchen, [], startMs);
          let before = startMs;
          for (const feed of feeds) {
            expect(feed.beginMs).toBeGreaterThanOrEqual(before);
            expect(feed.lookMs).toBeGreaterThanOrEqual(feed.feedMs + feed.set.p50 * HOUR_MS - 1);
            for (const ms of [feed.beginMs, feed.feedMs, feed.lookMs])
              expect(nobodyThere(kitchen, ms)).toBe(false);
            before = feed.lookMs;
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  test('a feed given late moves everything after it, and keeps what is done', () => {
    const plan = planWaking(PLAN, kitchen, [], ZERO_MS);
    const [first, second] = plan.feeds;
    const lateMs = second!.feedMs + 9 * HOUR_MS;
    const done = [fed(1, first!.feedMs), seen(1, first!.lookMs), fed(2, lateMs)];
    const again = planWaking(PLAN, kitchen, done, lateMs + HOUR_MS);
    expect(again.feeds.map((f) => f.status)).toEqual(['done', 'standing', 'coming', 'coming']);
    expect(again.feeds[1]!.feedMs).toBe(lateMs);
    expect(again.feeds[2]!.feedMs).toBeGreaterThan(plan.feeds[2]!.feedMs);
    expect(again.readyMs).toBeGreaterThan(plan.readyMs);
    expect(again.feeds[0]!.feedMs).toBe(first!.feedMs);
  });

  test('not set yet: it is looked at again later, when somebody is there, and not at once', () => {
    const done = [fed(1, ZERO_MS)];
    const [first] = planWaking(PLAN, kitchen, done, ZERO_MS).feeds;
    const lookedMs = first!.lookMs + 0.1 * HOUR_MS;
    const notYet = { ...fed(1, lookedMs), did: 'not-yet' as const };
    const [again] = planWaking(PLAN, kitchen, [...done, notYet], lookedMs).feeds;
    expect(again!.status).toBe('standing');
    expect(again!.lookMs).toBeGreaterThanOrEqual(lookedMs + 0.5 * HOUR_MS);
    expect(nobodyThere(kitchen, again!.lookMs)).toBe(false);
    // Said long before its time, it changes nothing.
    const early = { ...notYet, atMs: ZERO_MS + HOUR_MS };
    expect(planWaking(PLAN, kitchen, [...done, early], lookedMs).feeds[0]!.lookMs).toBe(first!.lookMs);
  });

  test('what was really fed counts: more milk on the same culture sets later', () => {
    const given = (massKg: number) => [
      fed(1, ZERO_MS),
      seen(1, ZERO_MS + 16 * HOUR_MS),
      { ...fed(2, ZERO_MS + 17 * HOUR_MS), massKg },
    ];
    const at = ZERO_MS + 18 * HOUR_MS;
    const [planned, doubled] = [0.18, 0.36].map((kg) => planWaking(PLAN, kitchen, given(kg), at));
    expect(doubled!.feeds[1]!.set.p50).toBeGreaterThan(planned!.feeds[1]!.set.p50);
    expect(doubled!.milkKg).toBeCloseTo(planned!.milkKg + 0.18, 9);
    // The third feed is as planned, so that it begins with a larger share of culture.
    expect(doubled!.feeds[2]!.set.p50).toBeLessThan(planned!.feeds[2]!.set.p50);
  });

  test('a packet for more milk wakes sooner in the same feed', () => {
    const big = { ...PLAN, firstFeedKg: 0.5 };
    expect(feedSetHours({ ...big, packetLitres: 3 }, 1).p50).toBeLessThan(feedSetHours(big, 1).p50);
  });

  test('what stands longer than is safe unseen is not to be used', () => {
    const done = [fed(1, ZERO_MS)];
    expect(planWaking(PLAN, kitchen, done, ZERO_MS + 23 * HOUR_MS).overLimit).toBe(false);
    expect(planWaking(PLAN, kitchen, done, ZERO_MS + 25 * HOUR_MS).overLimit).toBe(true);
    const set = [...done, seen(1, ZERO_MS + 20 * HOUR_MS)];
    expect(planWaking(PLAN, kitchen, set, ZERO_MS + 25 * HOUR_MS).overLimit).toBe(false);
  });

  test('colder takes longer; a bigger share of culture sets sooner', () => {
    expect(feedSetHours({ ...PLAN, celsius: 18 }, 2).p50).toBeGreaterThan(feedSetHours(PLAN, 2).p50);
    expect(feedSetHours({ ...PLAN, growth: 2 }, 2).p50).toBeLessThan(feedSetHours(PLAN, 2).p50);
  });
});

test('its entries fold to steps, alarms and a line of the Daybook', () => {
  const ledger = createLedger();
  const id = lotId('WAKE');
  ledger.say(id, 0, { type: 'waking-started', data: { plan: wakingPlan.parse(PLAN) } });
  let state = foldWaking(id, ledger.events)!;
  let now = wakingNow(state, kitchen, ZERO_MS);
  expect(wakingHands(now)).toMatchObject({ act: 'Scald feed 1', mustAct: false });
  ledger.say(id, 1, { type: 'waking-done', data: { feed: 1, did: 'fed', massKg: 0.06, typed: null } });
  state = foldWaking(id, ledger.events)!;
  now = wakingNow(state, kitchen, ZERO_MS + 2 * HOUR_MS);
  expect(wakingStep(now)).toMatchObject({ wants: 'look', feed: { n: 1 } });
  const [alarm] = wakingAlarms(state, now);
  expect(alarm).toMatchObject({ title: 'Look at feed 1', dueAtMs: now.feeds[0]!.lookMs });
  ledger.say(id, 3, { type: 'alarm-acknowledged', data: { alarm: alarm!.id } });
  expect(wakingAlarms(foldWaking(id, ledger.events)!, now)).toEqual([]);
  ledger.say(id, 80, { type: 'finished', data: { verdict: 'kept', reason: '' } });
  state = foldWaking(id, ledger.events)!;
  expect(wakingSummary(state)).toMatchObject({ status: 'kept', name: PLAN.name });
  expect(wakingStep(wakingNow(state, kitchen, ZERO_MS))).toBeNull();
});
