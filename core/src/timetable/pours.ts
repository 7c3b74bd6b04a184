import { PRODUCT_TAKES, type Lot, type MakePlan, type ProductId } from '../contract/index.ts';
import { litresOfMass, massOfLitresKg, MILK_FACTS, withFat } from '../science/milk/index.ts';
import {
  allocate,
  freeKg,
  lotsFor,
  settledHours,
  settles,
  skimOffer,
  type Allocated,
  type Allocation,
  type CreamFactor,
  type Want,
} from '../registers/milk/index.ts';
import { PRODUCTS } from '../products/index.ts';
import { HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

/** Skimming takes hands, min [judgement]. */
export const SKIM_MIN = 10;
/** Milk that has stood so long is worth skimming. */
const WORTH_SKIMMING_H = 12;
/** Leaner than this it is skimmed milk that is wanted. */
const SKIMMED_FAT = 0.012;
/** Less than this is neither poured less of nor bought, L. */
const LEAST_LITRES = 0.05;

/** A lot that is to be skimmed for the day, and when. */
export interface DaySkim {
  readonly lotId: string;
  readonly atMs: number;
}

/** A way out of a shortage. */
export type WayOut =
  | { readonly way: 'less'; readonly litres: number }
  | {
      readonly way: 'skim';
      readonly lotId: string;
      readonly name: string;
      readonly atMs: number;
      readonly gives: number;
      readonly rest: number;
    }
  | { readonly way: 'buy'; readonly litres: number };

/** Where the milk of a day comes from. */
export interface DayPours {
  readonly allocation: Allocation;
  /** Lots as the day finds them: skimmed ones as what comes of them. */
  readonly lots: readonly Lot[];
  /** When what comes of a skimming is there, by lot. */
  readonly readyMs: ReadonlyMap<string, number>;
  /** For each want that is short, in its order. */
  readonly ways: ReadonlyMap<string, readonly WayOut[]>;
}

/** The cream and the rest of a lot skimmed at an instant, as lots of their own. */
function skimmedLots(lot: Lot, atMs: number, learned: CreamFactor | undefined): readonly [Lot, Lot] {
  const offer = skimOffer({ ...lot, has: { ...lot.has, massKg: freeKg(lot) } }, atMs, { learned });
  const part = (role: Lot['role'], name: string, massKg: number, fat: number): Lot => ({
    ...lot,
    id: `${lot.id} ${role}`,
    name,
    role,
    has: { ...lot.has, massKg, fatKg: massKg * fat },
    of: withFat(lot.of, fat),
    spokenForKg: 0,
    stillSinceMs: null,
    readyAtMs: atMs,
  });
  return [
    part('cream', `Cream from ${lot.name}`, offer.creamKg, offer.creamFatFraction),
    part('skimmed', `${lot.name}, skimmed`, offer.restKg, offer.restFatFraction),
  ];
}

/** Milk that may be skimmed, when it has risen, and what comes of it, L. */
export interface Skimmable {
  readonly lotId: string;
  readonly name: string;
  readonly atMs: number;
  readonly litres: number;
  readonly cream: number;
  readonly rest: number;
}

/** What of some lots may be skimmed, and when; less than half a litre is not worth it. @param kgOf what is free of a lot */
export function skimmables(
  lots: readonly Lot[],
  nowMs: number,
  learned: (source: string) => CreamFactor | undefined,
  kgOf: (lot: Lot) => number = freeKg,
): Skimmable[] {
  return lots
    .filter((lot) => settles(lot) && kgOf(lot) > massOfLitresKg(0.5, lot.of))
    .map((lot) => {
      const waitH = Math.max(0, WORTH_SKIMMING_H - settledHours(lot, nowMs));
      const atMs = Math.ceil((nowMs + waitH * HOUR_MS) / (5 * MINUTE_MS)) * 5 * MINUTE_MS;
      const [cream, rest] = skimmedLots(lot, atMs, learned(lot.source));
      return {
        lotId: lot.id,
        name: lot.name,
        atMs,
        litres: litresOfMass(freeKg(lot), lot.of),
        cream: litresOfMass(cream.has.massKg, cream.of),
        rest: litresOfMass(rest.has.massKg, rest.of),
      };
    });
}

/** Cream as it is skimmed, where nobody measured it. */
const USUAL_CREAM_FAT = 0.34;
/** Milk that is to be so much fatter than it comes takes cream with it. */
const CREAMY_BY = 0.02;

/** What of the milk room a product begins with; `null` for what begins with something made before: butter, or yogurt to freeze. */
export function sortOf(product: ProductId): 'milk' | 'cream' | null {
  const takes = PRODUCT_TAKES[product];
  return (takes === 'milk' || takes === 'cream') && PRODUCTS[product].goods.into === takes ? takes : null;
}

/** What a plan wants of the milk room: one sort, or for creamy milk the milk and the cream; none when it is of something else. */
export function wantsOf(id: string, plan: MakePlan): Want[] {
  const takes = sortOf(plan.product);
  if (takes === null || plan.milk.goods) return [];
  const { name } = plan;
  const { kind, litres, fatFraction } = plan.milk;
  const asItComes = MILK_FACTS[kind].composition.fatFraction;
  const fat = fatFraction ?? asItComes;
  if (takes === 'cream') return [{ id, name, sort: 'cream', litres }];
  if (fat <= asItComes + CREAMY_BY)
    return [{ id, name, sort: fat <= SKIMMED_FAT ? 'skimmed' : 'milk', litres }];
  const cream = Math.min(1, (fat - asItComes) / (USUAL_CREAM_FAT - asItComes));
  return [
    { id, name, sort: 'milk', litres: litres * (1 - cream), part: { of: id, share: 1 - cream } },
    {
      id: `${id} cream`,
      name: `${name}, cream`,
      sort: 'cream',
      litres: litres * cream,
      part: { of: id, share: cream },
    },
  ];
}

/** What is poured for one make. @example poursFor(pours, make).flatMap(({ from }) => from) // every lot it takes */
export const poursFor = ({ allocation }: Pick<DayPours, 'allocation'>, make: string): readonly Allocated[] =>
  allocation.wants.filter(({ want }) => (want.part?.of ?? want.id) === make);

/**
 * Shares the milk of the milk room out among the makes of a day, what must be used first in front, and says the ways out of
 * each shortage. Mass is kept: a lot never gives more than it has, a skimmed one gives what rose and what is left.
 * @param skims lots that are skimmed for it
 */
export function pourDay(
  lots: readonly Lot[],
  wants: readonly Want[],
  skims: readonly DaySkim[],
  nowMs: number,
  learned: (source: string) => CreamFactor | undefined = () => undefined,
): DayPours {
  const readyMs = new Map<string, number>();
  const there = lots.flatMap((lot) => {
    const skim = skims.find(({ lotId }) => lotId === lot.id);
    if (!skim) return [lot];
    const parts = skimmedLots(lot, skim.atMs, learned(lot.source));
    for (const { id } of parts) readyMs.set(id, skim.atMs);
    return parts;
  });
  const allocation = allocate(there, wants, nowMs);
  const left = new Map(allocation.left.map(({ lot, leftKg }) => [lot.id, leftKg]));
  const ways = new Map(
    allocation.wants
      .filter(({ shortKg }) => shortKg > 0)
      .map(({ want, from, shortKg }): readonly [string, readonly WayOut[]] => {
        const of = there.find(({ id }) => id === from[0]?.lotId)?.of ?? there[0]?.of;
        const short = of ? litresOfMass(shortKg, of) : shortKg;
        const has = want.litres - short;
        const ofMilk =
          want.sort === 'milk' ? [] : skimmables(there, nowMs, learned, ({ id }) => left.get(id) ?? 0);
        return [
          want.id,
          [
            ...(has > 10 * LEAST_LITRES ? [{ way: 'less', litres: Math.floor(has * 20) / 20 } as const] : []),
            ...ofMilk.map(({ lotId, name, atMs, cream, rest }): WayOut => ({
              way: 'skim',
              lotId,
              name,
              atMs,
              gives: cream,
              rest,
            })),
            ...(short > LEAST_LITRES ? [{ way: 'buy', litres: Math.ceil(short * 20) / 20 } as const] : []),
          ],
        ];
      }),
  );
  return { allocation, lots: there, readyMs, ways };
}

/** The most litres of a sort that the milk room has, of what no make spoke for. */
export function litresThere(lots: readonly Lot[], sort: Want['sort'], nowMs: number): number {
  return lotsFor(lots, sort, nowMs).reduce((sum, lot) => sum + litresOfMass(freeKg(lot), lot.of), 0);
}
