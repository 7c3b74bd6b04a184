import type { MakeSummary } from '../contract/index.ts';
import { localDate } from '../kitchen/index.ts';

/** What some makes took, gave and cost together. */
export interface Tally {
  readonly makes: number;
  /** Thrown away, or not fit to eat. */
  readonly lost: number;
  readonly litres: number;
  readonly kgOut: number;
  readonly handsMin: number;
  readonly energyKwh: number;
  /** Of the makes whose cost is known. */
  readonly cost: number;
  readonly costed: number;
  /** A kilogram, of the makes that have both a cost and a weight; `null` of none. */
  readonly costPerKg: number | null;
  /** Against the shop, in all; `null` when nothing has a shop's price. */
  readonly saved: number | null;
}

/** Adds makes up. */
export function tally(makes: readonly MakeSummary[]): Tally {
  const sum = (of: readonly MakeSummary[], value: (make: MakeSummary) => number): number =>
    of.reduce((total, make) => total + value(make), 0);
  const costed = makes.filter(({ cost }) => cost !== null);
  const priced = makes.filter(({ costPerKg, yieldKg }) => costPerKg !== null && yieldKg !== null);
  const shopped = makes.filter(({ savedPerKg, yieldKg }) => savedPerKg !== null && yieldKg !== null);
  const kgPriced = sum(priced, ({ yieldKg }) => yieldKg!);
  return {
    makes: makes.length,
    lost: makes.filter(({ status, doNotEat }) => status === 'discarded' || doNotEat).length,
    litres: sum(makes, ({ litres }) => litres),
    kgOut: sum(makes, ({ yieldKg, status, doNotEat }) =>
      status === 'discarded' || doNotEat ? 0 : (yieldKg ?? 0),
    ),
    handsMin: sum(makes, ({ handsMin }) => handsMin),
    energyKwh: sum(makes, ({ energyKwh }) => energyKwh),
    cost: sum(costed, ({ cost }) => cost!),
    costed: costed.length,
    costPerKg:
      kgPriced > 0 ? sum(priced, ({ costPerKg, yieldKg }) => costPerKg! * yieldKg!) / kgPriced : null,
    saved: shopped.length === 0 ? null : sum(shopped, ({ savedPerKg, yieldKg }) => savedPerKg! * yieldKg!),
  };
}

/** What was made in a month, of one product or of all. */
export interface MonthTally extends Tally {
  /** "2026-03" */
  readonly month: string;
}

/** "2026-03" by a kitchen's clock. */
export function monthOf(startedAt: string, zone: string): string {
  const day = Number(startedAt.slice(8, 10));
  // No zone is further than a day from UTC: in the middle of a month both say the same.
  return day > 1 && day < 28 ? startedAt.slice(0, 7) : localDate(zone, Date.parse(startedAt)).slice(0, 7);
}

/** Makes by something of them, each group in the order of its makes. */
export function grouped<K>(
  makes: readonly MakeSummary[],
  keyOf: (make: MakeSummary) => K | null,
): Map<K, MakeSummary[]> {
  const groups = new Map<K, MakeSummary[]>();
  for (const make of makes) {
    const key = keyOf(make);
    if (key === null) continue;
    const before = groups.get(key);
    if (before) before.push(make);
    else groups.set(key, [make]);
  }
  return groups;
}

/** The makes of each month of a kitchen, the latest month first. @param zone of the kitchen: its months begin by that */
export function makesByMonth(makes: readonly MakeSummary[], zone: string): [string, MakeSummary[]][] {
  return [...grouped(makes, ({ startedAt }) => monthOf(startedAt, zone))].sort((a, b) =>
    a[0] < b[0] ? 1 : -1,
  );
}

/** Months added up, the latest first. */
export const tallyByMonth = (makes: readonly MakeSummary[], zone: string): MonthTally[] =>
  makesByMonth(makes, zone).map(([month, of]) => ({ month, ...tally(of) }));

/** A product's makes in a month, or in all. */
export interface ProductTally extends Tally {
  readonly product: NonNullable<MakeSummary['product']>;
}

/** Products added up, the most made first. */
export function tallyByProduct(makes: readonly MakeSummary[]): ProductTally[] {
  return [...grouped(makes, ({ product }) => product)]
    .map(([product, of]) => ({ product, ...tally(of) }))
    .sort((a, b) => b.makes - a.makes);
}
