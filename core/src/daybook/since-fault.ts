import type { MakeSummary, ProductId } from '../contract/index.ts';
import type { ComplaintId, Suspect } from '../science/causes/index.ts';

/** A fault whose cause was found, and how its product has come out since. */
export interface SinceFault {
  readonly product: ProductId;
  readonly complaint: ComplaintId;
  /** What it turned out to be the first time. */
  readonly cause: Suspect;
  readonly makeId: string;
  readonly atMs: number;
  /** Batches of the product that were finished since, and how many of them had the same complaint. */
  readonly since: number;
  readonly again: number;
}

/** After so many batches it is told whether what was changed has helped. */
export const TELLS_AFTER = 3;

/**
 * Whether what was changed after a fault has helped: the first time its cause was found, and how it went from then on. The latest
 * fault comes first.
 * @param makes lines that are over, in any order
 */
export function sinceFaults(makes: readonly MakeSummary[]): SinceFault[] {
  const inOrder = [...makes].sort((a, b) => (a.startedAt < b.startedAt ? -1 : 1));
  const found = new Map<string, SinceFault>();
  for (const { id, product, startedAt, faults = [] } of inOrder) {
    if (product === null) continue;
    for (const [key, before] of found)
      if (before.product === product)
        found.set(key, {
          ...before,
          since: before.since + 1,
          again: before.again + (faults.some(({ complaint }) => complaint === before.complaint) ? 1 : 0),
        });
    for (const { complaint, settled } of faults) {
      const key = `${product} ${complaint}`;
      if (found.has(key)) continue;
      const cause = settled === 'none' ? null : settled;
      found.set(key, {
        product,
        complaint,
        cause,
        makeId: id,
        atMs: Date.parse(startedAt),
        since: 0,
        again: 0,
      });
    }
  }
  return [...found.values()].sort((a, b) => b.atMs - a.atMs);
}
