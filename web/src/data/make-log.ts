import { foldMake, type MakeState } from '@morning-crock/core';
import type { StoredEvent } from '@morning-crock/core/contract';
import { makeEvents, type MakeEvents } from './make-events.ts';
import type { KeptEntry } from './outbox.ts';

/** A make's log, and what it folds to. */
export interface MakeLog extends MakeEvents {
  readonly state: MakeState | null;
  /** It has entries, but they cannot be worked out. */
  readonly unreadable: boolean;
}

/** The latest fold of each log: many places of the page ask for the same. */
const folds = new WeakMap<MakeEvents, MakeLog>();
/** The first state of each list of events that a forecast follows from. */
const shaped = new WeakMap<MakeEvents['shaping'], MakeState>();
const shapedBy = new WeakMap<MakeState, MakeState>();

/** A make's state before what only stands beside it was entered: what is drawn of it stays the same while that does. */
export const shapeOf = (state: MakeState): MakeState => shapedBy.get(state) ?? state;

function remember(log: MakeEvents, state: MakeState): void {
  const first = shaped.get(log.shaping);
  if (!first) shaped.set(log.shaping, state);
  shapedBy.set(state, first ?? state);
}

/** One log that cannot be worked out must not take a page with it that shows many. */
function folded(makeId: string, log: MakeEvents): MakeLog {
  try {
    const state = foldMake(makeId, log.events);
    if (state) remember(log, state);
    return { ...log, state, unreadable: false };
  } catch (error) {
    console.error(error);
    return { ...log, state: null, unreadable: true };
  }
}

/**
 * Folds a log, once for each change of it.
 * @param entries everything that waits on this device
 */
export function makeLog(
  makeId: string,
  stored: readonly StoredEvent[] | undefined,
  entries: readonly KeptEntry[],
): MakeLog {
  const log = makeEvents(makeId, stored, entries);
  let own = folds.get(log);
  if (!own) folds.set(log, (own = folded(makeId, log)));
  return own;
}
