import type { Good, MakePlan, ProductId, WantedGood } from '../contract/index.ts';
import { instantOfLocal, localDate } from '../kitchen/index.ts';
import { EMPTY_GOOD_KG, goodKeepBy } from '../registers/larder/index.ts';
import { DAY_MS } from '../science/units/index.ts';
import { comesOut } from './comes-out.ts';

/** What is made for a day of the week is wanted in its morning. */
const MORNING = '06:00';
const DAYS_OF_WEEK = 7;

/** A product of which less is here, or on its way, than is wanted. */
export interface Lacking {
  readonly product: ProductId;
  readonly massKg: number;
  /** When the first of it is wanted, ms since 1970; `null` where it should always be there. */
  readonly byMs: number | null;
}

/** The next morning of a weekday, ms since 1970. @example nextMorning(4, 'UTC', aMonday) // that Thursday at six */
function nextMorning(weekday: number, zone: string, nowMs: number): number {
  for (let day = 0; day <= DAYS_OF_WEEK; day++) {
    const date = localDate(zone, nowMs + day * DAY_MS);
    const ms = instantOfLocal(zone, date, MORNING);
    if (new Date(`${date}T00:00:00.000Z`).getUTCDay() === weekday && ms > nowMs) return ms;
  }
  return nowMs + DAYS_OF_WEEK * DAY_MS;
}

/**
 * What is lacking of what the kitchen wants to have, what is wanted soonest in front. What is past its time does not count as
 * there; what is under way does.
 * @param underWay plans of the batches under way
 * @example lackingOf({ wanted, goods: [], underWay: [], zone: 'UTC', nowMs })[0] // { product: 'yogurt', massKg: 4, byMs }
 */
export function lackingOf(of: {
  readonly wanted: readonly WantedGood[];
  readonly goods: readonly Good[];
  readonly underWay: readonly MakePlan[];
  readonly zone: string;
  readonly nowMs: number;
}): Lacking[] {
  const { wanted, goods, underWay, zone, nowMs } = of;
  const here = (product: ProductId): number =>
    goods
      .filter(({ what }) => what === product)
      .flatMap((good) => good.stocks.filter((stock) => goodKeepBy(good, stock).toMs > nowMs))
      .reduce((sum, { massKg }) => sum + massKg, 0) +
    underWay
      .filter((plan) => plan.product === product)
      .reduce((sum, plan) => sum + comesOut(plan).productKg, 0);
  return [...new Set(wanted.map(({ product }) => product))]
    .flatMap((product): Lacking[] => {
      const own = wanted.filter((one) => one.product === product);
      const massKg = own.reduce((sum, one) => sum + one.massKg, 0) - here(product);
      const mornings = own.flatMap(({ on }) => (on === null ? [] : [nextMorning(on, zone, nowMs)]));
      return massKg < EMPTY_GOOD_KG
        ? []
        : [{ product, massKg, byMs: mornings.length === 0 ? null : Math.min(...mornings) }];
    })
    .sort((a, b) => (a.byMs ?? Infinity) - (b.byMs ?? Infinity) || b.massKg - a.massKg);
}
