import type { ByProduct, KitchenSettings, ProductId } from '../contract/index.ts';
import { clockTime, localDate } from '../kitchen/index.ts';
import { planOfMethod } from '../products/index.ts';
import { DAY_MIN, DAY_MS, MINUTE_MS } from '../science/units/index.ts';
import {
  layingRoughly,
  SKIM_MIN,
  type DayWish,
  type RoughDay,
  type Skimmable,
  type WishedMake,
} from '../timetable/index.ts';
import {
  chooseBatches,
  DAY_AIMS,
  type Choice,
  type Chosen,
  type ChosenBatch,
  type DayAim,
} from './choose.ts';
import { SORTS, type BySort } from './sorts.ts';
import { comesOut } from './comes-out.ts';

/** So much work outside the hours in the kitchen is borne, min; a batch nobody asked for is left out before there is more. */
const BORNE_OUTSIDE_MIN = 20;
/** A day is laid out so often at the most until it fits. */
const MOST_TRIES = 6;

/** What somebody asks: the day as it may be filled, and what it may be filled with. */
export interface ProposalWish extends Choice {
  readonly day: Omit<DayWish, 'makes' | 'chores'>;
}

/** A whole day somebody may take. */
export interface ProposedDay {
  readonly aim: DayAim;
  readonly batches: readonly ChosenBatch[];
  readonly skims: readonly Skimmable[];
  /** What there was no room for in these hours. */
  readonly leftOut: readonly ProductId[];
  /** What comes out of it by product, kg, in the order of the batches. */
  readonly gives: readonly { readonly product: ProductId; readonly massKg: number }[];
  readonly besides: readonly { readonly what: ByProduct; readonly massKg: number }[];
  /** What is left of the milk and the cream, L. */
  readonly left: BySort;
  /** What the shop asks for what comes out and has a price there; `null` when nothing has. */
  readonly worth: number | null;
  readonly unpriced: readonly ProductId[];
  readonly handsMin: number;
  readonly outsideMin: number;
  readonly lateMin: number;
  /** The last hands of the days chosen, min from the zero. */
  readonly finish: number;
}

/** When a batch is wished, min from the zero; `null` no matter when. */
function byMinute({ byMs }: ChosenBatch, { zeroMs, days }: ProposalWish['day']): number | null {
  const minute = byMs === null ? null : Math.floor((byMs - zeroMs) / MINUTE_MS);
  return minute === null || minute <= 0 || minute > days * DAY_MIN ? null : minute;
}

/** The batches of a day as its timetable is asked for them, called by number. */
const wishedOf = (batches: readonly ChosenBatch[], day: ProposalWish['day']): WishedMake[] =>
  batches.map((batch) => ({
    id: String(batch.n),
    name: batch.product,
    method: batch.method,
    litres: batch.litres,
    by: byMinute(batch, day),
    ...(batch.fedBy === null ? {} : { fedBy: String(batch.fedBy) }),
  }));

/** Which batch is left out when not all fit: of those in the way the one that was asked for least. */
function leastWanted(batches: readonly ChosenBatch[], clashing: readonly string[]): ChosenBatch {
  const inTheWay = batches.filter(({ n }) => clashing.includes(String(n)));
  const among = inTheWay.length > 0 ? inTheWay : batches;
  return (
    among.findLast(({ why }) => why === 'usual') ??
    among.findLast(({ why }) => why !== 'lacking') ??
    among.at(-1)!
  );
}

/** Batches laid out, the least wanted left out until they fit into the hours. */
function* fitted(
  wish: ProposalWish,
  { batches: all, skims }: Chosen,
): Generator<
  number,
  { readonly batches: ChosenBatch[]; readonly out: ProductId[]; readonly laid: RoughDay } | null
> {
  const { day } = wish;
  let batches = [...all];
  const out: ProductId[] = [];
  const chores = skims.map(({ lotId, name, atMs }) => ({
    id: lotId,
    title: name,
    at: Math.max(0, Math.round((atMs - day.zeroMs) / MINUTE_MS)),
    minutes: SKIM_MIN,
  }));
  for (let tries = 1; batches.length > 0; tries++) {
    const laid = yield* layingRoughly({ ...day, chores, makes: wishedOf(batches, day) });
    const spare = batches.length > 1 && batches.some(({ why }) => why === 'usual');
    const isWell = laid.fits && (laid.score.outside <= BORNE_OUTSIDE_MIN || !day.session || !spare);
    if (laid.fits && (isWell || tries >= MOST_TRIES)) return { batches, out, laid };
    const gone = leastWanted(batches, laid.fits ? [] : laid.clashing);
    // What is made from it goes with it.
    const isOut = (batch: ChosenBatch): boolean => batch === gone || batch.fedBy === gone.n;
    out.push(...batches.filter(isOut).map(({ product }) => product));
    batches = batches.filter((batch) => !isOut(batch));
  }
  return null;
}

