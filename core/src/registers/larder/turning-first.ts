import type { Good, GoodStock, Lot } from '../../contract/index.ts';
import type { Due } from '../cultures/index.ts';
import { EMPTY_KG, keepOf } from '../milk/index.ts';
import { goodKeepBy } from './keep.ts';
import { EMPTY_GOOD_KG } from './larder-register.ts';
import { DAY_MS } from '../../science/units/index.ts';

/** What turns within so long goes before anything frozen. */
const BEFORE_FROZEN_MS = 2 * DAY_MS;

/** Whether it lies in the freezer. */
export const isFrozen = (thing: TurningThing): boolean =>
  (thing.of === 'goods' ? thing.stock.place : thing.of === 'milk' ? thing.lot.place : null) === 'freezer';

/** What is due of a culture because it loses its strength. */
const WEAKENS: ReadonlySet<Due['kind']> = new Set(['use-by', 'use-within', 'feed']);

/** Something that will turn, whatever register it stands in. */
export type TurningThing = {
  /** Earliest and latest end, ms since 1970, and why. */
  readonly fromMs: number;
  readonly toMs: number;
  readonly reason: string;
} & (
  | { readonly of: 'goods'; readonly good: Good; readonly stock: GoodStock }
  | { readonly of: 'milk'; readonly lot: Lot }
  | { readonly of: 'culture'; readonly due: Due }
);

/**
 * Goods, milk, cream and cultures in one list, what turns first in front; what is empty is not in it.
 * @param due what cultures want, of which those that lose their strength are told
 * @example turningFirst(goods, lots, nowMs)[0].reason // 'raw'
 */
export function turningFirst(
  goods: readonly Good[],
  lots: readonly Lot[],
  nowMs: number,
  due: readonly Due[] = [],
): TurningThing[] {
  const own = goods.flatMap((good) =>
    good.stocks
      .filter(({ massKg }) => massKg >= EMPTY_GOOD_KG)
      .map((stock): TurningThing => ({ of: 'goods', good, stock, ...goodKeepBy(good, stock) })),
  );
  const milk = lots
    .filter((lot) => lot.has.massKg >= EMPTY_KG)
    .map((lot): TurningThing => {
      const { fromMs, toMs, reason, toChurn } = keepOf(lot, nowMs);
      // Cream that is to sour goes on to be churned.
      return toChurn && fromMs <= nowMs
        ? { of: 'milk', lot, ...toChurn, reason: 'to churn or ripen' }
        : { of: 'milk', lot, fromMs, toMs, reason };
    });
  const cultures = due
    .filter(({ kind }) => WEAKENS.has(kind))
    .map((one): TurningThing => ({
      of: 'culture',
      due: one,
      fromMs: one.atMs,
      toMs: one.atMs,
      reason: one.text,
    }));
  // What lies in the freezer loses its taste by its day and harms nobody: what turns today and tomorrow goes before it.
  const rank = (thing: TurningThing): number =>
    isFrozen(thing) ? Math.max(thing.fromMs, nowMs + BEFORE_FROZEN_MS) : thing.fromMs;
  return [...own, ...milk, ...cultures].sort((a, b) => rank(a) - rank(b) || a.toMs - b.toMs);
}
