import { expect, test } from '@jest/globals';
import { defaultKitchen } from '../../kitchen/index.ts';
import type { LoggedEvent } from '../../log/index.ts';
import { beginPlan } from '../../products/index.ts';
import {
  preparationOf,
  CHURN_TOLD,
  told,
  butterDoubt,
  churnLoads,
  fatBalance,
  loadStanding,
} from '../index.ts';
import { createLog, MAKE_ID, START } from '../../make/fixtures/make-events.ts';
import {
  alarmsOf,
  bandForecast,
  doneWordsOf,
  foldMake,
  marksOf,
  nextHands,
  pointForecast,
  safetyOf,
  type MakeState,
  makeAt,
} from '../../make/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';

const begun = beginPlan('butter', defaultKitchen('UTC'), new Date(START).toISOString(), 3);
const plan = {
  ...begun,
  method: {
    ...begun.method,
    steps: begun.method.steps.map((s) => (s.kind === 'churn' ? { ...s, litres: 2, loads: 3 } : s)),
  },
};
type Log = ReturnType<typeof createLog>;
function churning(more: (log: Log) => LoggedEvent[] = () => []): MakeState {
  const log = createLog();
  const head = [
    log(0, 'make-started', { plan }),
    log(2, 'step-done', { step: 'take-out' }),
    log(60, 'step-done', { step: 'temper' }),
  ];
  return foldMake(MAKE_ID, [...head, ...more(log)])!;
}
const alarmsAt = (state: MakeState, minute: number) => {
  const nowMs = START + minute * MINUTE_MS;
  const forecast = bandForecast(state, nowMs, 1, 20);
  return alarmsOf(state, forecast, safetyOf(state, forecast.point.temperature, nowMs, null));
};

test('loads are churned one after another, the next one tempering meanwhile', () => {
  const state = churning();
  expect(loadStanding(state)).toEqual({ no: 1, of: 3, broke: false });
  expect(doneWordsOf(state)).toBe('Load 1 has broken');
  const { loads, next } = churnLoads(makeAt(state, START + 61 * MINUTE_MS))!;
  expect(loads.map((l) => l.run.no)).toEqual([1, 2, 3]);
  // Hands between them, and each takes as long as a third of the cream does.
  expect(loads[1]!.startMs - loads[0]!.endMs).toBe(4 * MINUTE_MS);
  expect(loads[1]!.run.churning.litres).toBeCloseTo(1, 9);
  expect(next!.no).toBe(2);
  expect(next!.startMs).toBe(loads[1]!.startMs);
  expect(next!.takeOutMs).toBeLessThan(next!.startMs - 5 * MINUTE_MS);
  const churn = pointForecast(state, START + 61 * MINUTE_MS).steps.find((s) => s.id === 'churn')!;
  expect(churn.endMs).toBeCloseTo(loads[2]!.endMs, 6);
  // The bells are those of the load in the churn, not of the whole.
  const due = alarmsAt(state, 61).find((a) => a.id === 'step-churn')!;
  expect(due.dueAtMs).toBeCloseTo(loads[0]!.endMs, -3);
  expect(alarmsAt(state, 61).find((a) => a.id === 'take-out-load-2')!.title).toBe('Take out load 2');
});

test('what one load teaches of its stages is its own; the next begins at its own heat', () => {
  const state = churning((log) => [
    log(85, 'stage-seen', { stage: 'broken' }),
    log(90, 'temperature-read', { celsius: 13, instrument: 'hand', typed: { value: 13, unit: 'C' } }),
    log(92, 'load-begun', { load: 2 }),
    log(93, 'load-begun', { load: 2 }),
    log(100, 'stage-seen', { stage: 'soft' }),
  ]);
  expect(loadStanding(state)).toEqual({ no: 2, of: 3, broke: false });
  const { now, loads } = churnLoads(makeAt(state, START + 101 * MINUTE_MS))!;
  expect(loads[0]!.endMs).toBe(START + 85 * MINUTE_MS);
  expect(now.startMs).toBe(START + 92 * MINUTE_MS);
  expect(now.run.churning.startC).toBe(13);
  expect(now.run.way.seen).toEqual([{ stage: 'soft', minutes: 8 }]);
  expect(alarmsAt(state, 101).some((a) => a.id === 'step-churn-load-2')).toBe(true);
});

