import { keptKind } from '../science/souring/index.ts';
import type { MakeState } from './state.ts';

/** What a make that sours now sours by, and where; `null` for one that does not. */
function souringNow({
  plan,
  current,
  finished,
}: MakeState): { readonly place: string; readonly culture: string } | null {
  if (finished || current?.step.facts.sours !== true || plan.place.kind !== 'room') return null;
  return { place: plan.place.id, culture: keptKind(plan.starter.kind) };
}

/**
 * Other makes that stand open in the same place and sour by another culture: they would mix through the air and by hands.
 * @param others makes under way
 */
export function wouldMix(state: MakeState, others: readonly MakeState[]): readonly MakeState[] {
  const own = souringNow(state);
  if (!own) return [];
  return others.filter((other) => {
    const its = other.id === state.id ? null : souringNow(other);
    return its !== null && its.place === own.place && its.culture !== own.culture;
  });
}

/** Makes that have a tag of this one on their jars as well: one of them is wrong. */
export const sameTags = (
  state: MakeState,
  others: readonly MakeState[],
): readonly { readonly tag: number; readonly make: MakeState }[] =>
  state.tags.flatMap((tag) =>
    others
      .filter((other) => other.id !== state.id && !other.finished && other.tags.includes(tag))
      .map((make) => ({ tag, make })),
  );
