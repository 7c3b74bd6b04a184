import type { DayHands } from './hands.ts';
import type { DaySlot } from './problem.ts';
import type { Relaid } from './relay.ts';

/** Hands that should have begun so long ago are late, min. */
const OVERDUE_MIN = 2;

type Moved = Relaid['moved'];

/**
 * What has moved over two layings of which nobody can have read the first: each step from where it stood before both.
 * @param earlier what the first moved
 * @param moved what the second moved
 * @param hands what is still to come after it; what is done has no new time any more
 */
export function movedSince(earlier: Moved, moved: Moved, hands: readonly DayHands[]): Moved {
  const same = (a: Moved[number]) => (b: Moved[number]) => a.make === b.make && a.task === b.task;
  return [
    ...earlier.filter((one) => !moved.some(same(one))),
    ...moved.map((one) => ({ ...one, was: earlier.find(same(one))?.was ?? one.was })),
  ].filter(
    (one) => one.was !== one.now && hands.some(({ make, step }) => make === one.make && step === one.task),
  );
}

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
  // What hands are at already ends at another time, and began when it began: that is "0 min later".
  const begins = inOrder.filter(({ was, now }) => Math.abs(was - now) >= 1);
  const batch = (one: Relaid['moved'][number] | undefined): MovedBy | null =>
    one ? { by: 'batch', make: one.make, step: one.task, minutes: one.now - one.was } : null;
  const own = batch(begins.find(({ make }) => told.has(make)));
  if (own || moved.length === 0) return own;
  const overdue = before
    .filter(
      ({ make, task, from }) =>
        from < nowMin - OVERDUE_MIN && hands.some((h) => h.make === make && h.step === task),
    )
    .sort((a, b) => a.from - b.from)[0];
  return overdue
    ? { by: 'overdue', make: overdue.make, step: overdue.task, was: overdue.from }
    : batch(begins[0] ?? inOrder[0]);
}