test('clocks of two tablets apart: a break that was known when the next load went in was before it', () => {
  const state = churning((log) => [
    log(85, 'stage-seen', { stage: 'broken' }),
    // Told after it, by a tablet whose clock is behind.
    log(84.9, 'load-begun', { load: 2 }),
  ]);
  expect(loadStanding(state)).toEqual({ no: 2, of: 3, broke: false });
  expect(told(state, CHURN_TOLD).loadsAtMs).toEqual([START + 85 * MINUTE_MS]);
});

test('neither is sent yet, and the clock was put right between the two taps: the order of the taps counts', () => {
  const state = churning((log) =>
    [log(85, 'stage-seen', { stage: 'broken' }), log(84.9, 'load-begun', { load: 2 })].map(
      ({ seq: _none, ...unsent }) => unsent,
    ),
  );
  expect(loadStanding(state)).toEqual({ no: 2, of: 3, broke: false });
});

test('between two loads nothing rings for the one that broke; after the last the step is over', () => {
  const between = churning((log) => [log(85, 'stage-seen', { stage: 'broken' })]);
  expect(doneWordsOf(between)).toBe('Load 2 is in');
  const ids = alarmsAt(between, 86).map((a) => a.id);
  expect(ids).not.toContain('step-churn');
  expect(ids).not.toContain('early-churn');
  expect(ids).not.toContain('slow-churning');
  const forecast = bandForecast(between, START + 86 * MINUTE_MS, 1, 20);
  const safety = safetyOf(between, forecast.point.temperature, START + 86 * MINUTE_MS, null);
  expect(nextHands(between, forecast, safety, START + 86 * MINUTE_MS)!.act).toBe('Load 2 is in');
  const last = churning((log) => [
    log(85, 'stage-seen', { stage: 'broken' }),
    log(90, 'load-begun', { load: 2 }),
    log(110, 'stage-seen', { stage: 'broken' }),
    log(115, 'load-begun', { load: 3 }),
    log(130, 'stage-seen', { stage: 'broken' }),
    log(130, 'step-done', { step: 'churn' }),
  ]);
  expect(last.current!.step.id).toBe('drain');
  const seen = marksOf(last, bandForecast(last, START + 131 * MINUTE_MS, 1, 20)).filter(
    (m) => m.step === 'churn',
  );
  expect(seen.map((m) => [m.words, m.seenMs])).toEqual([
    ['load 1 has broken', START + 85 * MINUTE_MS],
    ['load 2 has broken', START + 110 * MINUTE_MS],
    ['load 3 has broken', START + 130 * MINUTE_MS],
  ]);
});

test('water poured in goes with the buttermilk, which may weigh that much more', () => {
  const watered = churning((log) => [
    log(70, 'water-poured', { massKg: 0.5, celsius: 4, typed: { value: 0.5, unit: 'L' } }),
    log(90, 'step-done', { step: 'churn' }),
  ]);
  const plain = churning((log) => [log(90, 'step-done', { step: 'churn' })]);
  const [wet, dry] = [watered, plain].map((s) => fatBalance(makeAt(s, START + 91 * MINUTE_MS))!);
  expect(wet!.waterKg).toBe(0.5);
  expect(wet!.buttermilkFatFraction).toBeLessThan(dry!.buttermilkFatFraction);
  expect(wet!.likelyKg).toBeGreaterThanOrEqual(dry!.likelyKg);
  expect(butterDoubt(makeAt(watered, START + 91 * MINUTE_MS), 4, { value: 4, unit: 'kg' })?.why).toBe(
    'more-than-cream',
  );
});

test('what a churning wants ready is told the evening before, when there still is one', () => {
  const ready = preparationOf(plan)!;
  expect(ready).toMatchObject({ loads: 3, bath: null });
  expect(ready.washLitres).toBeGreaterThan(2);
  expect(ready.iceKg).toBeCloseTo(ready.washLitres * (41.8 / (334 + 20.9)), 9);
  expect(ready.bowlLitres).toBeGreaterThan(ready.washLitres / 3);
  const decided = (hoursBefore: number): MakeState => {
    const log = createLog();
    return foldMake(MAKE_ID, [log(-60 * hoursBefore, 'make-started', { plan })])!;
  };
  const prepare = (state: MakeState) => alarmsAt(state, -60).find((a) => a.id === 'prepare');
  expect(prepare(decided(20))!.dueAtMs).toBe(START - 10 * 60 * MINUTE_MS);
  expect(prepare(decided(3))).toBeUndefined();
  expect(preparationOf(beginPlan('yogurt', defaultKitchen('UTC'), plan.startAt))).toBeNull();
});
