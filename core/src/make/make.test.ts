import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  markBand,
  markMs,
  acidityReadings,
  alarmsOf,
  bandForecast,
  contradictionWords,
  dueMs,
  foldMake,
  nextHands,
  plannedOf,
  pointForecast,
  safetyOf,
  seenSetH,
  stateOfPlan,
  summaryOf,
  walkThermal,
  yieldOf,
  type MakeState,
} from './index.ts';
import { createLog, MAKE_ID, START, testPlan } from './fixtures/make-events.ts';
import { effectiveEvents, undoTarget, type LoggedEvent } from '../log/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

const typed = { value: 1, unit: 'C' as const };

/** A make up to the end of inoculation, 90 minutes after its start. */
function inoculated(log = createLog(), plan = testPlan()): LoggedEvent[] {
  return [
    log(0, 'make-started', { plan }),
    log(4, 'step-done', { step: 'pour' }),
    log(35, 'temperature-read', { celsius: 85, instrument: 'hand', typed }),
    log(35, 'step-done', { step: 'heat' }),
    log(45, 'step-done', { step: 'hold' }),
    log(85, 'temperature-read', { celsius: 44, instrument: 'hand', typed }),
    log(85, 'step-done', { step: 'cool' }),
    log(90, 'starter-added', { massKg: 0.09, statedRatio: null, typed: { value: 90, unit: 'g' } }),
  ];
}

function stateOf(events: LoggedEvent[]): MakeState {
  const state = foldMake(MAKE_ID, events);
  if (!state) throw new Error('no make');
  return state;
}

describe('the log', () => {
  test('any order and doubles of events give the same state', () => {
    const events = inoculated();
    const wanted = JSON.stringify(stateOf(events).steps);
    fc.assert(
      fc.property(
        fc.shuffledSubarray([...events, ...events], { minLength: events.length * 2 }),
        (shuffled) => {
          expect(JSON.stringify(stateOf(shuffled).steps)).toBe(wanted);
        },
      ),
      { numRuns: 30 },
    );
  });

  test('undo voids the latest of this device only, undo of undo restores', () => {
    const log = createLog();
    const events = inoculated(log);
    const cue = log(200, 'cue-seen', { cue: 'trembles', cleanSmell: null }, 'other');
    const note = log(201, 'noted', { text: 'smells sweet' });
    events.push(cue, note);
    expect(undoTarget(events, 'tablet')?.id).toBe(note.id);
    expect(undoTarget(events, 'other')?.id).toBe(cue.id);
    expect(undoTarget(events, 'third')).toBeNull();
    const undo = log(202, 'voided', { target: note.id });
    expect(stateOf([...events, undo]).notes).toHaveLength(0);
    expect(stateOf([...events, undo, log(203, 'voided', { target: undo.id })]).notes).toHaveLength(1);
    expect(undoTarget([...events, undo], 'tablet')?.type).toBe('starter-added');
  });

  test('of several corrections the highest seq wins; time can be corrected, the kind cannot', () => {
    const log = createLog();
    const events = inoculated(log);
    const reading = log(120, 'temperature-read', { celsius: 4.2, instrument: 'hand', typed });
    const fixed = { celsius: 42, instrument: 'hand', typed };
    events.push(
      reading,
      log(121, 'corrected', { target: reading.id, at: null, data: { ...fixed, celsius: 24 } }),
      log(122, 'corrected', {
        target: reading.id,
        at: new Date(START + 125 * MINUTE_MS).toISOString(),
        data: fixed,
      }),
      log(123, 'corrected', { target: events[1]!.id, at: null, data: { nonsense: true } }),
    );
    const kept = effectiveEvents(events).find((e) => e.id === reading.id)!;
    expect(kept.data).toEqual(fixed);
    expect(Date.parse(kept.at)).toBe(START + 125 * MINUTE_MS);
    expect(stateOf(events).steps[0]!.status).toBe('done');
  });

  test('steps: done, skipped, current and coming; adding the starter is inoculating', () => {
    const log = createLog();
    const events = inoculated(log);
    const state = stateOf(events);
    expect(state.current?.step.id).toBe('incubate');
    expect(state.inoculatedAtMs).toBe(START + 90 * MINUTE_MS);
    const skipped = stateOf([events[0]!, log(3, 'step-skipped', { step: 'pour' })]);
    expect(skipped.steps[0]!.status).toBe('skipped');
    expect(skipped.current?.step.id).toBe('heat');
    expect(foldMake(MAKE_ID, events.slice(1))).toBeNull();
  });
});

