import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { MakePlan } from '../contract/index.ts';
import { SOURNESS } from '../science/souring/index.ts';
import { WARM_PLACE_KINDS, PLACE_FACTS } from '../science/heat/index.ts';
import { defaultKitchen } from '../kitchen/index.ts';
import { adviseOn } from '../products/index.ts';
import { MILK_KINDS } from '../science/milk/index.ts';
import { createLog, START, MAKE_ID, testPlan } from './fixtures/make-events.ts';
import {
  markBand,
  markMs,
  bandForecast,
  foldMake,
  pointForecast,
  safetyOf,
  sleepClashes,
  stateOfPlan,
  walkThermal,
} from './index.ts';
import { undoTarget, type LoggedEvent } from '../log/index.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** Plans as people turn them, sensible and silly. */
const anyPlan = fc
  .record({
    litres: fc.double({ min: 0.3, max: 12, noNaN: true }),
    kind: fc.constantFrom(...MILK_KINDS),
    targetC: fc.integer({ min: 70, max: 95 }),
    holdMin: fc.integer({ min: 0, max: 40 }),
    heat: fc.constantFrom('none', 'touch', 'hold', 'boil'),
    inoculateC: fc.integer({ min: 36, max: 47 }),
    doseShare: fc.double({ min: 0.005, max: 0.06, noNaN: true }),
    place: fc.constantFrom(...WARM_PLACE_KINDS),
    sourness: fc.constantFrom(...SOURNESS),
    roomC: fc.integer({ min: 8, max: 32 }),
  })
  .map((r): MakePlan => {
    const plan = testPlan();
    return {
      ...plan,
      milk: { ...plan.milk, litres: r.litres, kind: r.kind, fatFraction: null },
      heat: { kind: r.heat, targetC: r.targetC, holdMin: r.holdMin },
      inoculateC: r.inoculateC,
      starter: { ...plan.starter, massKg: r.doseShare * r.litres * 1.03 },
      place: { ...plan.place, kind: r.place, tauH: PLACE_FACTS[r.place].tauH },
      wanted: { ...plan.wanted, sourness: r.sourness },
      roomC: r.roomC,
    };
  });

describe('any plan', () => {
  test('is forecast in order, without a hole, within physics', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const point = pointForecast(stateOfPlan(plan), START);
        let before = START;
        for (const step of point.steps) {
          expect(Number.isFinite(step.endMs)).toBe(true);
          expect(step.endMs).toBeGreaterThanOrEqual(before);
          before = step.endMs;
        }
        expect(point.temperature.filter(([, celsius]) => !(celsius > -1 && celsius < 101))).toEqual([]);
        expect(point.denatured).toBeGreaterThanOrEqual(0);
        expect(point.denatured).toBeLessThan(1);
        const [gelMs, setMs] = [markMs(point, 'gel'), markMs(point, 'body')];
        if (gelMs !== null && setMs !== null) expect(gelMs).toBeLessThanOrEqual(setMs);
        expect(point.firmness).toBeGreaterThanOrEqual(0);
        expect(point.firmness).toBeLessThanOrEqual(100);
      }),
      { numRuns: 60 },
    );
  });

  test('has a band around its middle, and the same seed gives the same band', () => {
    fc.assert(
      fc.property(anyPlan, fc.integer({ min: 1, max: 1e6 }), (plan, seed) => {
        const forecast = bandForecast(stateOfPlan(plan), START, seed, 120);
        const { p10, p50, p90 } = markBand(forecast, 'body');
        if (p10 !== null && p50 !== null) expect(p10).toBeLessThanOrEqual(p50);
        if (p50 !== null && p90 !== null) expect(p50).toBeLessThanOrEqual(p90);
        expect(forecast.band.filter((b) => !(b.p10 <= b.p50 && b.p50 <= b.p90))).toEqual([]);
        expect(markBand(bandForecast(stateOfPlan(plan), START, seed, 120), 'body')).toEqual(
          markBand(forecast, 'body'),
        );
      }),
      { numRuns: 12 },
    );
  });

  test('gets advice in words with a place on the screen', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        for (const advice of adviseOn(plan, { temperature: 'F', measures: 'imperial' }))
          expect(advice.text.length).toBeGreaterThan(15);
        const overfull = plan.milk.litres > plan.pot.litres * 0.95;
        expect(adviseOn(plan).some((a) => a.severity === 'stop' && a.field === 'pot')).toBe(overfull);
      }),
      { numRuns: 60 },
    );
  });
});

