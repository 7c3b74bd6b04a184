import { findingEffective, type LoggedEvent } from './effective.ts';
import { toTheEnd } from './to-the-end.ts';

/** What cannot have been as an entry says it, and where in the entry. */
export interface EntryFault {
  readonly path: string;
  readonly message: string;
}

/** A state that is carried from entry to entry, and that can say of the next one whether it can have been. */
export interface Replayed<S> {
  open(): S;
  /** What speaks against an entry; `null` when nothing does, or when it is nothing to this state. */
  fault(state: S, event: LoggedEvent): EntryFault | null;
  /** Carries one entry out, in place. */
  apply(state: S, event: LoggedEvent): void;
}

/** An entry that cannot have been, with what speaks against it. */
export interface Broken {
  readonly event: LoggedEvent;
  readonly fault: EntryFault;
}

/** Entries gone through between two pauses. */
const STRIDE = 64;

/**
 * Goes through a log from its beginning and finds what cannot have been, each entry held against those before it.
 * An entry with a fault is carried out all the same: it is in the log. Pauses now and then, for whoever has others to
 * serve meanwhile.
 */
export function* findingFaults<S>(
  register: Replayed<S>,
  events: readonly LoggedEvent[],
): Generator<void, Map<string, Broken>> {
  const state = register.open();
  const found = new Map<string, Broken>();
  let n = 0;
  for (const event of yield* findingEffective(events)) {
    const fault = register.fault(state, event);
    if (fault) found.set(event.id, { event, fault });
    register.apply(state, event);
    if (++n % STRIDE === 0) yield;
  }
  return found;
}

/**
 * What one entry more (a late one, a correction, an undo) would make impossible: the entries that have a fault with it
 * and none without, in the order of time; empty when the log stands. Pauses now and then.
 */
export function* findingBroken<S>(
  register: Replayed<S>,
  events: readonly LoggedEvent[],
  more: LoggedEvent,
): Generator<void, Broken[]> {
  const before = yield* findingFaults(register, events);
  yield;
  const after = yield* findingFaults(register, [...events, more]);
  return [...after].flatMap(([id, broken]) => (before.has(id) ? [] : [broken]));
}

/** The same as `findingFaults`, at once. */
export const faultsOf = <S>(register: Replayed<S>, events: readonly LoggedEvent[]): Map<string, Broken> =>
  toTheEnd(findingFaults(register, events));

/**
 * The same as `findingBroken`, at once.
 * @example brokenBy(register, log, undoOfTheIntake)[0]?.event // the skimming of that milk
 */
export const brokenBy = <S>(
  register: Replayed<S>,
  events: readonly LoggedEvent[],
  more: LoggedEvent,
): Broken[] => toTheEnd(findingBroken(register, events, more));
