import {
  PRODUCT_IDS,
  PRODUCT_TAKES,
  type KitchenSettings,
  type MakePlan,
  type Method,
  type ProductId,
} from '../contract/index.ts';
import { planOfMethod } from '../products/index.ts';
import { pointForecast, stateOfPlan } from '../make/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';
import { mostLitres, sortOf, wantsOf } from '../timetable/index.ts';
import type { BySort, PourSort } from './sorts.ts';
import { comesOut } from './comes-out.ts';

/** A batch of what nobody made here yet: milk and cream, L. */
const FIRST_LITRES = { milk: 2, cream: 1 } as const;

/** How one product is made in this kitchen. */
export interface Usual {
  readonly product: ProductId;
  readonly method: Method;
  /** What it is mostly of, and how much of a litre is milk, skimmed milk and cream. */
  readonly sort: PourSort;
  readonly shares: BySort;
  /** As much as last time, L. */
  readonly litres: number;
  /** How often it was made. */
  readonly times: number;
  /** What a litre gives, kg; and hands of a batch, min. */
  readonly kgPerLitre: number;
  readonly handsMin: number;
  /** The most of it that one batch can be, L. */
  readonly mostLitres: number;
}

/** How a product is made here from what another batch gives. */
export interface FedUsual {
  readonly product: ProductId;
  readonly method: Method;
  /** How that one is made here. */
  readonly from: Usual;
  /** What a kilogram of that gives, kg; and hands of a batch, min. */
  readonly kgPerKg: number;
  readonly handsMin: number;
}

/** A batch that was made, the latest first. */
export interface MadeBefore {
  readonly product: ProductId | null;
  readonly methodId: string | null;
  readonly litres: number;
}

/** What can be made of milk and cream, as often as each was made here, the most often in front. */
export function productsByHabit(methods: readonly Method[], made: readonly MadeBefore[]): ProductId[] {
  const times = (product: ProductId): number => made.filter((m) => m.product === product).length;
  return [...new Set(methods.map(({ product }) => product))]
    .filter((product) => sortOf(product) !== null)
    .sort((a, b) => times(b) - times(a));
}

/** What a product is made from that is made here as well; `null` for what is made of milk or cream. @example madeFrom('ghee') // 'butter' */
const madeFrom = (product: ProductId): ProductId | null =>
  PRODUCT_IDS.find((id) => id === PRODUCT_TAKES[product]) ?? null;

/** What can be made from what others of the list give, in the order of the methods. @example fedProducts(methods, ['butter']) // ['ghee'] */
export const fedProducts = (methods: readonly Method[], could: readonly ProductId[]): ProductId[] =>
  [...new Set(methods.map(({ product }) => product))].filter((product) => {
    const from = madeFrom(product);
    return from !== null && could.includes(from);
  });

/** Minutes that hands are at a batch; those that are at it all along, as long as it takes. */
function handsOf(plan: MakePlan): number {
  const state = stateOfPlan(plan);
  const { steps } = pointForecast(state, state.startedAtMs);
  return state.steps.reduce((sum, { step }) => {
    const time = step.allAlong ? steps.find(({ id }) => id === step.id) : undefined;
    const along = time && !time.endless ? (time.endMs - time.startMs) / MINUTE_MS : 0;
    return sum + step.handsMin + along;
  }, 0);
}

/** Whose kitchen it is, with what it makes. */
interface Here {
  readonly methods: readonly Method[];
  readonly made: readonly MadeBefore[];
  readonly kitchen: KitchenSettings;
  readonly startAt: string;
}

/** The method of last time and as much as then, else the first method. */
function asLastTime(product: ProductId, { methods, made }: Pick<Here, 'methods' | 'made'>) {
  const own = methods.filter((method) => method.product === product);
  const before = made.filter((m) => m.product === product);
  const last = before.find(({ methodId, litres }) => litres > 0 && own.some(({ id }) => id === methodId));
  return { method: own.find(({ id }) => id === last?.methodId) ?? own[0], last, times: before.length };
}

/** How a product is made here from what another batch gives; `null` for what is made of milk or cream. */
export function fedUsualOf(product: ProductId, of: Here): FedUsual | null {
  const { method } = asLastTime(product, of);
  const from = madeFrom(product);
  const usual = from && usualOf(from, of);
  if (!method || !usual) return null;
  const plan = planOfMethod(method, of.kitchen, of.startAt, 1);
  return { product, method, from: usual, kgPerKg: comesOut(plan).productKg, handsMin: handsOf(plan) };
}

/** How a product is made here: by the method of last time and as much, else by its first method. */
export function usualOf(product: ProductId, of: Here): Usual | null {
  const { kitchen, startAt } = of;
  const { method, last, times } = asLastTime(product, of);
  const takes = sortOf(product);
  if (!method || takes === null) return null;
  const litres = last?.litres ?? FIRST_LITRES[takes];
  const plan = planOfMethod(method, kitchen, startAt, litres);
  const wants = wantsOf('', plan);
  const share = (sort: PourSort): number =>
    wants.find((want) => want.sort === sort)?.part?.share ?? (wants[0]?.sort === sort ? 1 : 0);
  if (!wants[0]) return null;
  return {
    product,
    method,
    sort: wants[0].sort,
    shares: { milk: share('milk'), skimmed: share('skimmed'), cream: share('cream') },
    litres,
    times,
    kgPerLitre: comesOut(plan).productKg / litres,
    handsMin: handsOf(plan),
    mostLitres: mostLitres(method, kitchen, startAt),
  };
}
