import type { Cue } from '../science/souring/index.ts';
import { formatMinutes, HOUR_MS, MINUTE_MS } from '../science/units/index.ts';
import type { BandForecast } from './forecast.ts';
import type { SafetyState } from './safety.ts';
import { STEP_TYPES, whenThere, type Alarm } from '../steps/index.ts';
import { dueMs, isLate } from './moments.ts';
import { markBand, markWords } from './marks.ts';
import { setDoubt, shownAcidAtMs } from './safety.ts';
import { seenSetMs } from './seen.ts';
import { bellsOf, doneWordsOf, withinOf } from './within.ts';
import { makeAt } from './make-at.ts';
import { souringOf, type MakeState } from './state.ts';

export type { Alarm } from '../steps/index.ts';
import { nextTurn } from './turns.ts';

/** Cues of what was left too long. */
const TOO_FAR: ReadonlySet<Cue> = new Set(['whey-shows', 'curdled']);

type Rule = (
  state: MakeState,
  forecast: BandForecast,
  safety: SafetyState,
) => Alarm | readonly Alarm[] | null;

const incubating = (state: MakeState): boolean => state.current?.step.facts.sours === true;
/** An alarm of a step: of each load, and of each try, it is another. */
const inTurn = (state: MakeState, id: string): string => `${id}${withinOf(state)?.suffix ?? ''}`;
const wordsOf = (state: MakeState) => souringOf(state)?.words;
/** Hands of a step begin so long before its end, ms. */
const leadMs = ({ leadMin = 0 }: { readonly leadMin?: number }): number => leadMin * MINUTE_MS;
/** An alarm of a souring: where a make sours again, what was silenced in one round rings in the next. */
const inRound = (state: MakeState, id: string): string =>
  state.roundFromMs === null ? id : `${id}-${state.current?.step.id ?? ''}`;
const whey = (state: MakeState): boolean =>
  state.acidity.some(({ reading }) => reading.kind === 'cue' && TOO_FAR.has(reading.cue));

/** Past its safety clock: of what is to be discarded nothing else is asked any more. */
const doNotTaste: Rule = (state, _forecast, safety) =>
  safety.verdict === 'over'
    ? {
        id: inRound(state, 'safety-over'),
        dueAtMs: 0,
        rank: 0,
        mustAct: true,
        title: 'Do not taste',
        text: safety.text,
      }
    : null;

/** One entry an alarm. */
const RULES: readonly Rule[] = [
  doNotTaste,
  (state, _forecast, safety) =>
    safety.limitAtMs !== null && state.inoculatedAtMs !== null && safety.verdict !== 'acid'
      ? {
          id: inRound(state, 'safety-limit'),
          dueAtMs:
            safety.verdict === 'amber'
              ? 0
              : safety.limitAtMs - 0.25 * (safety.limit.limitH ?? 0) * 60 * MINUTE_MS,
          rank: 2,
          mustAct: true,
          title: 'Check for souring',
          text:
            setDoubt(state) !== null
              ? 'Measure the pH of the whey. Souring is not confirmed yet, and a rennet set proves nothing.'
              : 'Tilt the jar, smell it or measure the pH. Souring is not confirmed yet.',
        }
      : null,
  (state, forecast) => {
    const step = state.current?.step;
    if (!step?.due || withinOf(state)?.over) return null;
    const time = forecast.point.steps.find((s) => s.id === step.id);
    if (!time || time.endless) return null;
    return {
      id: inTurn(state, `step-${step.id}`),
      dueAtMs: (bellsOf(state)?.middleMs ?? time.endMs) - leadMs(step),
      rank: 1,
      mustAct: step.mustAct,
      ...step.due,
    };
  },
  (state, forecast) => {
    const step = state.current?.step;
    if (!step?.early || withinOf(state)?.over) return null;
    const earlyMs =
      bellsOf(state)?.earlyMs ??
      forecast.point.steps.find((s) => s.id === step.id)?.callMs ??
      forecast.steps.find((s) => s.step === step.id)?.end.p10 ??
      null;
    if (earlyMs === null) return null;
    return {
      id: inTurn(state, `early-${step.id}`),
      dueAtMs: earlyMs - leadMs(step),
      rank: 1,
      mustAct: step.mustAct,
      ...step.early,
    };
  },
  // What rings because of a step besides its end: each knows its own.
  (state) => {
    const at = makeAt(state, state.current?.startedAtMs ?? 0);
    return state.steps.flatMap((own) => STEP_TYPES[own.step.kind].alarms?.(at, own) ?? []);
  },
  (state, forecast) => {
    const turn = nextTurn(state, forecast.point);
    if (!turn) return null;
    return {
      id: `turn-${turn.step}-${turn.no}`,
      dueAtMs: turn.atMs,
      rank: 5,
      mustAct: false,
      title: turn.words,
      text: `${turn.words} (${turn.no} of ${turn.of}).`,
    };
  },
  (state, forecast) => {
    const earlyMs = markBand(forecast, 'body').p10;
    if (!incubating(state) || earlyMs === null || shownAcidAtMs(state) !== null) return null;
    return {
      id: inRound(state, 'look-now'),
      dueAtMs: whenThere(state.plan, earlyMs),
      rank: 4,
      mustAct: false,
      ...(seenSetMs(state) === null
        ? { title: 'Check now', text: wordsOf(state)?.look ?? '' }
        : { title: 'Is it sour?', text: wordsOf(state)?.notShown ?? '' }),
    };
  },
  (state, forecast) => {
    const readyMs = markBand(forecast, 'ready').p50;
    if (!incubating(state) || readyMs === null) return null;
    return {
      id: inRound(state, 'set'),
      dueAtMs: whenThere(state.plan, readyMs),
      rank: 3,
      mustAct: false,
      ...(seenSetMs(state) === null
        ? { title: markWords(state, 'body'), text: wordsOf(state)?.reached ?? '' }
        : { title: 'Sour enough', text: 'Should be as sour as you want. Check, then go on.' }),
    };
  },
  (state, forecast) => {
    const pastMs = markBand(forecast, 'past').p10;
    if (!incubating(state) || pastMs === null) return null;
    return {
      id: inRound(state, 'too-sour'),
      dueAtMs: Math.max(pastMs, markBand(forecast, 'ready').p50 ?? 0) + 1,
      rank: whey(state) ? 2 : 3,
      mustAct: true,
      title: 'Soon too sour',
      text: 'Will soon be sourer than you want. Chill now.',
    };
  },
];

