import type { Lot } from '../contract/index.ts';
import { freeKg, keepOf, lotsFor, type CreamFactor } from '../registers/milk/index.ts';
import { litresOfMass } from '../science/milk/index.ts';
import { HOUR_MS } from '../science/units/index.ts';
import { litresThere, skimmables } from '../timetable/index.ts';
import type { Supply } from './choose.ts';
import { SORTS, type BySort, type PourSort } from './sorts.ts';

/** Milk that has not risen by then is skimmed another day. */
const SKIMMED_WITHIN_MS = 6 * HOUR_MS;

const bySort = (of: (sort: PourSort) => number): BySort =>
  Object.fromEntries(SORTS.map((sort) => [sort, of(sort)])) as BySort;

/**
 * What the milk room has for a day.
 * @param endMs what should be used by then turns before the day is over
 * @example supplyOf(lots, nowMs, nowMs + 3 * DAY_MS, learned).there.milk // 18
 */
export function supplyOf(
  lots: readonly Lot[],
  nowMs: number,
  endMs: number,
  learned: (source: string) => CreamFactor | undefined,
): Supply {
  return {
    there: bySort((sort) => litresThere(lots, sort, nowMs)),
    turning: bySort((sort) =>
      lotsFor(lots, sort, nowMs)
        .filter((lot) => keepOf(lot, nowMs).fromMs < endMs)
        .reduce((sum, lot) => sum + litresOfMass(freeKg(lot), lot.of), 0),
    ),
    skimmable: skimmables(
      lots.filter(({ place }) => place !== 'freezer'),
      nowMs,
      learned,
    ).filter(({ atMs }) => atMs <= nowMs + SKIMMED_WITHIN_MS),
  };
}
