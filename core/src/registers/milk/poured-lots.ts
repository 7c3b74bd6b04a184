import { FEEDS } from '../../science/butter/index.ts';
import type { Lot, LotPour, MakePlan } from '../../contract/index.ts';
import { mixMilks } from '../../science/milk/index.ts';
import { heatAt, phTogether } from './lot.ts';

type Milk = MakePlan['milk'];
const HIGHEST_MILK_FAT = 0.2;
const LOWEST_CREAM_FAT = 0.1;

/**
 * A plan's milk as it comes out of these lots, poured together: amount, fat and everything else by mass balance.
 * @param takes what the plan is of
 * @param atMs when it is poured: what was put up warm may be warm still
 * @returns `null` when none of the lots is there, or when together they are cream for a plan of milk, milk for one of cream
 */
export function milkFromLots(
  before: Milk,
  lots: readonly Lot[],
  from: readonly Pick<LotPour, 'lotId' | 'massKg'>[],
  takes: 'milk' | 'cream' = 'milk',
  atMs = Number.MAX_SAFE_INTEGER,
): Milk | null {
  const parts = from.flatMap(({ lotId, massKg }) => {
    const lot = lots.find((l) => l.id === lotId);
    return lot && massKg > 0 ? [{ lot, massKg }] : [];
  });
  const [main] = [...parts].sort((a, b) => b.massKg - a.massKg);
  if (!main) return null;
  const mix = mixMilks(parts.map(({ lot, massKg }) => ({ composition: lot.of, massKg })));
  const fat = mix.composition.fatFraction;
  if (takes === 'milk' ? fat > HIGHEST_MILK_FAT : fat < LOWEST_CREAM_FAT) return null;
  const litres = Math.round(mix.litres * 1000) / 1000;
  const ph = phTogether(parts);
  const { goods: _goods, ph: _ph, ...milk } = before;
  return {
    ...milk,
    litres,
    typed: { value: Math.round(litres * 100) / 100, unit: 'L' },
    kind: main.lot.kind,
    // One raw milk among them makes all of it raw.
    treatment: parts.some(({ lot }) => lot.treatment === 'raw') ? 'raw' : main.lot.treatment,
    fatFraction: mix.composition.fatFraction,
    startC: Math.min(60, Math.max(0, heatAt(main.lot, atMs) ?? before.startC)),
    composition: mix.composition,
    ...(takes === 'cream'
      ? {
          soured: parts.some(({ lot }) => lot.soured),
          homogenised: parts.some(({ lot }) => lot.homogenised),
          ...(ph === undefined ? {} : { ph }),
          feed: FEEDS.find((feed) => parts.every(({ lot }) => lot.feed === feed)),
        }
      : {}),
    lots: parts.map(({ lot, massKg }) => ({
      lotId: lot.id,
      name: lot.name,
      massKg,
      costPerKg: lot.costPerKg,
    })),
  };
}

/** A plan's milk without its lots: poured from anywhere. */
export function withoutLots({
  lots: _lots,
  composition: _composition,
  soured: _soured,
  goods: _goods,
  ph: _ph,
  ...milk
}: Milk): Milk {
  return milk;
}

/** More or less of the same milk; its lots give in the same shares. */
export function withLitres(milk: Milk, litres: number, typed: Milk['typed']): Milk {
  const scale = litres / milk.litres;
  return {
    ...milk,
    litres,
    typed,
    ...(milk.lots ? { lots: milk.lots.map((lot) => ({ ...lot, massKg: lot.massKg * scale })) } : {}),
    ...(milk.goods ? { goods: milk.goods.map((good) => ({ ...good, massKg: good.massKg * scale })) } : {}),
  };
}

/** What the milk of a plan cost; `null` when some of it has no price. */
export function milkCost({ lots }: Milk): number | null {
  if (!lots) return null;
  return lots.reduce<number | null>(
    (sum, lot) => (sum === null || lot.costPerKg === null ? null : sum + lot.massKg * lot.costPerKg),
    0,
  );
}