describe('any order of entries', () => {
  /** Entries as a hurried cook makes them: readings, cues, steps out of turn, undos. */
  const anyEntries = fc.array(
    fc.record({
      minutes: fc.integer({ min: 0, max: 900 }),
      what: fc.integer({ min: 0, max: 6 }),
      value: fc.double({ min: 4, max: 95, noNaN: true }),
    }),
    { maxLength: 25 },
  );
  const eventsOf = (entries: readonly { minutes: number; what: number; value: number }[]): LoggedEvent[] => {
    const log = createLog();
    const events: LoggedEvent[] = [log(0, 'make-started', { plan: testPlan() })];
    for (const { minutes, what, value } of entries) {
      const steps = ['pour', 'heat', 'hold', 'cool', 'incubate', 'chill'] as const;
      const step = steps[Math.floor(value) % steps.length]!;
      if (what === 0)
        events.push(
          log(minutes, 'temperature-read', {
            celsius: value,
            instrument: 'hand',
            typed: { value, unit: 'C' },
          }),
        );
      else if (what === 1) events.push(log(minutes, 'step-done', { step }));
      else if (what === 2) events.push(log(minutes, 'step-skipped', { step }));
      else if (what === 3) events.push(log(minutes, 'cue-seen', { cue: 'trembles', cleanSmell: null }));
      else if (what === 4)
        events.push(log(minutes, 'starter-added', { massKg: 0.06, statedRatio: null, typed: null }));
      else if (what === 5)
        events.push(
          log(minutes, 'ph-read', {
            ph: 4 + value / 40,
            instrument: 'meter',
            sigma: null,
            typed: { value: 5, unit: 'pH' },
          }),
        );
      else events.push(log(minutes, 'voided', { target: events.at(-1)!.id }));
    }
    return events;
  };

  test('folds, forecasts and judges without a fault', () => {
    fc.assert(
      fc.property(anyEntries, (entries) => {
        const state = foldMake(MAKE_ID, eventsOf(entries));
        expect(state).not.toBeNull();
        const now = START + 16 * HOUR_MS;
        const walk = walkThermal(state!, now);
        expect(walk.course.every(([ms, c]) => Number.isFinite(ms) && Number.isFinite(c))).toBe(true);
        const point = pointForecast(state!, now);
        const safety = safetyOf(state!, point.temperature, now, null);
        expect(safety.warmH).toBeGreaterThanOrEqual(0);
        expect(['running', 'amber', 'acid', 'over']).toContain(safety.verdict);
      }),
      { numRuns: 80 },
    );
  });

  test('undoing again and again ends with nothing left to undo', () => {
    fc.assert(
      fc.property(anyEntries, (entries) => {
        const events = eventsOf(entries.filter((e) => e.what !== 6));
        const log = createLog();
        for (let i = 0; i <= entries.length; i++) {
          const target = undoTarget(events, 'tablet');
          if (!target) break;
          const undo = log(1000 + i, 'voided', { target: target.id });
          events.push({
            ...undo,
            id: `01HZYYYYYYYYYYYYYYYYYYYY${String(i).padStart(2, '0')}`,
            seq: 1000 + i,
          });
        }
        expect(undoTarget(events, 'tablet')).toBeNull();
        expect(foldMake(MAKE_ID, events)!.temperatures).toHaveLength(0);
      }),
      { numRuns: 40 },
    );
  });
});

describe('sleep', () => {
  const kitchen = defaultKitchen('UTC');
  const begun = (time: string): ReturnType<typeof sleepClashes> => {
    const plan = testPlan({ startAt: `2026-03-02T${time}:00.000Z` });
    return sleepClashes(pointForecast(stateOfPlan(plan), Date.parse(plan.startAt)), kitchen);
  };

  test('a make begun in the morning disturbs nobody; one begun in the evening says what waiting costs', () => {
    expect(begun('06:30')).toEqual([]);
    const clash = begun('19:30').find((c) => c.step === 'incubate')!;
    expect(new Date(clash.wakeMs).toISOString()).toBe('2026-03-03T05:30:00.000Z');
    expect(SOURNESS.indexOf(clash.sournessAtWake!)).toBeGreaterThanOrEqual(SOURNESS.indexOf('classic'));
  });

  test('somebody awake is enough', () => {
    const shared = {
      ...kitchen,
      cooks: [...kitchen.cooks, { id: MAKE_ID, name: 'Night owl', sleepFrom: '08:00', sleepTo: '16:00' }],
    };
    const plan = testPlan({ startAt: '2026-03-02T19:30:00.000Z' });
    expect(sleepClashes(pointForecast(stateOfPlan(plan), Date.parse(plan.startAt)), shared)).toEqual([]);
  });
});
