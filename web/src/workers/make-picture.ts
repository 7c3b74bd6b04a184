import {
  alarmsOf,
  DISCARDED,
  doneEntries,
  doneWordsOf,
  markBand,
  momentsOf,
  nextHands,
  safetyOf,
  seenSetMs,
  type Alarm,
  type BandForecast,
  type HandsMoment,
  type MakeState,
  type NextHands,
  type Said,
} from '@morning-crock/core';
import type { InstantBand } from '@morning-crock/core/contract';
import type { CrockLook } from '../parts/drawings/CrockDrawing.tsx';
import { crockLook } from '../parts/drawings/crock-look.ts';

/** A moment that needs hands, as it is shown. */
export type Knot = Pick<HandsMoment, 'atMs' | 'title' | 'mustAct'>;

/** A make under way as the shelf, the clock line and the alarms want it: plain data, small, worked out beside the page. */
export interface MakePicture {
  readonly id: string;
  readonly name: string;
  readonly tags: readonly number[];
  readonly look: CrockLook;
  /** Past its safety clock: nobody is to taste it. */
  readonly over: boolean;
  /** Its times are known; until then it stands there as its log has it. */
  readonly timed: boolean;
  /** While it sours: what it will be, and when. */
  readonly ready: { readonly words: string; readonly band: InstantBand } | null;
  /** The present step, and until when it was planned to last. */
  readonly step: { readonly title: string; readonly plannedEndMs: number | null } | null;
  readonly alarms: readonly Alarm[];
  readonly next: NextHands | null;
  /** Hands to come, however far off. */
  readonly knots: readonly Knot[];
  /** What the large button says, what to do until it is due and then; `null` when all is done. */
  readonly now: { readonly doneWords: string; readonly doing: string; readonly whenDue: string } | null;
  /** What is recorded when that button is pressed. */
  readonly done: readonly Said[];
}

function nowOf(state: MakeState): MakePicture['now'] {
  const step = state.current?.step;
  if (!step) return null;
  const after = state.steps[state.steps.findIndex((s) => s.status === 'current') + 1]?.step;
  // What goes by itself is over then: what comes next is to be done.
  const doing = step.facts.waits ? (after ?? step).doing : step.doing;
  return {
    doneWords: doneWordsOf(state) ?? step.doneWords,
    doing,
    whenDue: step.facts.waits ? (step.due?.text ?? doing) : doing,
  };
}

/**
 * The picture of a make under way.
 * @param forecast `null` while its times are not known
 * @param nowMs the present, ms since 1970
 */
export function makePicture(state: MakeState, forecast: BandForecast | null, nowMs: number): MakePicture {
  const { current, planned } = state;
  const own = {
    id: state.id,
    name: state.plan.name,
    tags: state.tags,
    step: current && {
      title: current.step.title,
      plannedEndMs: planned?.steps.find(({ step }) => step === current.step.id)?.end.p50 ?? null,
    },
    now: nowOf(state),
    done: doneEntries(state),
  };
  if (!forecast)
    return {
      ...own,
      look: crockLook(state, null, null, nowMs),
      over: false,
      timed: false,
      ready: null,
      alarms: [],
      next: null,
      knots: [],
    };
  const safety = safetyOf(state, forecast.point.temperature, nowMs, markBand(forecast, 'safe').p90);
  const ready = markBand(forecast, 'ready');
  const over = safety.verdict === 'over';
  return {
    ...own,
    look: crockLook(state, forecast.point, safety, nowMs),
    over,
    now: over ? { doneWords: 'Discard batch', doing: safety.text, whenDue: safety.text } : own.now,
    done: over ? [DISCARDED] : own.done,
    timed: true,
    ready:
      !over && current?.step.facts.sours && ready.p50 !== null
        ? { words: seenSetMs(state) === null ? 'ready' : 'sour enough', band: ready }
        : null,
    alarms: alarmsOf(state, forecast, safety),
    next: nextHands(state, forecast, safety, nowMs),
    knots: (over ? [] : momentsOf(state, forecast)).map(({ atMs, title, mustAct }) => ({
      atMs,
      title,
      mustAct,
    })),
  };
}
