import type { InstantBand, StepId } from '../contract/index.ts';
import { STEP_TYPES, type MarkMoment, type MarkName, type MarkRole } from '../steps/index.ts';
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
  const step = state.steps.find((one) => one.step.id === mark.step)?.step;
  const seenMs = step ? STEP_TYPES[step.kind].markSeen?.(state, mark.id) : undefined;
  if (seenMs !== undefined) return seenMs;
  return mark.role === 'body' ? seenSetMs(state) : null;
}

/** The marks of a make in the order they are passed, foreseen and seen. */
export const marksOf = (
  state: MakeState,
  forecast: { readonly marks: readonly ForeseenMark[] },
): readonly Mark[] => forecast.marks.map((mark) => ({ ...mark, seenMs: seenOf(state, mark) }));