describe('forecast', () => {
  const now = START + 90 * MINUTE_MS;

  test('a plan is forecast from milk to fridge, in order', () => {
    const point = pointForecast(stateOfPlan(testPlan()), START);
    const ends = point.steps.map((s) => s.endMs);
    expect([...ends].sort((a, b) => a - b)).toEqual(ends);
    expect(markMs(point, 'body')!).toBeGreaterThan(point.inoculationMs + 2 * HOUR_MS);
    expect(markMs(point, 'body')!).toBeLessThan(point.inoculationMs + 6 * HOUR_MS);
    expect(point.denatured).toBeGreaterThan(0.85);
    expect(point.sourness).toBe('classic');
  });

  test('the band holds the middle and a reading narrows it', () => {
    const log = createLog();
    const events = inoculated(log);
    const before = bandForecast(stateOf(events), now, 7);
    expect(markBand(before, 'body').p10!).toBeLessThan(markBand(before, 'body').p50!);
    expect(markBand(before, 'body').p50!).toBeLessThan(markBand(before, 'body').p90!);
    events.push(
      log(90 + 150, 'ph-read', {
        ph: 5.4,
        instrument: 'meter',
        sigma: null,
        typed: { value: 5.4, unit: 'pH' },
      }),
    );
    const after = bandForecast(stateOf(events), now + 150 * MINUTE_MS, 7);
    expect(markBand(after, 'body').p90! - markBand(after, 'body').p10!).toBeLessThan(
      0.7 * (markBand(before, 'body').p90! - markBand(before, 'body').p10!),
    );
    expect(contradictionWords(after)).toBeNull();
    const planned = plannedOf(stateOf(events), before);
    expect(planned.set).toEqual(markBand(before, 'body'));
    expect(planned.marks).toEqual(before.marks);
    expect(planned.phBand.length).toBeGreaterThan(20);
  });

  test('a reading far off is said in words, with likely causes', () => {
    const log = createLog();
    const events = inoculated(log);
    events.push(
      log(90 + 300, 'ph-read', {
        ph: 6.5,
        instrument: 'meter',
        sigma: null,
        typed: { value: 6.5, unit: 'pH' },
      }),
    );
    expect(contradictionWords(bandForecast(stateOf(events), now + 300 * MINUTE_MS, 7))).toMatch(
      /starter weak/,
    );
  });

  test('measured temperatures become the past and judge the place', () => {
    const log = createLog();
    const events = inoculated(log);
    const untold = bandForecast(stateOf(events), now, 7);
    for (let m = 0; m <= 180; m += 15) {
      events.push(
        log(90 + m, 'temperature-read', {
          celsius: 44 - 6 * (1 - Math.exp(-m / 50)),
          instrument: 'probe',
          typed,
        }),
      );
    }
    const told = bandForecast(stateOf(events), now + 180 * MINUTE_MS, 7);
    expect(told.ambientC).toBeLessThan(41);
    expect(told.ambientSigmaC).toBeLessThan(0.5);
    expect(markBand(told, 'body').p50!).toBeGreaterThan(markBand(untold, 'body').p50!);
  });

  test('heat: readings refit the running step and fill the meter', () => {
    const log = createLog();
    const events = inoculated(log).slice(0, 2);
    const state = stateOf([
      ...events,
      log(10, 'temperature-read', { celsius: 20, instrument: 'hand', typed }),
      log(20, 'temperature-read', { celsius: 35, instrument: 'hand', typed }),
    ]);
    const book = walkThermal(stateOf(events), START + 20 * MINUTE_MS).steps.find((s) => s.id === 'heat')!;
    const walk = walkThermal(state, START + 20 * MINUTE_MS);
    const heat = walk.steps.find((s) => s.id === 'heat')!;
    // 1.5 K/min to go 50 K more: 33 min and more, for an open pot loses ever more heat on its way.
    expect(heat.endMs).toBeGreaterThan(START + 45 * MINUTE_MS);
    expect(heat.endMs).toBeLessThan(START + 80 * MINUTE_MS);
    expect(heat.endMs).not.toBe(book.endMs);
    expect(walk.denaturedNow).toBe(0);
    expect(walkThermal(stateOf(inoculated()), now).denaturedNow).toBeGreaterThan(0.8);
  });

  test('an unheated raw make warms only to inoculating heat', () => {
    const plan = testPlan({
      heat: { kind: 'none', targetC: 20, holdMin: 0 },
      starter: { ...testPlan().starter, kind: 'none', massKg: null },
    });
    const state = stateOfPlan(plan);
    expect(state.steps.map((s) => s.step.id)).toEqual([
      'pour',
      'heat',
      'inoculate',
      'incubate',
      'chill',
      'weigh',
      'taste',
      'reserve',
    ]);
    const forecast = bandForecast(state, START, 3, 200);
    expect(forecast.point.denatured).toBe(0);
    expect(forecast.stats.members).toBe(200);
  });

  test('a dose that says nothing gives no forecast of a set, not an error', () => {
    const plan = testPlan({ starter: { ...testPlan().starter, massKg: null } });
    const forecast = bandForecast(stateOfPlan(plan), START, 3);
    expect(markBand(forecast, 'body')).toEqual({ p10: null, p50: null, p90: null });
    expect(forecast.neverSets).toBe(1);
  });
});

