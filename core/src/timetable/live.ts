import type { KitchenSettings } from '../contract/index.ts';
import type { MakeState } from '../make/index.ts';
import { dayProblem, leftOf, type HandsPaces } from './from-makes.ts';
import { handsOf, type DayHands } from './hands.ts';
import { withoutKept, type KeptFree } from './kept-free.ts';
import type { DayMake, DayProblem, DaySlot } from './problem.ts';
import { relayDay, type Relaid } from './relay.ts';
import { cut, SPARE_DAYS } from './asked-day.ts';
import { DAY_MIN, MINUTE_MS } from '../science/units/index.ts';

/** A day that is going on. */
export interface GoingDay {
  readonly kitchen: KitchenSettings;
  readonly zeroMs: number;
  readonly days: number;
  readonly keptFree: readonly KeptFree[];
  /** Hours meant to be spent at it, min from the zero. */
  readonly session?: DayProblem['session'];
  readonly makes: readonly {
    readonly id: string;
    readonly state: MakeState;
    readonly by: number | null;
    readonly fixed: Readonly<Record<string, number>>;
    readonly who: Readonly<Record<string, string>>;
  }[];
  /** The timetable so far. */
  readonly slots: readonly DaySlot[];
  readonly nowMs: number;
  readonly paces?: HandsPaces;
}

/** What is left of a day, laid out anew. */
export interface DayGoesOn {
  readonly hands: readonly DayHands[];
  readonly moved: Relaid['moved'];
  readonly broken: number;
  /** What is done, skipped or finished keeps its slot no longer; what was added has one now. */
  readonly changed: boolean;
}

/**
 * What is left of a day from now on, with as little changed as needed.
 * @returns `null` when nothing is left, or nobody is there for it any more
 */
export function goOn({
  kitchen,
  zeroMs,
  days,
  keptFree,
  session,
  makes,
  slots,
  nowMs,
  paces,
}: GoingDay): DayGoesOn | null {
  /** Nothing is left of them, though the timetable has them still: they are to be discarded. */
  const gone = new Set<string>();
  const left = makes.flatMap(({ state, ...of }): DayMake[] => {
    const make = leftOf(state, { ...of, paces }, zeroMs, nowMs);
    if (!make) {
      gone.add(of.id);
      return [];
    }
    const { within } = cut(make, days * DAY_MIN);
    return within.tasks.length > 0 ? [within] : [];
  });
  const wasLaid = slots.some(({ make, from }) => gone.has(make) && zeroMs + from * MINUTE_MS > nowMs);
  if (left.length === 0) return wasLaid ? { hands: [], moved: [], broken: 0, changed: true } : null;
  const whole = { ...dayProblem(kitchen, left, zeroMs, days + SPARE_DAYS), ...(session ? { session } : {}) };
  const kept = { ...whole, cooks: withoutKept(whole.cooks, keptFree) };
  // Hours that were wished free are given up before something that may not wait is.
  const wished = relayDay(kept, slots);
  const relaid = wished?.broken === 0 ? wished : (relayDay(whole, slots) ?? wished);
  if (!relaid) return null;
  const problem = relaid === wished ? kept : whole;
  const known = new Set(slots.map(({ make, task }) => `${make} ${task}`));
  return {
    hands: handsOf(problem, relaid.slots),
    moved: relaid.moved,
    broken: relaid.broken,
    changed:
      relaid.moved.length > 0 ||
      relaid.slots.some(({ make, task }) => !known.has(`${make} ${task}`)) ||
      wasLaid,
  };
}
