import { DAY_MIN, MINUTE_MS } from '../science/units/index.ts';
import type { DayWish } from './asked-day.ts';

/**
 * The same wish told from an earlier zero: nothing of it is at another time.
 * @param zeroMs whole minutes before its own
 * @example toldFrom(wish, wish.zeroMs - HOUR_MS).makes[0].from // 60
 */
export function toldFrom(wish: DayWish, zeroMs: number): DayWish {
  const more = Math.round((wish.zeroMs - zeroMs) / MINUTE_MS);
  const { chores, keptFree, session } = wish;
  return {
    ...wish,
    zeroMs,
    days: wish.days + more / DAY_MIN,
    makes: wish.makes.map((make) => ({
      ...make,
      from: (make.from ?? 0) + more,
      ...(make.by === undefined || make.by === null ? {} : { by: make.by + more }),
      ...(make.fixed
        ? {
            fixed: Object.fromEntries(
              Object.entries(make.fixed).map(([step, minute]) => [step, minute + more]),
            ),
          }
        : {}),
    })),
    ...(chores ? { chores: chores.map((chore) => ({ ...chore, at: chore.at + more })) } : {}),
    ...(keptFree
      ? { keptFree: keptFree.map((free) => ({ ...free, from: free.from + more, to: free.to + more })) }
      : {}),
    ...(session ? { session: session.map(([from, to]) => [from + more, to + more] as const) } : {}),
  };
}

/** Batches that could be begun before the day itself: they wait for nothing else, and nobody pinned them. */
export const mayBeginEarly = ({ eve, makes }: DayWish): DayWish['makes'] =>
  eve
    ? makes.filter(
        ({ from = 0, fixed = {}, fedBy }) =>
          from === eve.opensMin && fedBy === undefined && Object.keys(fixed).length === 0,
      )
    : [];

/** A wish with one of its batches begun as early as the evening before lets it. */
export function begunEarly(wish: DayWish, id: string): DayWish {
  const early = toldFrom(wish, Math.min(wish.zeroMs, wish.eve?.fromMs ?? wish.zeroMs));
  return { ...early, makes: early.makes.map((make) => (make.id === id ? { ...make, from: 0 } : make)) };
}
