import { STAGE_WORDS } from '../science/butter/index.ts';
import type { Cue } from '../science/souring/index.ts';
import { formatMinutes, MINUTE_MS } from '../science/units/index.ts';
import type { BandForecast } from './forecast.ts';
import type { SafetyState } from './safety.ts';
import { whenThere } from '../steps/index.ts';
import { markBand, markWords } from './marks.ts';
import { renneted, shownAcidAtMs } from './safety.ts';
import { seenSetMs } from './seen.ts';
import { breakOfLoad, churnLoads, doneWordsOf, loadStanding } from './loads-on-the-clock.ts';
import { preparedFromMs } from './prepared-from.ts';
import { churningNow, lateStage, tooLongFromMs } from './too-long.ts';
import { souringOf, type MakeState, type TemperatureReading } from './state.ts';
import { nextTurn } from './turns.ts';

/** Something to be told at a time. Lower rank spoils faster. */
export interface Alarm {
  /** Stable while the make does not change its mind about what this is. */
  readonly id: string;
  readonly dueAtMs: number;
  readonly rank: number;
  readonly mustAct: boolean;
  readonly title: string;
  readonly text: string;
  /** It fills every screen: a few minutes decide. */
  readonly fills?: boolean;
}

/** Cues of what was left too long. */
const TOO_FAR: ReadonlySet<Cue> = new Set(['whey-shows', 'curdled']);

type Rule = (state: MakeState, forecast: BandForecast, safety: SafetyState) => Alarm | null;

const incubating = (state: MakeState): boolean => state.current?.step.facts.sours === true;
/** What was seen to break needs no bell for it. */
const hasBroken = (state: MakeState): boolean => loadStanding(state)?.broke === true;
/** An alarm of a load: what was silenced in one rings in the next. */
const ofLoad = (state: MakeState, id: string): string => {
  const no = loadStanding(state)?.no ?? 1;
  return no === 1 ? id : `${id}-load-${no}`;
};
/** Tried and not ready, it rings again at the next try. */
const ofTry = ({ current, curd }: MakeState, id: string): string => {
  const tries = curd.tries.filter(({ step, clean }) => step === current?.step.id && !clean).length;
  return tries === 0 ? id : `${id}-try-${tries}`;
};
const wordsOf = (state: MakeState) => souringOf(state)?.words;
/** Hands of a step begin so long before its end, ms. */
const leadMs = ({ leadMin = 0 }: { readonly leadMin?: number }): number => leadMin * MINUTE_MS;
/** An alarm of a souring: where a make sours again, what was silenced in one round rings in the next. */
const inRound = (state: MakeState, id: string): string =>
  state.roundFromMs === null ? id : `${id}-${state.current?.step.id ?? ''}`;
const whey = (state: MakeState): boolean =>
  state.acidity.some(({ reading }) => reading.kind === 'cue' && TOO_FAR.has(reading.cue));

/** What was last read in the present step, °C. */
function readNow({ current, temperatures }: MakeState): TemperatureReading | null {
  const last = temperatures.at(-1);
  return current && last && last.atMs >= (current.startedAtMs ?? 0) ? last : null;
}