describe('safety and alarms', () => {
  const at = (events: LoggedEvent[], minutes: number) => {
    const state = stateOf(events);
    const now = START + minutes * MINUTE_MS;
    const forecast = bandForecast(state, now, 7, 300);
    const safety = safetyOf(state, forecast.point.temperature, now, markBand(forecast, 'safe').p90);
    return { state, forecast, safety, alarms: alarmsOf(state, forecast, safety), now };
  };

  test('what is overdue is to be picked up now, not as late again as it is already; and since when stands still', () => {
    const events = inoculated(createLog());
    const inTime = at(events, 120);
    const readyMs = markBand(inTime.forecast, 'ready').p50!;
    const late = at(events, (readyMs - START) / MINUTE_MS + 180);
    const end = (step: string, { forecast }: typeof late) => forecast.steps.find((s) => s.step === step)!.end;
    expect(end('incubate', late)).toEqual({ p10: late.now, p50: late.now, p90: late.now });
    const chillMs = (of: typeof late) => end('chill', of).p50! - end('incubate', of).p50!;
    expect(chillMs(late)).toBeCloseTo(chillMs(inTime), -3);
    // Heated for hours: it was to be hot at the minute it was to be hot.
    const log = createLog();
    const heating = stateOf([
      log(0, 'make-started', { plan: testPlan() }),
      log(5, 'step-done', { step: 'pour' }),
    ]);
    const due = dueMs(heating)!;
    expect(due).toBeGreaterThan(START + 10 * MINUTE_MS);
    expect(due).toBeLessThan(START + 90 * MINUTE_MS);
    const forgotten = pointForecast(heating, due + 240 * MINUTE_MS);
    const heatEnds = forgotten.steps.find((s) => s.id === 'heat')!.endMs;
    expect(heatEnds - (due + 240 * MINUTE_MS)).toBeGreaterThanOrEqual(0);
    expect(heatEnds - (due + 240 * MINUTE_MS)).toBeLessThan(2000);
    // Off its fire it has cooled; what comes after it begins with milk that is hot.
    expect(forgotten.temperature.findLast(([ms]) => ms <= due + 240 * MINUTE_MS)![1]).toBeLessThan(40);
    expect(forgotten.steps.every(({ endless }) => !endless)).toBe(true);
  });

  test('runs, turns amber, and is over at twelve warm hours; only a reading or a cue stops it', () => {
    const log = createLog();
    const events = inoculated(log);
    expect(at(events, 120).safety.verdict).toBe('running');
    expect(at(events, 90 + 10 * 60).safety.verdict).toBe('amber');
    const over = at(events, 90 + 13 * 60);
    expect(over.safety.verdict).toBe('over');
    expect(over.alarms[0]!.id).toBe('safety-over');
    const seen = [...events, log(300, 'cue-seen', { cue: 'set', cleanSmell: true })];
    expect(at(seen, 90 + 13 * 60).safety.verdict).toBe('acid');
    const foul = [...events, log(300, 'cue-seen', { cue: 'set', cleanSmell: false })];
    expect(at(foul, 90 + 13 * 60).safety.verdict).toBe('over');
    const late = [
      ...events,
      log(90 + 13 * 60, 'ph-read', {
        ph: 4.2,
        instrument: 'meter',
        sigma: null,
        typed: { value: 4.2, unit: 'pH' },
      }),
    ];
    expect(at(late, 90 + 14 * 60).safety.verdict).toBe('over');
  });

  test('fresh starter or reheating never resets the clock', () => {
    const log = createLog();
    const events = inoculated(log);
    const before = at(events, 90 + 13 * 60).safety.warmH;
    events.push(log(90 + 600, 'starter-added', { massKg: 0.1, statedRatio: null, typed: null }));
    expect(at(events, 90 + 13 * 60).safety.warmH).toBeGreaterThan(before - 0.6);
    expect(at(events, 90 + 13 * 60).safety.verdict).toBe('over');
  });

  test('look now at P10, set at the pick-up, too sour after it; acknowledging silences one', () => {
    const log = createLog();
    const events = inoculated(log);
    const { forecast, alarms, safety, state, now } = at(events, 120);
    const due = Object.fromEntries(alarms.map((a) => [a.id, a.dueAtMs]));
    expect(due['look-now']).toBe(markBand(forecast, 'body').p10);
    expect(due['set']).toBe(markBand(forecast, 'ready').p50);
    expect(due['too-sour']!).toBeGreaterThan(due['set']!);
    expect(nextHands(state, forecast, safety, now)?.act).toBe('Move to fridge');
    events.push(log(121, 'alarm-acknowledged', { alarm: 'look-now' }));
    expect(at(events, 122).alarms.map((a) => a.id)).not.toContain('look-now');
  });

  test('a running heat rings when it should be hot, must-act', () => {
    const { alarms, forecast } = at(inoculated().slice(0, 2), 10);
    const heat = forecast.point.steps.find((s) => s.id === 'heat')!;
    expect(alarms[0]).toMatchObject({ id: 'step-heat', dueAtMs: heat.endMs, mustAct: true });
  });
});

