import type { InstantBand, StepId } from '../contract/index.ts';
import type { MarkMoment, MarkName, MarkRole } from '../steps/index.ts';
import { seenSetMs } from './seen.ts';
import { souringOf, type MakeState } from './state.ts';

/** A mark as it is foreseen: between when and when. */
export interface ForeseenMark extends MarkName {
  readonly step: StepId;
  readonly band: InstantBand;
}

/** A mark foreseen, and when it was seen. */
export interface Mark extends ForeseenMark {
  /** Seen, it stands: no forecast speaks over it. */
  readonly seenMs: number | null;
}

/** Beyond the horizon, or in a make that has no such mark. */
export const NOWHERE: InstantBand = { p10: null, p50: null, p90: null };

/** When the middle line passes a mark; `null` when it does not. @example markMs(point, 'body') // set */
export const markMs = (point: { readonly marks: readonly MarkMoment[] }, role: MarkRole): number | null =>
  point.marks.find((mark) => mark.role === role)?.atMs ?? null;

/** Between when and when a mark is passed. @example markBand(forecast, 'ready').p50 */
export const markBand = (
  forecast: { readonly marks: readonly ForeseenMark[] },
  role: MarkRole,
): InstantBand => forecast.marks.find((mark) => mark.role === role)?.band ?? NOWHERE;

/** How a make's souring calls one of its marks; empty when nothing sours in it. @example markWords(state, 'body') // 'Thick' */
export const markWords = (state: Pick<MakeState, 'plan' | 'steps'>, role: MarkRole): string =>
  souringOf(state)
    ?.marks(state.plan)
    .find((mark) => mark.role === role)?.words ?? '';

/** When a mark was seen, ms since 1970; `null` when nobody said so. */
function seenOf(state: MakeState, mark: ForeseenMark): number | null {
  // The break of a later load: "broken-2" is the second that was seen.
  const nth = /^broken-(\d+)$/.exec(mark.id)?.[1];
  if (nth !== undefined)
    return state.stages.filter(({ stage }) => stage === 'broken')[Number(nth) - 1]?.atMs ?? null;
  const stage = [...state.stages, ...state.panStages].find((seen) => seen.stage === mark.id);
  if (stage) return stage.atMs;
  return mark.role === 'body' ? seenSetMs(state) : null;
}

/** The marks of a make in the order they are passed, foreseen and seen. */
export const marksOf = (
  state: MakeState,
  forecast: { readonly marks: readonly ForeseenMark[] },
): readonly Mark[] => forecast.marks.map((mark) => ({ ...mark, seenMs: seenOf(state, mark) }));
