import type { Method, ProductId } from '../contract/index.ts';
import type { Skimmable } from '../timetable/index.ts';
import type { Lacking } from './lacking.ts';
import { SORTS, type BySort, type PourSort } from './sorts.ts';
import type { FedUsual, Usual } from './usuals.ts';

/** What a day is proposed for: to fill what is lacking, to use everything up, or to save what turns with the least work. */
export const DAY_AIMS = ['lacking', 'everything', 'least-work'] as const;
export type DayAim = (typeof DAY_AIMS)[number];

/** A batch is not worth a pot below this, L. */
const LEAST_LITRES = 0.4;
/** A batch may be so much larger than last time before another product is made instead. */
const MOST_GROWN = 2;
/** Of one product so many times the usual is saved at the most: nobody drinks twelve litres of kefir. */
const MOST_SAVED = 4;
/** What is wanted anyway may take so much more work where little work is asked for, min. */
const WANTED_MIN = 10;
/** A day of more batches is nobody's. */
const MOST_BATCHES = 8;
/** Less is not worth melting by itself, kg. */
const LEAST_FED_KG = 0.15;
/** Amounts are said so closely, L. */
const STEPS_A_LITRE = 10;

/** What there is to make it of, L. */
export interface Supply {
  readonly there: BySort;
  /** How much of that turns before the day is over. */
  readonly turning: BySort;
  readonly skimmable: readonly Skimmable[];
}

/** Why a batch is proposed. */
export type ChosenWhy = 'lacking' | 'culture' | 'turning' | 'usual';

/** A batch of a proposed day. */
export interface ChosenBatch {
  /** Its number among the batches that were chosen with it. */
  readonly n: number;
  readonly product: ProductId;
  readonly method: Method;
  /** `null` for what is made from what another batch gives. */
  readonly sort: PourSort | null;
  /** How much of a litre is milk, skimmed milk and cream. */
  readonly shares: BySort;
  /** L; of what another batch gives, kg. */
  readonly litres: number;
  /** The number of the batch that it is made from. */
  readonly fedBy: number | null;
  readonly why: ChosenWhy;
  /** When it is wanted, ms since 1970; `null` no matter when. */
  readonly byMs: number | null;
}

/** The batches of a day, and what is skimmed for them. */
export interface Chosen {
  readonly batches: readonly ChosenBatch[];
  readonly skims: readonly Skimmable[];
}

/** What is known when batches are chosen. */
export interface Choice {
  readonly supply: Supply;
  readonly usuals: readonly Usual[];
  /** What may be made from what other batches give. */
  readonly fed: readonly FedUsual[];
  readonly lacking: readonly Lacking[];
  /** Products whose culture wants to be used. */
  readonly due: ReadonlySet<ProductId>;
}

/** No more than so much, in steps that are said, L. @example rounded(0.1 + 0.2) // 0.3 */
const rounded = (litres: number): number => Math.floor(litres * STEPS_A_LITRE + 1e-6) / STEPS_A_LITRE;

/** Batches as they are chosen one after the other, none larger than the largest pot and none of more than there is. */
class Chooser {
  readonly batches: ChosenBatch[] = [];
  readonly skims: Skimmable[] = [];
  private readonly left: Record<PourSort, number>;
  private readonly skimmable: Skimmable[];

  constructor({ there, skimmable }: Supply) {
    this.left = { ...there };
    this.skimmable = [...skimmable];
  }

  leftOf(sort: PourSort): number {
    return this.left[sort];
  }

  has(product: ProductId): boolean {
    return this.batches.some((batch) => batch.product === product);
  }

  /** As many litres as what is left is enough for. */
  private mostOf(shares: BySort): number {
    return Math.min(
      ...SORTS.filter((sort) => shares[sort] > 0).map((sort) => this.left[sort] / shares[sort]),
    );
  }

  private use(shares: BySort, litres: number): void {
    for (const sort of SORTS) this.left[sort] -= litres * shares[sort];
  }

  /** Skims milk that nothing else needs until there is so much cream or skimmed milk. */
  skimFor(sort: PourSort, litres: number): void {
    if (sort === 'milk') return;
    while (this.left[sort] < litres) {
      const lot = this.skimmable.findIndex((one) => one.litres <= this.left.milk + 1e-6);
      const [skimmed] = lot < 0 ? [] : this.skimmable.splice(lot, 1);
      if (!skimmed) return;
      this.left.milk -= skimmed.litres;
      this.left.cream += skimmed.cream;
      this.left.skimmed += skimmed.rest;
      this.skims.push(skimmed);
    }
  }

