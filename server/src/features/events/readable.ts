import type { StoredEvent } from '@morning-crock/core/contract';

/**
 * Folds what can be folded: a stream that makes the fold fail is left out with all its entries, and the rest stands.
 * @returns the state, and the streams that were left out
 */
export function foldReadable<S>(
  spec: { fold(events: readonly StoredEvent[]): S },
  events: readonly StoredEvent[],
): { readonly state: S; readonly unreadable: ReadonlySet<string> } {
  const unreadable = new Set<string>();
  let kept = events;
  for (;;) {
    try {
      return { state: spec.fold(kept), unreadable };
    } catch (error) {
      const culprit = firstFailing(spec, kept);
      if (culprit === null) throw error;
      unreadable.add(culprit.streamId);
      kept = kept.filter((event) => event.streamId !== culprit.streamId);
    }
  }
}

/** The entry with which a log that could be folded no longer can. */
function firstFailing(
  spec: { fold(events: readonly StoredEvent[]): unknown },
  events: readonly StoredEvent[],
): StoredEvent | null {
  let good = 0;
  let bad = events.length;
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    try {
      spec.fold(events.slice(0, middle));
      good = middle;
    } catch {
      bad = middle;
    }
  }
  return events[bad - 1] ?? null;
}
