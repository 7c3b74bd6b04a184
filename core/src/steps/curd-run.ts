import type { StepId } from '../contract/index.ts';
import { instantOf, type LoggedEvent } from '../log/index.ts';
import type { Told } from './told.ts';

/** What a make works on: milk, curd or cheese, by weight. */
export interface Curd {
  readonly massKg: number;
  readonly fatFraction: number;
  readonly proteinFraction: number;
}

/** Something that is parted off. */
export interface PartedOff extends Curd {
  readonly what: 'whey' | 'buttermilk' | 'grains';
}

/** What a step leaves, parts off, and adds. Mass, fat and protein in are those out. */
export interface Flowed {
  readonly curd: Curd;
  readonly off: readonly PartedOff[];
  /** Salt, water, fruit: what came to it. */
  readonly added: readonly { readonly what: string; readonly massKg: number }[];
}

/** What was seen of a curd, by step. */
export interface CurdSeen {
  /** What stood on the scales: the whey a step's cloth let go so far, or what hangs in it. */
  readonly weighed: readonly {
    readonly step: StepId;
    readonly of: 'whey' | 'curd';
    readonly massKg: number;
    readonly atMs: number;
  }[];
  /** Whey that was stirred back into a step's curd. */
  readonly returned: readonly { readonly step: StepId; readonly massKg: number; readonly atMs: number }[];
  readonly tries: readonly { readonly step: StepId; readonly clean: boolean; readonly atMs: number }[];
  readonly turns: readonly { readonly step: StepId; readonly atMs: number }[];
}

export const NOTHING_SEEN: CurdSeen = { weighed: [], returned: [], tries: [], turns: [] };

/** What was seen of a curd. */
function curdSeen(events: readonly LoggedEvent[]): CurdSeen {
  const weighed: CurdSeen['weighed'][number][] = [];
  const returned: CurdSeen['returned'][number][] = [];
  const tries: CurdSeen['tries'][number][] = [];
  const turns: CurdSeen['turns'][number][] = [];
  for (const event of events) {
    const atMs = instantOf(event);
    switch (event.type) {
      case 'drain-weighed':
        weighed.push({ ...event.data, atMs });
        break;
      case 'whey-returned':
        returned.push({ ...event.data, atMs });
        break;
      case 'break-tried':
        tries.push({ ...event.data, atMs });
        break;
      case 'turned':
        turns.push({ ...event.data, atMs });
        break;
      default:
    }
  }
  return { weighed, returned, tries, turns };
}
export const CURD_TOLD: Told<CurdSeen> = { reduce: curdSeen };

/** Something without fat and protein comes to a curd: everything in it is thinned. */
export function thinned(curd: Curd, byKg: number): Curd {
  const massKg = curd.massKg + byKg;
  return {
    massKg,
    fatFraction: (curd.fatFraction * curd.massKg) / massKg,
    proteinFraction: (curd.proteinFraction * curd.massKg) / massKg,
  };
}
