import type { KitchenSettings, MakePlan } from '../contract/index.ts';
import { isOver, pointForecast, type MakeState } from '../make/index.ts';
import { chained, rechained, stepIn, unchained } from './chain.ts';
import { dayMakeOf, dayProblem, leftOf, SET_OUT_MIN, type HandsPaces } from './from-makes.ts';
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
  readonly makes: readonly ({
    readonly id: string;
    readonly by: number | null;
    readonly fixed: Readonly<Record<string, number>>;
    readonly who: Readonly<Record<string, string>>;
  } & (
    | { readonly state: MakeState }
    /** Not begun: it is made from what another one of the day gives. */
    | { readonly plan: MakePlan; readonly fedBy: string }
  ))[];
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

/** Nothing may be made from it: it was discarded, or is to be. */
const givesNothing = (state: MakeState, nowMs: number): boolean =>
  state.finished ? state.finished.verdict === 'discarded' : isOver(state, pointForecast(state, nowMs), nowMs);

/** What was pinned and is not past. */
const stillAhead = (fixed: Readonly<Record<string, number>>, nowMin: number): Record<string, number> =>
  Object.fromEntries(Object.entries(fixed).filter(([, minute]) => minute >= nowMin));

/** What moved, each step once: one that begins with fetching has moved as that did. */
function movedSteps(problem: DayProblem, moved: Relaid['moved']): Relaid['moved'] {
  const stepOf = stepIn(problem);
  const steps = new Map<string, Relaid['moved'][number]>();
  for (const { was, now, ...at } of moved) {
    const own = stepOf(at);
    const key = `${own.make} ${own.task}`;
    // Tasks of a chain come in their order.
    if (!steps.has(key)) steps.set(key, { ...own, was, now });
  }
  return [...steps.values()];
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
  const nowMin = Math.max(0, Math.ceil((nowMs - zeroMs) / MINUTE_MS));
  const fedBy = new Map(makes.flatMap((make) => ('plan' in make ? [[make.id, make.fedBy] as const] : [])));
  const nothing = new Set(
    makes.flatMap((of) => ('state' in of && givesNothing(of.state, nowMs) ? [of.id] : [])),
  );
  const onward = makes.flatMap((of): DayMake[] => {
    const make =
      'plan' in of
        ? nothing.has(of.fedBy)
          ? null
          : dayMakeOf({ ...of, paces, from: nowMin, fixed: stillAhead(of.fixed, nowMin) })
        : leftOf(of.state, { ...of, paces }, zeroMs, nowMs);
    if (!make) gone.add(of.id);
    return make ? [make] : [];
  });
  const left = chained(onward, fedBy, SET_OUT_MIN).flatMap((make): DayMake[] => {
    const { within } = cut(make, days * DAY_MIN);
    return within.tasks.length > 0 ? [within] : [];
  });
  const wasLaid = slots.some(({ make, from }) => gone.has(make) && zeroMs + from * MINUTE_MS > nowMs);
  if (left.length === 0) return wasLaid ? { hands: [], moved: [], broken: 0, changed: true } : null;
  const whole = { ...dayProblem(kitchen, left, zeroMs, days + SPARE_DAYS), ...(session ? { session } : {}) };
  const kept = { ...whole, cooks: withoutKept(whole.cooks, keptFree) };
  // Hours that were wished free are given up before something that may not wait is.
  const before = rechained(whole, slots);
  const wished = relayDay(kept, before);
  const relaid = wished?.broken === 0 ? wished : (relayDay(whole, before) ?? wished);
  if (!relaid) return null;
  const problem = relaid === wished ? kept : whole;
  const known = new Set(slots.map(({ make, task }) => `${make} ${task}`));
  const moved = movedSteps(problem, relaid.moved);
  return {
    hands: handsOf(problem, relaid.slots),
    moved,
    broken: relaid.broken,
    changed:
      moved.length > 0 ||
      unchained(problem, relaid.slots).some(({ make, task }) => !known.has(`${make} ${task}`)) ||
      wasLaid,
  };
}
