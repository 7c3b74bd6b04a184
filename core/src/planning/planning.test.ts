import { describe, expect, test } from '@jest/globals';
import type { EventOf, EventType, KitchenSettings, MakePlan } from '../contract/index.ts';
import { defaultKitchen, nobodyThere } from '../kitchen/index.ts';
import { foldMake, pointForecast, stateOfPlan } from '../make/index.ts';
import { type LoggedEvent } from '../log/index.ts';
import { beginPlan, defaultPlan } from '../products/index.ts';
import { planBackwards, type Allowed, type BackwardsInput, type Offer } from './index.ts';
import { HOUR_MS } from '../science/units/index.ts';

const at = (day: number, hour: number, minute = 0): number => Date.UTC(2026, 2, 2 + day, hour, minute);
const KITCHEN: KitchenSettings = defaultKitchen('UTC');
const ALL: Allowed = { dose: true, place: true, heat: true, bath: true, sourer: true };
const NOTHING: Allowed = { dose: false, place: false, heat: false, bath: false, sourer: false };

function wish(part: Partial<BackwardsInput> & Pick<BackwardsInput, 'wish'>): BackwardsInput {
  const nowMs = part.nowMs ?? at(0, 6);
  const plan: MakePlan = defaultPlan(KITCHEN, new Date(nowMs).toISOString());
  return {
    state: stateOfPlan(plan),
    begun: false,
    kitchen: KITCHEN,
    factors: [],
    allowed: ALL,
    nowMs,
    ...part,
  };
}

/** Whatever is offered must hold when it is computed again from scratch. */
function holds(offer: Offer, input: BackwardsInput): void {
  const point = pointForecast(stateOfPlan(offer.plan), offer.startMs);
  for (const step of point.steps.filter((s) =>
    ['pour', 'heat', 'hold', 'cool', 'inoculate'].includes(s.id),
  )) {
    expect(nobodyThere(input.kitchen, step.endMs)).toBe(false);
  }
  expect(nobodyThere(input.kitchen, offer.startMs)).toBe(false);
  expect(nobodyThere(input.kitchen, offer.takenOutMs)).toBe(false);
  expect(offer.startMs).toBeGreaterThanOrEqual(input.nowMs);
  if (input.wish.goal === 'eat')
    expect(offer.takenOutMs + 4 * HOUR_MS).toBeLessThanOrEqual(input.wish.byMs + 1);
  else expect(offer.set.p50).toBeLessThanOrEqual(input.wish.byMs);
}

describe('planning backwards', () => {
  test('ready to eat the next morning: offers that hold, nobody woken, each with its price', () => {
    const input = wish({ wish: { goal: 'eat', byMs: at(1, 7) } });
    const { outcome, offers } = planBackwards(input);
    expect(outcome).toBe('found');
    expect(offers.length).toBeGreaterThan(1);
    expect(offers.length).toBeLessThanOrEqual(3);
    for (const offer of offers) {
      holds(offer, input);
      expect(offer.prices.find((p) => p.kind === 'start')).toBeDefined();
    }
    const kinds = offers.map((o) => o.prices.map((p) => p.kind).join(' '));
    expect(new Set(kinds).size).toBe(kinds.length);
  });

  test('set before bedtime', () => {
    const input = wish({ wish: { goal: 'set', byMs: at(0, 22) } });
    const { offers } = planBackwards(input);
    for (const offer of offers) holds(offer, input);
    expect(offers[0]?.sure).toBe(true);
  });

  test('when only the start may move, the plan itself stays as it was', () => {
    const input = wish({ wish: { goal: 'eat', byMs: at(1, 7) }, allowed: NOTHING });
    const { offers } = planBackwards(input);
    expect(offers).toHaveLength(1);
    const { startAt: _a, factors: _f, ...own } = input.state.plan;
    const { startAt: _b, factors: _g, ...offered } = offers[0]!.plan;
    expect(offered).toEqual(own);
  });

  test('too soon: none, with the earliest it could be', () => {
    const answer = planBackwards(wish({ wish: { goal: 'eat', byMs: at(0, 10) } }));
    expect(answer).toMatchObject({ outcome: 'none', reason: 'too-late', offers: [] });
    expect(answer.earliestMs).toBeGreaterThan(at(0, 10));
  });

  test('nobody there all day: none, and it says so', () => {
    const kitchen: KitchenSettings = {
      ...KITCHEN,
      absences: [
        {
          id: '0000000000000000000000000B',
          cookId: KITCHEN.cooks[0]!.id,
          name: 'Away',
          days: [0, 1, 2, 3, 4, 5, 6],
          from: '05:30',
          to: '22:30',
        },
      ],
    };
    expect(planBackwards(wish({ kitchen, wish: { goal: 'eat', byMs: at(1, 7) } })).reason).toBe(
      'nobody-there',
    );
  });

  test('a wish in the past is no wish', () => {
    expect(planBackwards(wish({ wish: { goal: 'eat', byMs: at(0, 5) } })).reason).toBe('past');
  });

  test('under way and late: only what is left is planned, and what happened stays', () => {
    const start = at(0, 14);
    const plan = defaultPlan(KITCHEN, new Date(start).toISOString(), 4);
    const make = '0000000000000000000000000M';
    const event = <T extends EventType>(
      n: number,
      ms: number,
      type: T,
      data: EventOf<T>['data'],
    ): LoggedEvent =>
      ({
        id: `${make.slice(0, 24)}${String(n).padStart(2, '0')}`,
        streamId: make,
        at: new Date(ms).toISOString(),
        cookId: null,
        deviceId: 't',
        version: 1,
        type,
        data,
        seq: n,
      }) as LoggedEvent;
    const state = foldMake(make, [
      event(1, start, 'make-started', { plan }),
      event(2, start + 0.2 * HOUR_MS, 'step-done', { step: 'pour' }),
      event(3, start + 1.6 * HOUR_MS, 'step-done', { step: 'heat' }),
      event(4, start + 2 * HOUR_MS, 'step-done', { step: 'hold' }),
    ])!;
    const nowMs = start + 2.2 * HOUR_MS;
    const input = wish({ state, begun: true, nowMs, wish: { goal: 'set', byMs: at(0, 22) } });
    const { offers } = planBackwards(input);
    expect(offers.length).toBeGreaterThan(0);
    for (const offer of offers) {
      expect(offer.prices.some((p) => p.kind === 'start')).toBe(false);
      expect(offer.plan.heat).toEqual(plan.heat);
      expect(offer.inoculationMs).toBeGreaterThan(nowMs);
      expect(offer.set.p50).toBeLessThanOrEqual(at(0, 22));
    }
  });
});

test('cream is planned back from when it is wanted thick: a night in the cold is part of it', () => {
  const nowMs = Date.parse('2026-03-02T06:00:00.000Z');
  const plan = beginPlan('cultured-cream', KITCHEN, new Date(nowMs).toISOString());
  const byMs = nowMs + 60 * 3_600_000;
  const answer = planBackwards({
    state: stateOfPlan(plan),
    begun: false,
    kitchen: KITCHEN,
    factors: [],
    wish: { goal: 'eat', byMs },
    allowed: ALL,
    nowMs,
  });
  expect(answer.outcome).toBe('found');
  for (const offer of answer.offers) {
    expect(offer.readyMs).toBeLessThanOrEqual(byMs);
    // Taken out by the middle of the band, promised by the middle line: they differ a little.
    expect(offer.readyMs - offer.takenOutMs).toBeGreaterThan(9 * HOUR_MS);
    expect(offer.plan.product).toBe('cultured-cream');
  }
});