  /** Takes so much of a product, in as many batches as the pots ask for. @returns litres taken */
  take(usual: Usual, litres: number, why: ChosenWhy, byMs: number | null = null): number {
    const { product, method, sort, shares, mostLitres } = usual;
    const all = rounded(Math.min(litres, this.mostOf(shares)));
    const parts = Math.ceil(all / mostLitres - 1e-9);
    let taken = 0;
    for (let part = 0; part < parts && this.batches.length < MOST_BATCHES; part++) {
      const own = rounded(all / parts);
      if (own < LEAST_LITRES) break;
      this.batches.push({
        n: this.batches.length,
        product,
        method,
        sort,
        shares,
        litres: own,
        fedBy: null,
        why,
        byMs,
      });
      this.use(shares, own);
      taken += own;
    }
    return taken;
  }

  /** Makes so much of what a batch gives into something else. */
  feed({ product, method }: FedUsual, of: ChosenBatch, massKg: number, byMs: number | null): void {
    this.batches.push({
      n: this.batches.length,
      product,
      method,
      sort: null,
      shares: { milk: 0, skimmed: 0, cream: 0 },
      litres: massKg,
      fedBy: of.n,
      why: of.why,
      byMs,
    });
  }

  /** Lets batches of a sort grow into what is left of it, up to the pot and to so many times the usual. */
  grow(sort: PourSort, usuals: readonly Usual[], times: number): void {
    for (const [n, batch] of this.batches.entries()) {
      const usual = usuals.find(({ product }) => product === batch.product);
      if (batch.sort !== sort || !usual) continue;
      const most = Math.min(usual.mostLitres, usual.litres * times);
      const more = rounded(Math.min(this.mostOf(batch.shares), most - batch.litres));
      if (more <= 0) continue;
      this.batches[n] = { ...batch, litres: rounded(batch.litres + more) };
      this.use(batch.shares, more);
    }
  }
}

/** What of others is needed for what is lacking, kg. */
const neededFor = (lacking: readonly Lacking[], { product, kgPerKg }: FedUsual): number =>
  (lacking.find((one) => one.product === product)?.massKg ?? 0) / kgPerKg;

/** What is lacking, with what that is made from; the same is asked for once. */
function lackingWithFeeders({ lacking, fed }: Choice): Lacking[] {
  const more = new Map<ProductId, number>();
  for (const usual of fed) {
    const { product } = usual.from;
    more.set(product, (more.get(product) ?? 0) + neededFor(lacking, usual));
  }
  const all = lacking.map((one) => ({ ...one, massKg: one.massKg + (more.get(one.product) ?? 0) }));
  return all.flatMap((one) => {
    const from = fed.find(({ product }) => product === one.product)?.from.product;
    if (from === undefined) return [one];
    // What feeds it is made in its place, where that is not lacking itself.
    return all.some(({ product }) => product === from)
      ? []
      : [{ product: from, massKg: more.get(from) ?? 0, byMs: null }];
  });
}

/** What is lacking, the soonest first; then what keeps a culture alive. */
function takeLacking(chooser: Chooser, choice: Choice): void {
  const { usuals, due } = choice;
  for (const { product, massKg, byMs } of lackingWithFeeders(choice)) {
    const usual = usuals.find((one) => one.product === product);
    if (!usual) continue;
    // A little more than what is lacking: the pot, the cloth and a taste keep some.
    const litres = massKg / usual.kgPerLitre + 1 / STEPS_A_LITRE;
    for (const sort of SORTS) chooser.skimFor(sort, litres * usual.shares[sort]);
    chooser.take(usual, litres, 'lacking', byMs);
  }
  for (const usual of usuals)
    if (due.has(usual.product) && !chooser.has(usual.product))
      chooser.take(usual, usual.litres, 'culture', null);
}

