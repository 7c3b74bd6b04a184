import { findingEffective } from '@morning-crock/core';
import type { StoredEvent } from '@morning-crock/core/contract';

/** Entries carried out between two pauses. */
const STRIDE = 64;

/**
 * Folds what can be folded: a stream with an entry that cannot be carried out is left out with all its entries, and the
 * rest stands. Pauses now and then.
 * @returns the state, and the streams that were left out
 */
export function* foldingReadable<S>(
  spec: { open(): S; apply(state: S, event: StoredEvent): void },
  events: readonly StoredEvent[],
): Generator<void, { readonly state: S; readonly unreadable: ReadonlySet<string> }> {
  const unreadable = new Set<string>();
  for (;;) {
    const kept = unreadable.size === 0 ? events : events.filter((e) => !unreadable.has(e.streamId));
    const state = spec.open();
    let culprit: string | null = null;
    let n = 0;
    for (const event of yield* findingEffective(kept)) {
      try {
        spec.apply(state, event as StoredEvent);
      } catch {
        culprit = event.streamId;
        break;
      }
      if (++n % STRIDE === 0) yield;
    }
    if (culprit === null) return { state, unreadable };
    unreadable.add(culprit);
  }
}
