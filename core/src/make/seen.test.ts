import { expect, test } from '@jest/globals';
import { createLog, MAKE_ID, START, testPlan } from './fixtures/make-events.ts';
import {
  markBand,
  alarmsOf,
  bandForecast,
  foldMake,
  safetyOf,
  seenSetMs,
  shownAcidAtMs,
  type MakeState,
} from './index.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** A make inoculated after 90 minutes, with what was seen of it: [minutes since the start, cue]. */
function seen(
  ...cues: readonly (readonly [number, 'liquid' | 'trembles' | 'set' | 'whey-shows'])[]
): MakeState {
  const log = createLog();
  const events = [
    log(0, 'make-started', { plan: testPlan() }),
    ...(['pour', 'heat', 'hold', 'cool'] as const).map((step, i) => log(20 * (i + 1), 'step-done', { step })),
    log(90, 'starter-added', { massKg: 0.06, statedRatio: null, typed: null }),
    ...cues.map(([minute, cue]) => log(minute, 'cue-seen', { cue, cleanSmell: null })),
  ];
  return foldMake(MAKE_ID, events)!;
}

test('a set that was seen stands with its first sight, until somebody sees it liquid', () => {
  const at = (minute: number): number => START + minute * MINUTE_MS;
  expect(seenSetMs(seen([200, 'liquid']))).toBeNull();
  expect(seenSetMs(seen([200, 'liquid'], [300, 'set'], [330, 'whey-shows']))).toBe(at(300));
  expect(seenSetMs(seen([300, 'set'], [310, 'trembles']))).toBe(at(300));
  expect(seenSetMs(seen([300, 'set'], [310, 'liquid']))).toBeNull();
  expect(seenSetMs(seen([300, 'set'], [310, 'liquid'], [360, 'set']))).toBe(at(360));
});

test('after it nothing forecasts the set: the alarms speak of what is still open', () => {
  const titles = (state: MakeState): readonly string[] => {
    const nowMs = START + 301 * MINUTE_MS;
    const forecast = bandForecast(state, nowMs, 1, 80);
    const safety = safetyOf(state, forecast.point.temperature, nowMs, markBand(forecast, 'safe').p90);
    return alarmsOf(state, forecast, safety).map((a) => a.title);
  };
  expect(titles(seen([300, 'liquid']))).toEqual(expect.arrayContaining(['Check now', 'Set']));
  const after = titles(seen([300, 'set']));
  expect(after).toContain('Sour enough');
  expect(after).not.toContain('Set');
  expect(after).not.toContain('Check now');
});

test('where a set does not show that it soured, seeing it stops no safety clock', () => {
  const state = seen([300, 'set']);
  expect(shownAcidAtMs(state)).toBe(START + 300 * MINUTE_MS);
  const withRennet: MakeState = {
    ...state,
    steps: state.steps.map((s) => ({
      ...s,
      step: { ...s.step, facts: { ...s.step.facts, setShowsAcid: false } },
    })),
  };
  expect(shownAcidAtMs(withRennet)).toBeNull();
  // A pH still does.
  expect(
    shownAcidAtMs({
      ...withRennet,
      acidity: [
        ...withRennet.acidity,
        {
          eventId: 'read',
          atMs: START + 320 * MINUTE_MS,
          reading: { kind: 'ph', ph: 5.1, sigma: 0.1, instrument: 'meter' },
        },
      ],
    }),
  ).toBe(START + 320 * MINUTE_MS);
});