/** Of what was to be skimmed, as much as the batches that are left still ask for. */
function neededSkims(
  { supply }: ProposalWish,
  batches: readonly ChosenBatch[],
  skims: readonly Skimmable[],
): Skimmable[] {
  const needed: Skimmable[] = [];
  const isShort = (sort: 'cream' | 'skimmed', of: 'cream' | 'rest'): boolean =>
    batches.reduce((sum, { shares, litres }) => sum + litres * shares[sort], 0) >
    supply.there[sort] + needed.reduce((sum, lot) => sum + lot[of], 0) + 1e-6;
  for (const lot of skims) if (isShort('cream', 'cream') || isShort('skimmed', 'rest')) needed.push(lot);
  return needed;
}

/** What is left of the milk and the cream, L. */
function leftOf(
  { supply }: ProposalWish,
  batches: readonly ChosenBatch[],
  skims: readonly Skimmable[],
): BySort {
  const left = { ...supply.there };
  for (const { litres, cream, rest } of skims) {
    left.milk -= litres;
    left.cream += cream;
    left.skimmed += rest;
  }
  for (const { shares, litres } of batches) for (const sort of SORTS) left[sort] -= litres * shares[sort];
  for (const sort of SORTS) left[sort] = Math.max(0, left[sort]);
  return left;
}

/** Less of a product is not told, kg. */
const WORTH_TELLING_KG = 0.03;
/** What comes out of batches, and what the shop asks for it. */
function harvest(batches: readonly ChosenBatch[], kitchen: KitchenSettings, startAt: string) {
  const gives = new Map<ProductId, number>();
  const besides = new Map<ByProduct, number>();
  for (const { product, method, litres, fedBy } of batches) {
    const feeder = batches.find(({ n }) => n === fedBy);
    if (feeder) gives.set(feeder.product, (gives.get(feeder.product) ?? 0) - litres);
    const out = comesOut(planOfMethod(method, kitchen, startAt, litres));
    gives.set(product, (gives.get(product) ?? 0) + out.productKg);
    for (const { what, massKg } of out.besides) besides.set(what, (besides.get(what) ?? 0) + massKg);
  }
  // Of what was all made into something else nothing comes out.
  for (const [product, massKg] of gives) if (massKg < WORTH_TELLING_KG) gives.delete(product);
  const priceOf = (product: ProductId): number | null =>
    kitchen.prices.shop.find((one) => one.product === product)?.perKg ?? null;
  const priced = [...gives].flatMap(([product, massKg]) => {
    const perKg = priceOf(product);
    return perKg === null ? [] : [perKg * massKg];
  });
  return {
    gives: [...gives].map(([product, massKg]) => ({ product, massKg })),
    besides: [...besides].map(([what, massKg]) => ({ what, massKg })),
    worth: priced.length === 0 ? null : priced.reduce((sum, worth) => sum + worth, 0),
    unpriced: [...gives.keys()].filter((product) => priceOf(product) === null),
  };
}

/** The same batches make the same day, whatever they were chosen for. */
const keyOf = (batches: readonly ChosenBatch[]): string =>
  batches
    .map(({ product, litres }) => `${product} ${litres}`)
    .sort()
    .join();

/**
 * Two or three whole days to choose from, each laid out: what is lacking, everything used up, the least work. Those that come to the
 * same are told once. Estimates, as every timetable.
 * @yields how far it is, 0..1
 */
export function* proposingDay(wish: ProposalWish): Generator<number, ProposedDay[]> {
  const { kitchen, zeroMs } = wish.day;
  const startAt = new Date(zeroMs).toISOString();
  const days: ProposedDay[] = [];
  const seen = new Set<string>();
  for (const [n, aim] of DAY_AIMS.entries()) {
    const chosen = chooseBatches(aim, wish);
    const key = keyOf(chosen.batches);
    if (chosen.batches.length === 0 || seen.has(key)) continue;
    seen.add(key);
    const work = fitted(wish, chosen);
    let step = work.next();
    for (; step.done !== true; step = work.next()) yield n / DAY_AIMS.length;
    const fit = step.value;
    if (!fit) continue;
    const { batches, out, laid } = fit;
    if (out.length > 0 && seen.has(keyOf(batches))) continue;
    seen.add(keyOf(batches));
    const skims = neededSkims(wish, batches, chosen.skims);
    days.push({
      aim,
      batches,
      skims,
      leftOut: [...new Set(out)].filter((product) => !batches.some((batch) => batch.product === product)),
      ...harvest(batches, kitchen, startAt),
      left: leftOf(wish, batches, skims),
      handsMin: laid.handsMin,
      outsideMin: laid.score.outside,
      lateMin: laid.score.late,
      finish: laid.score.finish,
    });
  }
  return days;
}

/** A moment as a time on one of the days of a plan, as its fields have it; `null` when it is on none. */
export function onDay(
  byMs: number,
  { zeroMs, days, kitchen }: Pick<ProposalWish['day'], 'zeroMs' | 'days' | 'kitchen'>,
): { readonly day: number; readonly time: string } | null {
  const { zone } = kitchen.site;
  for (let day = 0; day < days; day++) {
    const date = localDate(zone, zeroMs + day * DAY_MS);
    if (date === localDate(zone, byMs)) return { day, time: clockTime(zone, byMs) };
  }
  return null;
}
