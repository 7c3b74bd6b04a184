import { PRODUCT_TAKES, type CostPart, type PlanPrices } from '../../contract/index.ts';
import { souringOf, starterKg, type MakeState } from '../../make/index.ts';
import { milkCost } from '../../registers/milk/index.ts';
import { batchOf } from '../../setup/index.ts';
import { SALT_TOLD, told } from '../../steps/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import { burnerKwh } from './energy.ts';

/** Goods of the larder that went into a make. */
export interface TakenGoods {
  readonly massKg: number;
  /** In the kitchen's own money; `null` when nobody knows. */
  readonly costPerKg: number | null;
}

/** One part of what a make cost. */
export interface CostLine {
  readonly part: CostPart;
  /** How much of it, in the unit it is priced by. */
  readonly amount: number;
  readonly unit: 'kg' | 'kWh' | 'min' | 'packet';
  /** In the kitchen's own money; `null` when it has no price. */
  readonly cost: number | null;
}

/** What a make cost, and what that is against the shop. */
export interface Worth {
  readonly lines: readonly CostLine[];
  /** Of the parts that have a price; `null` when what it is made of has none. */
  readonly total: number | null;
  readonly perKg: number | null;
  readonly shopPerKg: number | null;
  /** Below the shop's price when positive, a kilogram. */
  readonly savedPerKg: number | null;
  /** Minutes of hands: as its steps usually want them, those that hands are at all along as long as they took. */
  readonly handsMin: number;
  readonly energyKwh: number;
}

const NOTHING_PRICED: PlanPrices = {
  energyPerKwh: null,
  saltPerKg: null,
  powderPerKg: null,
  starterPerKg: null,
  packetEach: null,
  handsPerHour: null,
  shopPerKg: null,
};

const times = (amount: number, price: number | null): number | null =>
  price === null ? null : amount * price;

/** What a kilogram of the milk of a make cost; `null` when some of it has no price. */
function milkPerKg({ plan }: MakeState): number | null {
  const cost = milkCost(plan.milk);
  const kg = plan.milk.lots?.reduce((sum, { massKg }) => sum + massKg, 0) ?? 0;
  return cost === null || kg <= 0 ? null : cost / kg;
}

/** Starter by weight: at the price of what is bought, else at what the milk it was made of costs. */
function starterLine(state: MakeState, prices: PlanPrices): CostLine | null {
  if (!souringOf(state)) return null;
  const { statedRatio } = state.dose;
  const kg = starterKg(state) ?? 0;
  if (kg > 0) {
    return {
      part: 'starter',
      amount: kg,
      unit: 'kg',
      cost: times(kg, prices.starterPerKg ?? milkPerKg(state)),
    };
  }
  return statedRatio !== null && statedRatio > 0
    ? { part: 'starter', amount: statedRatio, unit: 'packet', cost: times(statedRatio, prices.packetEach) }
    : null;
}

/** All the goods that went in, at what they cost; `null` when one of them has no price. */
const goodsLine = (taken: readonly TakenGoods[]): CostLine => ({
  part: 'goods',
  amount: taken.reduce((sum, { massKg }) => sum + massKg, 0),
  unit: 'kg',
  cost: taken.reduce<number | null>(
    (sum, { massKg, costPerKg }) => (sum === null || costPerKg === null ? null : sum + massKg * costPerKg),
    0,
  ),
});

/** Hands are at a churn or a pan no longer than that, min [judgement]. */
const MOST_ALONG_MIN = 60;

/** Minutes of hands of what was done. */
const handsMinOf = ({ steps }: MakeState): number =>
  steps.reduce((sum, { step, status, startedAtMs, endedAtMs }) => {
    if (status !== 'done') return sum;
    if (step.allAlong !== true || startedAtMs === null || endedAtMs === null) return sum + step.handsMin;
    // Hands were at it all along; a step that was marked as done much later was not done so long.
    const minutes = (endedAtMs - startedAtMs) / MINUTE_MS;
    return sum + Math.max(step.handsMin, Math.min(MOST_ALONG_MIN, minutes));
  }, 0);

/**
 * What a make cost by the prices it was begun with: milk and cream by their lots, starter, powder, salt, the burner's energy,
 * hands. What comes out besides is counted as free, so the product bears it all.
 * @param taken goods of the larder that went into it, at what they cost
 * @example worthOf(state).perKg // 1.42, in the kitchen's own money
 */
export function worthOf(state: MakeState, taken: readonly TakenGoods[] = []): Worth {
  const prices = state.plan.prices ?? NOTHING_PRICED;
  const saltKg = told(state, SALT_TOLD);
  const { milk: poured } = state.plan;
  const milk = milkCost(poured);
  // What is made of butter alone has no milk of its own.
  const ofGoods = PRODUCT_TAKES[state.plan.product] === 'butter' && !poured.lots;
  const goods = taken.length === 0 ? null : goodsLine(taken);
  const [handsMin, energyKwh] = [handsMinOf(state), burnerKwh(state)];
  const starter = starterLine(state, prices);
  const lines: CostLine[] = [
    ...(ofGoods && goods
      ? []
      : [{ part: 'milk', amount: batchOf(state.plan).massKg, unit: 'kg', cost: milk } as const]),
    ...(goods ? [goods] : []),
    ...(starter ? [starter] : []),
    ...(poured.powder
      ? [
          {
            part: 'powder',
            amount: poured.powder.massKg,
            unit: 'kg',
            cost: times(poured.powder.massKg, prices.powderPerKg),
          } as const,
        ]
      : []),
    ...(saltKg !== null && saltKg > 0
      ? [
          {
            part: 'salt',
            amount: saltKg,
            unit: 'kg',
            cost: times(saltKg, prices.saltPerKg),
          } as const,
        ]
      : []),
    ...(energyKwh > 0
      ? [
          {
            part: 'energy',
            amount: energyKwh,
            unit: 'kWh',
            cost: times(energyKwh, prices.energyPerKwh),
          } as const,
        ]
      : []),
    { part: 'hands', amount: handsMin, unit: 'min', cost: times(handsMin / 60, prices.handsPerHour) },
  ];
  const unpriced = lines.some(({ part, cost }) => cost === null && (part === 'milk' || part === 'goods'));
  const total = unpriced ? null : lines.reduce((sum, { cost }) => sum + (cost ?? 0), 0);
  const perKg = total === null || !state.weighedKg ? null : total / state.weighedKg;
  const { shopPerKg } = prices;
  return {
    lines,
    total,
    perKg,
    shopPerKg,
    savedPerKg: perKg === null || shopPerKg === null ? null : shopPerKg - perKg,
    handsMin,
    energyKwh,
  };
}

/** What counts in a make's cost: the parts that have a price. @example countedIn(worth) // ['milk', 'energy'] */
export const countedIn = ({ lines }: Pick<Worth, 'lines'>): CostPart[] =>
  lines.flatMap(({ part, cost }) => (cost === null ? [] : [part]));

/** What a part of a cost is called. */
export const COST_WORD: Readonly<Record<CostPart, string>> = {
  milk: 'milk and cream',
  goods: 'from the larder',
  starter: 'starter',
  powder: 'milk powder',
  salt: 'salt',
  energy: 'burner',
  hands: 'hands',
};
