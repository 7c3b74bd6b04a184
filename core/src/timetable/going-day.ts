import type { KeptDay } from '../contract/index.ts';
import { waitingIn } from './waiting-in.ts';
import { DAY_MS, MINUTE_MS } from '../science/units/index.ts';

/** Something of a day is still to be made from what another batch of it gave. */
const waits = (day: KeptDay['day']): boolean =>
  waitingIn(day).some(({ id }) => day.slots.some(({ make }) => make === id));

/** The day that is going on: begun, not over, with a make of it still under way or waiting for one; of several the one begun last. */
export function goingOf(
  days: readonly KeptDay[],
  underWay: ReadonlySet<string>,
  nowMs: number,
): KeptDay | null {
  return (
    days
      .filter(
        ({ day }) =>
          day.begunAt !== null &&
          nowMs < Date.parse(day.zeroAt) + (day.days + 1) * DAY_MS &&
          (day.makes.some(({ makeId }) => makeId !== null && underWay.has(makeId)) || waits(day)),
      )
      .sort((a, b) => (a.day.begunAt! < b.day.begunAt! ? 1 : -1))[0] ?? null
  );
}

/** Hands of a day that are still to come. */
export interface ComingSlot {
  /** Of the batch it became, `null` before it is one. */
  readonly makeId: string | null;
  readonly name: string;
  readonly task: string;
  readonly title: string;
  readonly atMs: number;
  readonly minutes: number;
}

/** What the day that is going on still asks of hands, as it was laid out last, in order of time. */
export function comingSlots({ day }: KeptDay, nowMs: number): ComingSlot[] {
  const zeroMs = Date.parse(day.zeroAt);
  const makeOf = new Map(day.makes.map((make) => [make.id, make]));
  return day.slots
    .filter(({ to }) => zeroMs + to * MINUTE_MS > nowMs)
    .map(({ make, task, title, from, to }) => ({
      makeId: makeOf.get(make)?.makeId ?? null,
      name: makeOf.get(make)?.name ?? day.name,
      task,
      title,
      atMs: zeroMs + from * MINUTE_MS,
      minutes: to - from,
    }))
    .sort((a, b) => a.atMs - b.atMs);
}
