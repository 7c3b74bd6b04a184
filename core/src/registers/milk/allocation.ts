import type { Lot, LotPour } from '../../contract/index.ts';
import { massOfLitresKg } from '../../science/milk/index.ts';
import { EMPTY_KG, freeKg, keepOf } from './lot.ts';
import { isCream } from './pooling.ts';

/** What a make needs of one sort. */
export interface Want {
  readonly id: string;
  readonly name: string;
  readonly sort: 'milk' | 'skimmed' | 'cream';
  readonly litres: number;
  /** The make it is a part of, and how much of all that goes into it, 0..1; left out, it is all of it. */
  readonly part?: { readonly of: string; readonly share: number };
}

/** What one want gets. */
export interface Allocated {
  readonly want: Want;
  readonly from: readonly LotPour[];
  /** What it lacks, kg; less than `EMPTY_KG` counts as nothing, so 0 means that it has enough. */
  readonly shortKg: number;
  /** Of what it gets; `null` when some of it has no price. */
  readonly cost: number | null;
}

export interface Allocation {
  readonly wants: readonly Allocated[];
  /** Left of each lot afterwards, kg. */
  readonly left: readonly { readonly lot: Lot; readonly leftKg: number }[];
  readonly enough: boolean;
}

/** Which lots a sort is taken from; frozen ones must be thawed first. */
const serves = (lot: Lot, sort: Want['sort']): boolean =>
  lot.place !== 'freezer' && (sort === 'cream' ? isCream(lot) : lot.role === sort);

/** Lots a want may be poured from, what must be used first in front. */
export function lotsFor(lots: readonly Lot[], sort: Want['sort'], nowMs: number): Lot[] {
  return lots
    .filter((lot) => serves(lot, sort) && freeKg(lot) > EMPTY_KG)
    .map((lot) => ({ lot, endMs: keepOf(lot, nowMs).fromMs }))
    .sort((a, b) => a.endMs - b.endMs)
    .map(({ lot }) => lot);
}

/**
 * Shares out what is there: each want in its turn from the lots that must be used first. What is past its time is
 * still counted: the maker judges it.
 */
export function allocate(lots: readonly Lot[], wants: readonly Want[], nowMs: number): Allocation {
  const left = new Map(lots.map((lot) => [lot.id, freeKg(lot)]));
  const results = wants.map((want): Allocated => {
    const from: LotPour[] = [];
    let cost: number | null = 0;
    let missing = want.litres;
    let kgPerLitre = 1.03;
    for (const lot of lotsFor(lots, want.sort, nowMs)) {
      if (missing <= 1e-9) break;
      kgPerLitre = massOfLitresKg(1, lot.of);
      const massKg = Math.min(left.get(lot.id) ?? 0, missing * kgPerLitre);
      if (massKg < EMPTY_KG) continue;
      left.set(lot.id, (left.get(lot.id) ?? 0) - massKg);
      missing -= massKg / kgPerLitre;
      from.push({ lotId: lot.id, name: lot.name, massKg, costPerKg: lot.costPerKg });
      cost = cost === null || lot.costPerKg === null ? null : cost + massKg * lot.costPerKg;
    }
    const missingKg = missing * kgPerLitre;
    return { want, from, shortKg: missingKg < EMPTY_KG ? 0 : missingKg, cost };
  });
  return {
    wants: results,
    left: lots.map((lot) => ({ lot, leftKg: left.get(lot.id) ?? 0 })),
    enough: results.every((r) => r.shortKg === 0),
  };
}
