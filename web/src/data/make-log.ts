import { EVENT_FACTS, foldMake, type LoggedEvent, type MakeState } from '@morning-crock/core';
import type { DraftEvent, StoredEvent } from '@morning-crock/core/contract';
import type { KeptEntry } from './outbox.ts';

/** All that is written down of a make, what is kept here among it, and what it folds to. */
export interface MakeLog {
  readonly events: readonly LoggedEvent[];
  readonly state: MakeState | null;
  /** The events that a forecast follows from; the same list until one of them changes. */
  readonly shaping: readonly LoggedEvent[];
  /** It has entries, but they cannot be worked out. */
  readonly unreadable: boolean;
}

interface Fold {
  readonly stored: readonly StoredEvent[];
  readonly kept: readonly DraftEvent[];
  readonly log: MakeLog;
}
/** The latest fold of each log: many places of the page ask for the same. */
const folds = new Map<string, Fold>();

const NOTHING_STORED: readonly StoredEvent[] = [];
const NOTHING_KEPT: readonly DraftEvent[] = [];

const same = <T>(a: readonly T[], b: readonly T[]): boolean =>
  a === b || (a.length === b.length && a.every((item, i) => item === b[i]));

/** The drafts of one log that wait here and were not refused. */
function keptOf(makeId: string, entries: readonly KeptEntry[]): readonly DraftEvent[] {
  const kept = entries.filter((e) => e.draft.streamId === makeId && !e.refused);
  return kept.length === 0 ? NOTHING_KEPT : kept.map((e) => e.draft);
}

/** One log that cannot be worked out must not take a page with it that shows many. */
function folded(makeId: string, events: readonly LoggedEvent[]): Pick<MakeLog, 'state' | 'unreadable'> {
  try {
    return { state: foldMake(makeId, events), unreadable: false };
  } catch (error) {
    console.error(error);
    return { state: null, unreadable: true };
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
  const known = stored ?? NOTHING_STORED;
  const kept = keptOf(makeId, entries);
  const before = folds.get(makeId);
  if (before?.stored === known && same(before.kept, kept)) return before.log;
  const events: readonly LoggedEvent[] = kept.length === 0 ? known : [...known, ...kept];
  const fresh = events.filter((e) => !EVENT_FACTS[e.type].aside);
  const log: MakeLog = {
    events,
    ...folded(makeId, events),
    shaping: before && same(before.log.shaping, fresh) ? before.log.shaping : fresh,
  };
  folds.set(makeId, { stored: known, kept, log });
  return log;
}
