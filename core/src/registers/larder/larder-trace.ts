import type { LarderTrace } from '../../contract/index.ts';
import type { MilkRoom } from '../milk/index.ts';
import type { Larder } from './larder-register.ts';

/**
 * What came of what, from the ledgers of milk and goods: a lot of another lot, a make of the lots poured into it, goods of
 * their make, and a make of the goods that were made into it.
 */
export function larderTraceOf(room: MilkRoom, larder: Larder): LarderTrace {
  const links = new Map<string, LarderTrace['links'][number]>();
  const link = (from: string, to: string): void => {
    links.set(`${from} ${to}`, { from, to });
  };
  for (const { id, parents } of room.lots.values()) for (const parent of parents) link(parent, id);
  for (const { kind, lotId, otherId } of room.lines) {
    if (otherId === null) continue;
    // Poured in, or given as its starter.
    if (kind === 'pour' || kind === 'used') link(lotId, otherId);
    if (kind === 'made' || kind === 'left-under') link(otherId, lotId);
    if (kind === 'pooled-out' || kind === 'put-up') link(lotId, otherId);
  }
  for (const { id, makeId } of larder.goods.values()) if (makeId !== null) link(makeId, id);
  for (const { goodId, into } of larder.lines) if (into !== null) link(goodId, into);
  return {
    lots: [...room.lots.values()].map(({ id, name, source, role, takenInMs }) => ({
      id,
      name,
      source,
      role,
      atMs: takenInMs,
    })),
    links: [...links.values()],
  };
}

/**
 * Everything something came of, or that came of it, the nearest first, without itself.
 * @example traced(links, jarId, 'back') // its make, the cream, the milking
 */
export function traced(links: LarderTrace['links'], id: string, way: 'back' | 'forward'): string[] {
  const next = new Map<string, string[]>();
  for (const { from, to } of links) {
    const [at, on] = way === 'forward' ? [from, to] : [to, from];
    next.set(at, [...(next.get(at) ?? []), on]);
  }
  const seen = new Set([id]);
  const found: string[] = [];
  for (let line = [id]; line.length > 0;) {
    const further: string[] = [];
    for (const at of line)
      for (const on of next.get(at) ?? []) {
        if (seen.has(on)) continue;
        seen.add(on);
        found.push(on);
        further.push(on);
      }
    line = further;
  }
  return found;
}