/** One entry an alarm. */
const RULES: readonly Rule[] = [
  (state) => {
    const tooHot = state.current?.step.facts.tooHot;
    const read = readNow(state);
    if (!tooHot || !read || read.celsius < tooHot.celsius) return null;
    const smokes = read.celsius >= tooHot.smokesC;
    return {
      id: `too-hot-${read.atMs}`,
      dueAtMs: 0,
      rank: 0,
      mustAct: true,
      fills: true,
      title: smokes ? 'Smoking: heat off, lid on' : 'Too hot: off the heat',
      text: smokes
        ? 'Never put water on hot fat. Leave the lid on until the pan is cool. Do not carry the pan.'
        : 'The ghee is browning by the minute and will turn bitter. Take the pan off the heat and let it rest.',
    };
  },
  (state, _forecast, safety) =>
    safety.verdict === 'over'
      ? {
          id: inRound(state, 'safety-over'),
          dueAtMs: 0,
          rank: 0,
          mustAct: true,
          title: 'Do not taste',
          text: safety.text,
        }
      : null,
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
          text: renneted(state)
            ? 'Measure the pH of the whey. Souring is not confirmed yet, and a rennet set proves nothing.'
            : 'Tilt the jar, smell it or measure the pH. Souring is not confirmed yet.',
        }
      : null,
  (state, forecast) => {
    const step = state.current?.step;
    if (!step?.due || (step.facts.parts && hasBroken(state))) return null;
    const time = forecast.point.steps.find((s) => s.id === step.id);
    if (!time || time.endless) return null;
    const endMs = (step.facts.parts && breakOfLoad(state)?.middleMs) || time.endMs;
    return {
      id: ofTry(state, ofLoad(state, `step-${step.id}`)),
      dueAtMs: endMs - leadMs(step),
      rank: 1,
      mustAct: step.mustAct,
      ...step.due,
    };
  },
  (state, forecast) => {
    const step = state.current?.step;
    const early =
      (step?.facts.parts ? breakOfLoad(state)?.earlyMs : null) ??
      forecast.point.steps.find((s) => s.id === step?.id)?.callMs ??
      forecast.steps.find((s) => s.step === step?.id)?.end.p10 ??
      null;
    if (!step?.early || early === null || hasBroken(state)) return null;
    return {
      id: ofLoad(state, `early-${step.id}`),
      dueAtMs: early - leadMs(step),
      rank: 1,
      mustAct: step.mustAct,
      ...step.early,
    };
  },
  (state) => {
    // From when on it is too long follows from how it began.
    const run = hasBroken(state) ? null : churningNow(state, state.current?.startedAtMs ?? 0);
    if (!run) return null;
    return {
      id: ofLoad(state, 'slow-churning'),
      dueAtMs: tooLongFromMs(run),
      rank: 3,
      mustAct: false,
      title: 'Churning takes too long',
      text: 'This has taken twice the longest time expected. Measure the cream’s temperature.',
    };
  },
  (state) => {
    const run = hasBroken(state) ? null : churningNow(state, state.current?.startedAtMs ?? 0);
    const late = run && lateStage(run);
    if (!late) return null;
    return {
      id: ofLoad(state, `late-${late.stage}`),
      dueAtMs: late.atMs,
      rank: 4,
      mustAct: false,
      title: late.stage === 'froth' ? 'Still liquid?' : `Not ${STAGE_WORDS[late.stage]} yet?`,
      text: `By now the cream is usually at “${STAGE_WORDS[late.stage]}”. Mark what you see. If it is not there, measure the cream’s temperature.`,
    };
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
  (state) => {
    const next = state.current?.step.facts.parts
      ? churnLoads(state, state.current.startedAtMs ?? 0)?.next
      : null;
    if (!next) return null;
    return {
      id: `take-out-load-${next.no}`,
      dueAtMs: next.takeOutMs,
      rank: 5,
      mustAct: false,
      title: `Take out load ${next.no}`,
      text: 'Take the cream out of the fridge now, so it is at temperature when the churn is free.',
    };
  },
  (state) => {
    const dueAtMs = preparedFromMs(state);
    if (dueAtMs === null) return null;
    return {
      id: 'prepare',
      dueAtMs,
      rank: 6,
      mustAct: false,
      title: 'Get ready tonight',
      text: 'Put water in the fridge and set out ice, cloth and mould. The churning step lists all you need.',
    };
  },
  (state) => {
    const iced = state.iced;
    // Weighed and put by, it firms in the cold.
    if (!iced || !state.current || state.current.step.facts.inThePot === 'cold') return null;
    return {
      id: `iced-${iced.toMs}`,
      dueAtMs: iced.toMs,
      rank: 5,
      mustAct: false,
      title: 'Is the butter firm?',
      text: 'Press the butter with a spoon. When it is firm but not hard, take it out of the iced water and go on.',
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
        : { title: 'Sour enough', text: 'Should be as sour as you want. Check, then chill.' }),
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
  return RULES.flatMap((rule) => rule(state, forecast, safety) ?? [])
    .filter((alarm) => !state.acknowledged.has(alarm.id))
    .sort((a, b) => a.rank - b.rank || a.dueAtMs - b.dueAtMs);
}

/** The next moment hands are needed in a make. */
export interface NextHands {
  /** What hands do then, in the words it is called done with. */
  readonly act: string;
  readonly atMs: number;
  readonly mustAct: boolean;
}

/** When the present step wants hands; `null` when nothing is left. */
export function nextHands(state: MakeState, forecast: BandForecast, nowMs: number): NextHands | null {
  const { current } = state;
  if (!current || state.finished) return null;
  const time = forecast.point.steps.find((s) => s.id === current.step.id);
  if (!current.step.facts.waits || !time)
    return {
      act: current.step.title,
      atMs: Math.max(nowMs, current.startedAtMs ?? nowMs),
      mustAct: current.step.mustAct,
    };
  const atMs = current.step.facts.sours
    ? whenThere(state.plan, markBand(forecast, 'ready').p50 ?? time.endMs)
    : (breakOfLoad(state)?.middleMs ?? time.endMs) - leadMs(current.step);
  const turn = nextTurn(state, forecast.point);
  if (turn && turn.atMs < atMs) return { act: turn.words, atMs: turn.atMs, mustAct: false };
  return { act: doneWordsOf(state) ?? current.step.doneWords, atMs, mustAct: current.step.mustAct };
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