/** Everything that is there: shared out by what each product usually takes, the rest into larger batches. */
function takeEverything(chooser: Chooser, { usuals }: Choice): void {
  for (const sort of SORTS) {
    const own = usuals.filter((usual) => usual.sort === sort && !chooser.has(usual.product));
    for (const [n, usual] of own.entries()) {
      const left = chooser.leftOf(sort);
      const asked = own.slice(n).reduce((sum, { litres }) => sum + litres, 0);
      // Where there is more than is usual each gets more of it, where there is less the first get theirs.
      const share = Math.max(1, Math.min(MOST_GROWN, left / asked));
      chooser.take(usual, usual.litres * share, 'usual');
    }
    chooser.grow(sort, usuals, MOST_GROWN);
    chooser.grow(sort, usuals, Infinity);
    for (const usual of usuals.filter((one) => one.sort === sort))
      if (chooser.leftOf(sort) >= LEAST_LITRES)
        chooser.take(usual, chooser.leftOf(sort) / usual.shares[sort], 'usual');
  }
}

/** What turns, in as few batches and with as little work as can be; where nothing turns, one batch. */
function takeTurning(chooser: Chooser, choice: Choice): void {
  const { supply, usuals, lacking, due } = choice;
  const wanted = (product: ProductId): boolean =>
    due.has(product) || lacking.some((one) => one.product === product);
  /** With the least hands; what is wanted anyway may take a little more. */
  const easiest = (litres: number, among: readonly Usual[]): Usual | undefined => {
    const work = ({ product, handsMin, mostLitres }: Usual): number =>
      Math.max(1, Math.ceil(litres / mostLitres)) * handsMin - (wanted(product) ? WANTED_MIN : 0);
    return [...among].sort((a, b) => work(a) - work(b))[0];
  };
  for (const sort of SORTS) {
    let turning = Math.min(supply.turning[sort], supply.there[sort]);
    const own = usuals.filter((one) => one.sort === sort);
    while (turning >= LEAST_LITRES) {
      const usual = easiest(
        turning,
        own.filter(({ product }) => !chooser.has(product)),
      );
      if (!usual) break;
      const taken = chooser.take(usual, Math.min(turning, MOST_SAVED * usual.litres), 'turning');
      if (taken === 0) break;
      turning -= taken;
    }
  }
  if (chooser.batches.length > 0) return;
  const first = easiest(
    0,
    usuals.filter(({ sort }) => supply.there[sort] >= LEAST_LITRES),
  );
  if (first) chooser.take(first, first.litres, 'usual');
}

/**
 * What batches give is made into what is made from that: as much as is lacking, all of it where it is not wanted itself.
 * @param lacking what others are made for as well as for themselves
 */
function feedOthers(chooser: Chooser, { fed, usuals }: Choice, lacking: readonly Lacking[]): void {
  for (const usual of fed) {
    const { from } = usual;
    const byMs = lacking.find(({ product }) => product === usual.product)?.byMs ?? null;
    const isWanted = usuals.some(({ product }) => product === from.product);
    let missingKg = isWanted ? neededFor(lacking, usual) : Infinity;
    for (const batch of chooser.batches.filter(({ product }) => product === from.product)) {
      const massKg = Math.min(missingKg, batch.litres * from.kgPerLitre);
      if (massKg < LEAST_FED_KG || chooser.batches.length >= MOST_BATCHES) continue;
      if (chooser.batches.some(({ fedBy }) => fedBy === batch.n)) continue;
      chooser.feed(usual, batch, massKg, byMs);
      missingKg -= massKg;
    }
  }
}

/**
 * Batches for a day, the most wanted first: of what is there, none larger than a pot holds.
 * @example chooseBatches('everything', choice).batches.map(({ product, litres }) => [product, litres]) // [['yogurt', 4.2], …]
 */
export function chooseBatches(aim: DayAim, choice: Choice): Chosen {
  const chooser = new Chooser(choice.supply);
  const usuals = [...choice.usuals];
  // What only feeds others takes the hands of both.
  for (const { from, handsMin } of choice.fed)
    if (!usuals.some(({ product }) => product === from.product))
      usuals.push({ ...from, handsMin: from.handsMin + handsMin });
  const all = { ...choice, usuals };
  if (aim === 'least-work') takeTurning(chooser, all);
  else takeLacking(chooser, all);
  if (aim === 'everything' || (aim === 'lacking' && chooser.batches.length === 0))
    takeEverything(chooser, all);
  // The least work makes nothing more of what is made anyway.
  feedOthers(chooser, choice, aim === 'least-work' ? [] : choice.lacking);
  return { batches: chooser.batches, skims: chooser.skims };
}
