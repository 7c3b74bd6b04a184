import type { Good, GoodKeeping, GoodStock, LarderPlace } from '../../contract/index.ts';
import { DAY_MS } from '../../science/units/index.ts';

/** Thawed goods keep at most so long in the cold, days [judgement]. */
const THAWED_DAYS: readonly [number, number] = [2, 5];
/** Where nobody said how long it keeps it does not: a day at most. */
const NOWHERE: Omit<GoodKeeping, 'place'> = { days: [0, 1], reason: 'does not keep there' };

/** Until when, as a range, and why. */
export interface GoodKeepBy {
  readonly fromMs: number;
  readonly toMs: number;
  readonly reason: string;
}

/** How long goods keep at a place, days, as they are now. */
function daysAt(good: Pick<Good, 'keeps'>, place: LarderPlace, thawed: boolean): Omit<GoodKeeping, 'place'> {
  const found = good.keeps.find((k) => k.place === place) ?? NOWHERE;
  if (!thawed || place === 'freezer') return found;
  return {
    days: [Math.min(found.days[0], THAWED_DAYS[0]), Math.min(found.days[1], THAWED_DAYS[1])],
    reason: 'thawed: use within a few days',
  };
}

const MIN_DAYS = 1 / 24;

/** Shares of its life that goods have used up by an instant, for the short and the long end. */
export function usedUp(good: Pick<Good, 'keeps'>, stock: GoodStock, atMs: number): [number, number] {
  const { days } = daysAt(good, stock.place, stock.thawed);
  const passed = Math.max(0, atMs - stock.sinceMs) / DAY_MS;
  return [
    stock.used[0] + passed / Math.max(MIN_DAYS, days[0]),
    stock.used[1] + passed / Math.max(MIN_DAYS, days[1]),
  ];
}

/**
 * Until when goods keep if they stay where they stand: each place takes its share of their life. Of what was thawed only what the
 * thawed keep is left, however long they stood before. A judgement, shown as a range with its reason.
 * @example goodKeepBy(good, good.stocks[0], nowMs).toMs
 */
export function goodKeepBy(good: Pick<Good, 'keeps'>, stock: GoodStock): GoodKeepBy {
  const { days, reason } = daysAt(good, stock.place, stock.thawed);
  const end = (i: 0 | 1): number => stock.sinceMs + Math.max(0, 1 - stock.used[i]) * days[i] * DAY_MS;
  return { fromMs: end(0), toMs: Math.max(end(0), end(1)), reason };
}
