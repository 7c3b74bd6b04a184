import {
  SAFE_PH,
  safetyLimit,
  warmSpell,
  type SafetyLimit,
  type WarmSpell,
} from '../science/souring/index.ts';
import { souringKindOf } from '../setup/index.ts';
import { STEP_TYPES } from '../steps/index.ts';
import type { PointForecast } from './forecast.ts';
import { showsSet } from './seen.ts';
import { acidityNow, souringOf, type MakeState } from './state.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** Where nothing is to sour there is no clock. */
const NO_LIMIT: SafetyLimit = { limitH: null, reason: '' };
/** So long after it turned warm its mean says nothing yet: it is still on its way to where it stands, hours. */
const SETTLED_H = 12;
/** Share of the limit from which a look is asked for. */
const AMBER_SHARE = 0.75;

/** Where the make stands on the safety clock. */
export interface SafetyState {
  /** `acid`: shown to be acid enough in time; `amber`: look now; `over`: do not taste, discard; `none`: nothing sours in it. */
  readonly verdict: 'running' | 'amber' | 'acid' | 'over' | 'none';
  readonly warmH: number;
  readonly limit: SafetyLimit;
  /** When the limit runs out if it stays as warm as now; `null` when stopped or unlimited. */
  readonly limitAtMs: number | null;
  readonly text: string;
}

/** Why a set shows nothing here, in words: something went in, or is to, that sets sweet milk; `null` where it shows acid. */
export const setDoubt = ({ steps }: Pick<MakeState, 'steps'>): string | null =>
  steps
    .filter(({ status }) => status !== 'skipped')
    .flatMap(({ step }) => STEP_TYPES[step.kind].setProvesNothing ?? [])[0] ?? null;

/** When a reading or a cue first showed the milk to be acid enough; a forecast never does. */
export function shownAcidAtMs(state: MakeState): number | null {
  const setShowsAcid = state.steps.some(({ step }) => step.facts.setShowsAcid) && setDoubt(state) === null;
  const smellCounts = souringOf(state)?.smellCounts === true;
  const entry = acidityNow(state).find(
    ({ reading }) =>
      (reading.kind === 'ph' && reading.ph <= SAFE_PH) ||
      (reading.kind === 'cue' &&
        setShowsAcid &&
        showsSet(reading.cue) &&
        (smellCounts ? reading.cleanSmell === true : reading.cleanSmell !== false)),
  );
  return entry?.atMs ?? null;
}

/**
 * The safety clock of docs/SCIENCE.md: warm hours (5–60 °C) before pH 5.3 was shown, against a limit by mean
 * temperature. Fresh starter, a warm bath or reheating never resets it.
 * @param course [ms, °C] of the whole make so far and onward
 * @param lookAtMs when the forecast's P90 says it should be acid; asks for a look, never stops the clock
 */
export function safetyOf(
  state: MakeState,
  course: readonly (readonly [number, number])[],
  nowMs: number,
  lookAtMs: number | null,
): SafetyState {
  if (!souringOf(state)) return { verdict: 'none', warmH: 0, limit: NO_LIMIT, limitAtMs: null, text: '' };
  // Fresh milk begins its own clock.
  const zero = state.roundFromMs ?? state.startedAtMs;
  const points = (state.roundFromMs === null ? course : course.filter(([ms]) => ms >= zero)).map(
    ([ms, c]): readonly [number, number] => [(ms - zero) / HOUR_MS, c],
  );
  const shownAt = shownAcidAtMs(state);
  const untilMs = Math.min(
    nowMs,
    shownAt ?? Number.POSITIVE_INFINITY,
    state.finished?.atMs ?? Number.POSITIVE_INFINITY,
  );
  const spell = warmSpell(points, (untilMs - zero) / HOUR_MS);
  // Another make that was poured in and had stood warm for longer brings its hours along.
  const older = state.joined.reduce((most, { atMs, warmH: theirs, shownAcid }) => {
    if (shownAcid || atMs > untilMs) return most;
    return Math.max(most, theirs - warmSpell(points, (atMs - zero) / HOUR_MS).warmH);
  }, 0);
  const warmH = spell.warmH + older;
  // Cream out of the fridge is cold for its first hours: until twelve are over, which limit it has is said by where it is going.
  // Never a longer one than its own heat so far gives it.
  const ahead =
    untilMs === nowMs
      ? warmSpell(points, (untilMs - zero) / HOUR_MS + Math.max(0, SETTLED_H - warmH))
      : spell;
  const kind = souringKindOf(state.plan);
  const limitOf = ({ warmH: h, meanC }: WarmSpell): SafetyLimit =>
    safetyLimit(kind, h > 0 ? meanC : state.plan.inoculateC);
  const [soFar, onward] = [limitOf(spell), limitOf(ahead)];
  const isShorter = soFar.limitH !== null && soFar.limitH <= (onward.limitH ?? Number.POSITIVE_INFINITY);
  const limit = spell.warmH > 0 && isShorter ? soFar : onward;
  if (limit.limitH !== null && warmH >= limit.limitH) {
    return {
      verdict: 'over',
      warmH,
      limit,
      limitAtMs: null,
      text:
        shownAt === null
          ? state.inoculatedAtMs === null && kind === 'with-starter'
            ? `This milk was warm for more than ${limit.limitH} h and no starter went in. Do not taste it. Discard it and clean everything.`
            : `Souring was not confirmed within ${limit.limitH} warm hours. Do not taste it. Discard it, clean everything and use a new starter.`
          : `This batch was warm for more than ${limit.limitH} h before souring was confirmed. Do not taste it. Discard it.`,
    };
  }
  if (shownAt !== null) {
    return {
      verdict: 'acid',
      warmH,
      limit,
      limitAtMs: null,
      text: 'Souring was confirmed in time. That does not prove the batch is safe, so check its smell and look.',
    };
  }
  if (limit.limitH === null) {
    return { verdict: 'amber', warmH, limit, limitAtMs: null, text: limit.reason };
  }
  const doubt = setDoubt(state);
  const limitAtMs = nowMs + (limit.limitH - warmH) * HOUR_MS;
  const started = state.inoculatedAtMs !== null;
  const amber = warmH >= AMBER_SHARE * limit.limitH || (started && lookAtMs !== null && nowMs >= lookAtMs);
  return {
    verdict: amber ? 'amber' : 'running',
    warmH,
    limit,
    limitAtMs,
    text: amber
      ? doubt !== null
        ? `Souring is not confirmed yet. Measure its pH now: a strip in the whey, or pressed on the cheese, will do. ${doubt}`
        : 'Souring is not confirmed yet. Check the batch or measure its pH now.'
      : `Warm for ${warmH.toFixed(1)} h so far, ${limit.limitH} h at most. ${limit.reason}`,
  };
}

/** Whether a make is past its safety clock by its middle line: it is to be discarded. */
export const isOver = (
  state: MakeState,
  { temperature }: Pick<PointForecast, 'temperature'>,
  nowMs: number,
): boolean => safetyOf(state, temperature, nowMs, null).verdict === 'over';