describe('record', () => {
  test('mass in is mass out plus what was lost', () => {
    const log = createLog();
    const events = [
      ...inoculated(log),
      log(500, 'weighed', { massKg: 3.05, typed: { value: 3.05, unit: 'kg' } }),
    ];
    const balance = yieldOf(stateOf(events));
    expect(balance.outKg! + balance.lostKg!).toBeCloseTo(balance.milkKg + balance.starterKg, 9);
    expect(yieldOf(stateOf(inoculated())).lostKg).toBeNull();
  });

  test('what passed the safety limit is no food, whatever was done with it', () => {
    const log = createLog();
    const events = [...inoculated(log), log(90 + 14 * 60, 'finished', { verdict: 'kept', reason: '' })];
    expect(summaryOf(stateOf(events)).doNotEat).toBe(true);
    const early = createLog();
    const proven = [
      ...inoculated(early),
      early(330, 'cue-seen', { cue: 'set', cleanSmell: true }),
      early(90 + 14 * 60, 'finished', { verdict: 'kept', reason: '' }),
    ];
    expect(summaryOf(stateOf(proven)).doNotEat).toBe(false);
  });

  test('the line of the Daybook says what was seen', () => {
    const log = createLog();
    const events = [
      ...inoculated(log),
      log(330, 'cue-seen', { cue: 'set', cleanSmell: true }),
      log(400, 'step-done', { step: 'incubate' }),
      log(900, 'tasted', { sourness: 'classic', texture: 'firm', text: 'good' }),
      log(910, 'finished', { verdict: 'kept', reason: '' }),
    ];
    const state = stateOf(events);
    expect(seenSetH(state)).toBeCloseTo(4, 6);
    expect(acidityReadings(state)).toHaveLength(1);
    expect(summaryOf(state)).toMatchObject({
      status: 'kept',
      sourness: 'classic',
      texture: 'firm',
      note: 'good',
      seenSetH: 4,
    });
  });
});

test('begun before it was planned to, it began with the first thing that was done', () => {
  const log = createLog();
  const plan = testPlan({ startAt: new Date(START + 60 * 60_000).toISOString() });
  const state = foldMake(MAKE_ID, [
    log(0, 'make-started', { plan }),
    log(20, 'step-done', { step: 'pour' }),
  ])!;
  expect(state.startedAtMs).toBe(START + 20 * 60_000);
  expect(state.current).toMatchObject({ startedAtMs: START + 20 * 60_000 });
  expect(pointForecast(state, START + 21 * 60_000).steps[1]!.startMs).toBe(START + 20 * 60_000);
});
