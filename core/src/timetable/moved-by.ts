import type { DayHands } from './hands.ts';
import type { DaySlot } from './problem.ts';
import type { Relaid } from './relay.ts';

/** Hands that should have begun so long ago are late, min. */
const OVERDUE_MIN = 2;

/** Why steps of a day are at another time. */
export type MovedBy =
  /** A batch about which something was told takes longer, or less: its step is so much later. */
  | { readonly by: 'batch'; readonly make: string; readonly step: string; readonly minutes: number }
  /** Hands that were planned for then are not done. */
  | { readonly by: 'overdue'; readonly make: string; readonly step: string; readonly was: number };

/**
 * Why what moved has moved, the likeliest first: something was told of a batch and it goes otherwise than thought; what was due is
 * not done; else the first step that moved.
 * @param before the timetable so far
 * @param told batches about which something was told since then
 * @returns `null` when nothing moved
 */
export function movedBy(of: {
  readonly moved: Relaid['moved'];
  readonly hands: readonly DayHands[];
  readonly before: readonly DaySlot[];
  readonly told: ReadonlySet<string>;
  readonly nowMin: number;
}): MovedBy | null {
  const { moved, hands, before, told, nowMin } = of;
  const inOrder = [...moved].sort((a, b) => a.was - b.was);
  const batch = (one: Relaid['moved'][number] | undefined): MovedBy | null =>
    one ? { by: 'batch', make: one.make, step: one.task, minutes: one.now - one.was } : null;
  const own = batch(inOrder.find(({ make }) => told.has(make)));
  if (own || moved.length === 0) return own;
  const overdue = before
    .filter(
      ({ make, task, from }) =>
        from < nowMin - OVERDUE_MIN && hands.some((h) => h.make === make && h.step === task),
    )
    .sort((a, b) => a.from - b.from)[0];
  return overdue
    ? { by: 'overdue', make: overdue.make, step: overdue.task, was: overdue.from }
    : batch(inOrder[0]);
}
