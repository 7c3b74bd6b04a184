import { EVENT_FACTS, type LoggedEvent } from '@morning-crock/core';
import type { DraftEvent, StoredEvent } from '@morning-crock/core/contract';
import type { KeptEntry } from './outbox.ts';

/** All that is written down of a make, with what is kept here among it. */
export interface MakeEvents {
  readonly events: readonly LoggedEvent[];
  /** The events that a forecast follows from; the same list until one of them changes. */
  readonly shaping: readonly LoggedEvent[];
}

interface Known {
  readonly stored: readonly StoredEvent[];
  readonly kept: readonly DraftEvent[];
  readonly log: MakeEvents;
}
/** The latest of each make: many places of the page ask for the same. */
const known = new Map<string, Known>();

const NOTHING_STORED: readonly StoredEvent[] = [];
const NOTHING_KEPT: readonly DraftEvent[] = [];

/** One entry is one entry, kept here or stored: it changes nothing by coming back from the server. */
const same = (a: readonly LoggedEvent[], b: readonly LoggedEvent[]): boolean =>
  a === b || (a.length === b.length && a.every((item, i) => item === b[i] || item.id === b[i]!.id));

/** The drafts of one log that wait here and were not refused. */
function keptOf(makeId: string, entries: readonly KeptEntry[]): readonly DraftEvent[] {
  const kept = entries.filter((e) => e.draft.streamId === makeId && !e.refused);
  return kept.length === 0 ? NOTHING_KEPT : kept.map((e) => e.draft);
}

function changed(before: MakeEvents | undefined, events: readonly LoggedEvent[]): MakeEvents {
  const shaping = events.filter((e) => !EVENT_FACTS[e.type].aside);
  return { events, shaping: before && same(before.shaping, shaping) ? before.shaping : shaping };
}

/**
 * A make's log; the same as long as nothing in it changes.
 * @param entries everything that waits on this device
 */
export function makeEvents(
  makeId: string,
  stored: readonly StoredEvent[] | undefined,
  entries: readonly KeptEntry[],
): MakeEvents {
  const own = stored ?? NOTHING_STORED;
  const kept = keptOf(makeId, entries);
  const before = known.get(makeId);
  if (before?.stored === own && same(before.kept, kept)) return before.log;
  // What came back from the server in this moment may still wait here: it is one entry.
  const waiting = new Set(kept.map(({ id }) => id));
  if (waiting.size > 0) for (const { id } of own) waiting.delete(id);
  const fresh = kept.filter(({ id }) => waiting.has(id));
  const events: readonly LoggedEvent[] = fresh.length === 0 ? own : [...own, ...fresh];
  const log = before && same(before.log.events, events) ? before.log : changed(before?.log, events);
  known.set(makeId, { stored: own, kept, log });
  return log;
}
