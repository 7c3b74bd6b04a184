import type { KitchenSettings, MakePlan, Method, ProductId } from '../contract/index.ts';
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

/** How a product is made here: by the method of last time and as much, else by its first method. */
export function usualOf(
  product: ProductId,
  of: {
    readonly methods: readonly Method[];
    readonly made: readonly MadeBefore[];
    readonly kitchen: KitchenSettings;
    readonly startAt: string;
  },
): Usual | null {
  const { methods, made, kitchen, startAt } = of;
  const own = methods.filter((method) => method.product === product);
  const before = made.filter((m) => m.product === product);
  const last = before.find(({ methodId, litres }) => litres > 0 && own.some(({ id }) => id === methodId));
  const method = own.find(({ id }) => id === last?.methodId) ?? own[0];
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
    times: before.length,
    kgPerLitre: comesOut(plan).productKg / litres,
    handsMin: handsOf(plan),
    mostLitres: mostLitres(method, kitchen, startAt),
  };
}
