import { HAND_WORKED_FAT } from '../butter/index.ts';
import type { Good, GoodKind, GoodPart, GoodStock, MakePlan } from '../contract/index.ts';
import type { StarterKind } from '../culture/index.ts';
import { massOfLitresKg, MILK_FACTS, withFat, type Composition } from '../milk/index.ts';
import { butterPour, methodSteps, productOf } from '../products/index.ts';

const DAY_MS = 86_400_000;
/** Water of butter nobody tested, and fat of soured cream nobody knows. */
const BUTTER_WATER = 0.17;
const SOURED_CREAM_FAT = 0.3;
/** pH of what is called sour, as churning wants it. */
const SOUR_PH = 4.5;

/** Soured milk that is churned whole, and cream that is ripened already. */
const CHURNS_WHOLE: readonly GoodKind[] = ['clabber', 'yogurt', 'buttermilk', 'kefir'];
const CHURNS_AS_CREAM: readonly GoodKind[] = ['cultured-cream'];
/** What of the larder may be poured as milk, and what is frozen. */
const POURS_AS_MILK: readonly GoodKind[] = ['skimmed-milk'];
const FREEZES: readonly GoodKind[] = ['yogurt', 'skyr'];

/** The culture that some goods bring along as a starter. */
const STARTS: Readonly<Partial<Record<GoodKind, StarterKind>>> = {
  yogurt: 'fresh-yogurt',
  buttermilk: 'cultured-buttermilk',
  'cultured-buttermilk': 'cultured-buttermilk',
  'cultured-cream': 'cultured-buttermilk',
  clabber: 'cultured-buttermilk',
  kefir: 'milk-kefir',
};

/** Some goods that stand somewhere in the kitchen, thawed. */
export interface GoodInput {
  readonly good: Good;
  readonly stock: GoodStock;
}

const standing = (goods: readonly Good[]): GoodInput[] =>
  goods.flatMap((good) =>
    good.stocks
      .filter(({ place, massKg }) => place !== 'freezer' && place !== 'stall' && massKg > 0.001)
      .map((stock) => ({ good, stock })),
  );

/** What of the larder a plan's product can be made from. */
function kindsFor(plan: MakePlan): readonly GoodKind[] {
  const { takes } = productOf(plan);
  if (takes === 'butter') return ['butter'];
  const steps = methodSteps(plan);
  if (takes === 'cream')
    return steps.some(({ facts }) => facts.parts) ? [...CHURNS_AS_CREAM, ...CHURNS_WHOLE] : [];
  if (steps.some(({ kind }) => kind === 'freeze')) return FREEZES;
  return takes === 'milk' ? POURS_AS_MILK : [];
}

/**
 * The goods a plan can be made from, what was made first in front.
 * @example goodsFor(ghee, larder.goods).map(({ good }) => good.name) // ['Barrel butter']
 */
export function goodsFor(plan: MakePlan, goods: readonly Good[]): GoodInput[] {
  const kinds = kindsFor(plan);
  return standing(goods)
    .filter(({ good }) => kinds.includes(good.what))
    .sort((a, b) => a.good.madeMs - b.good.madeMs);
}

/** What goods are made of. Estimates: nobody weighed their fat. */
function compositionOf({ what, milk }: Good): Composition {
  const usual = MILK_FACTS[milk?.kind ?? 'cow-lean'].composition;
  return CHURNS_AS_CREAM.includes(what) ? withFat(usual, SOURED_CREAM_FAT) : usual;
}

const partOf = ({ good, stock }: GoodInput, massKg: number): GoodPart => ({
  goodId: good.id,
  name: good.name,
  place: stock.place,
  size: stock.size,
  massKg,
});

/**
 * A plan with some goods of the larder as what goes in: their amount, kind, treatment and souring.
 * @throws RangeError for nothing
 * @example planFromGood(ghee, { good: butter, stock }, 0.4).milk.goods // [{ goodId, massKg: 0.4, … }]
 */
export function planFromGood(plan: MakePlan, input: GoodInput, massKg: number): MakePlan {
  if (!(massKg > 0)) throw new RangeError('an amount must be above 0');
  const { good } = input;
  const { lots: _lots, soured: _soured, wholeCurd: _whole, ph: _ph, ...milk } = plan.milk;
  const typed = { value: Math.round(massKg * 1000), unit: 'g' } as const;
  const common = {
    ...milk,
    kind: good.milk?.kind ?? milk.kind,
    treatment: good.milk?.raw ? ('raw' as const) : ('pasteurised' as const),
    goods: [partOf(input, massKg)],
  };
  if (good.what === 'butter') {
    const salt = good.saltFraction ?? 0;
    return {
      ...plan,
      milk: {
        ...common,
        ...butterPour(massKg, BUTTER_WATER, Math.min(HAND_WORKED_FAT, 1 - BUTTER_WATER - salt), typed),
      },
      method: {
        ...plan.method,
        steps: plan.method.steps.map((step) =>
          step.kind === 'clarify' ? { ...step, moistureFraction: BUTTER_WATER } : step,
        ),
      },
    };
  }
  const composition = compositionOf(good);
  const litres = massKg / massOfLitresKg(1, composition);
  const sour = good.what !== 'skimmed-milk';
  return {
    ...plan,
    milk: {
      ...common,
      litres,
      typed: { value: Math.round(litres * 100) / 100, unit: 'L' },
      fatFraction: composition.fatFraction,
      composition,
      ...(sour && productOf(plan).takes === 'cream'
        ? { soured: true, ...(CHURNS_WHOLE.includes(good.what) ? { wholeCurd: true } : { ph: SOUR_PH }) }
        : {}),
    },
  };
}

/** The goods that bring along a culture a plan can be soured with, the freshest first. */
export const goodsAsStarter = (plan: MakePlan, goods: readonly Good[]): GoodInput[] =>
  standing(goods)
    .filter(({ good }) => {
      const kind = STARTS[good.what];
      return kind !== undefined && productOf(plan).starters.includes(kind);
    })
    .sort((a, b) => b.good.madeMs - a.good.madeMs);

/**
 * The starter of a plan taken from goods of the larder: its kind, its age at the start, as much as the plan wants of it.
 * @returns `null` for goods that bring no culture
 */
export function starterFromGood(plan: MakePlan, input: GoodInput): MakePlan['starter'] | null {
  const kind = STARTS[input.good.what];
  if (kind === undefined) return null;
  const massKg = Math.min(input.stock.massKg, plan.starter.massKg ?? 0.04);
  return {
    kind,
    ageD: Math.max(0, Math.round((Date.parse(plan.startAt) - input.good.madeMs) / DAY_MS)),
    massKg,
    statedRatio: null,
    typed: { value: Math.round(massKg * 1000), unit: 'g' },
    good: partOf(input, massKg),
  };
}

/** What a plan takes of the larder when it begins: what goes in, and its starter as it is dosed. */
export function goodsTaken({ milk, starter }: Pick<MakePlan, 'milk' | 'starter'>): GoodPart[] {
  return [
    ...(milk.goods ?? []),
    ...(starter.good ? [{ ...starter.good, massKg: starter.massKg ?? starter.good.massKg }] : []),
  ];
}