/** The alarms of a make, unacknowledged, the most urgent first. Due times are compared with the clock by the page. */
export function alarmsOf(state: MakeState, forecast: BandForecast, safety: SafetyState): Alarm[] {
  if (state.finished) return [];
  const rules = safety.verdict === 'over' ? [doNotTaste] : RULES;
  return rules
    .flatMap((rule) => rule(state, forecast, safety) ?? [])
    .filter((alarm) => !state.acknowledged.has(alarm.id))
    .sort((a, b) => a.rank - b.rank || a.dueAtMs - b.dueAtMs);
}

/** The next moment hands are needed in a make. */
export interface NextHands {
  /** What hands do then, in the words it is called done with. */
  readonly act: string;
  readonly atMs: number;
  readonly mustAct: boolean;
  /** Since when they have been needed, where that is a while ago; `atMs` is never long past. */
  readonly sinceMs?: number;
}

/** Since when hands have been needed, where that is a while ago. */
const since = (sinceMs: number | null, nowMs: number): { readonly sinceMs?: number } =>
  isLate(sinceMs, nowMs) ? { sinceMs } : {};

/** Since when a batch is past its safety clock, ms. */
const overSinceMs = ({ warmH, limit }: SafetyState, nowMs: number): number =>
  nowMs - (warmH - (limit.limitH ?? warmH)) * HOUR_MS;

/** When the present step wants hands; `null` when nothing is left. What is past its safety clock is to be discarded, whatever its step. */
export function nextHands(
  state: MakeState,
  forecast: BandForecast,
  safety: SafetyState,
  nowMs: number,
): NextHands | null {
  const { current } = state;
  if (state.finished) return null;
  if (safety.verdict === 'over')
    return { act: 'Discard this batch', atMs: overSinceMs(safety, nowMs), mustAct: true };
  if (!current) return null;
  const time = forecast.point.steps.find((s) => s.id === current.step.id);
  if (!current.step.facts.waits || !time)
    return {
      act: current.step.title,
      atMs: Math.max(nowMs, current.startedAtMs ?? nowMs),
      mustAct: current.step.mustAct,
      ...since(current.startedAtMs, nowMs),
    };
  const atMs = current.step.facts.sours
    ? whenThere(state.plan, markBand(forecast, 'ready').p50 ?? time.endMs)
    : (bellsOf(state)?.middleMs ?? time.endMs) - leadMs(current.step);
  const turn = nextTurn(state, forecast.point);
  if (turn && turn.atMs < atMs) return { act: turn.words, atMs: turn.atMs, mustAct: false };
  return {
    act: doneWordsOf(state) ?? current.step.doneWords,
    atMs,
    mustAct: current.step.mustAct,
    ...(current.step.facts.sours || atMs > nowMs + MINUTE_MS
      ? {}
      : since(dueMs(state, forecast.point), nowMs)),
  };
}

/** Plain words for a contradiction between a reading and the model. */
export function contradictionWords(forecast: BandForecast): string | null {
  if (!forecast.contradiction) return null;
  const { hour, direction } = forecast.contradiction;
  const when = `The reading ${formatMinutes(hour * 60)} after inoculation does not fit the forecast.`;
  return direction === 'slower'
    ? `${when} The milk is much less sour than expected. It may be colder than shown, or the starter weak. Measure the milk with a probe.`
    : `${when} The milk is much sourer than expected. It may be warmer than shown, or have more starter. Check the pH meter in a buffer.`;
}
