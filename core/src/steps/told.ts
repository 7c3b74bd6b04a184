import type { EventOf, EventType } from '../contract/index.ts';
import type { LoggedEvent } from '../log/index.ts';

/** What hands told of a kind of step: a state of its own, folded from its own entries. */
export interface Told<S> {
  /** @param events what counts of a make, in order */
  readonly reduce: (events: readonly LoggedEvent[]) => S;
}
/** The state of a step's own, by what it is called. */
export type ToldOf = <S>(of: Told<S>) => S;

const known = new WeakMap<readonly LoggedEvent[], Map<Told<unknown>, unknown>>();

/**
 * What was told of a kind of step. It is folded once for each state of a make, when somebody asks.
 * @example told(state, CHURN_TOLD).stages.at(-1)?.stage // 'soft'
 */
export function told<S>({ events }: { readonly events: readonly LoggedEvent[] }, of: Told<S>): S {
  let states = known.get(events);
  if (!states) known.set(events, (states = new Map<Told<unknown>, unknown>()));
  if (!states.has(of)) states.set(of, of.reduce(events));
  return states.get(of) as S;
}

/** The entries of one type. */
export const entriesOf = <T extends EventType>(events: readonly LoggedEvent[], type: T): EventOf<T>[] =>
  events.filter((event): event is Extract<LoggedEvent, { type: T }> => event.type === type);
