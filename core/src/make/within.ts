import { STEP_TYPES, type Within } from '../steps/index.ts';
import { makeAt } from './make-at.ts';
import type { MakeState } from './state.ts';

/** How the present step stands within itself: a load, a try; `null` where there is one end and no more. */
export const withinOf = (state: MakeState): Within | null =>
  (state.current && STEP_TYPES[state.current.step.kind].within?.(state)) ?? null;

/** When the present step's bells ring where it knows better than the forecast; by how it began, so that they stand still. */
export const bellsOf = (state: MakeState): { readonly earlyMs: number; readonly middleMs: number } | null =>
  (state.current &&
    STEP_TYPES[state.current.step.kind].bells?.(makeAt(state, state.current.startedAtMs ?? 0))) ??
  null;

/** What the one large button says: a step is called done by it, or a load of it. @example doneWordsOf(state) // 'Load 2 is in' */
export const doneWordsOf = (state: MakeState): string | null =>
  withinOf(state)?.doneWords ?? state.current?.step.doneWords ?? null;

/** What to do now, in a sentence. */
export const doingOf = (state: MakeState): string =>
  withinOf(state)?.doing ?? state.current?.step.doing ?? '';
