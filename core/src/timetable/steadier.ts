import { guarded } from './guarded.ts';
import { inSizes, sizesApart } from './in-sizes.ts';
import type { DayProblem, DaySlot } from './problem.ts';
import { robustness, type Robustness } from './robust.ts';
import { isBetter, scoreOf, type Score } from './score.ts';
import { createSequenceTimer } from './sequence.ts';
import { hasRoom, solvingDay, triesFor } from './solve.ts';

/** Such a share of simulated days on which something waits too long is as good as none. */
const UNSTEADY = 0.05;
/** A steadier day is looked for more roughly than the day itself: with so much of the work. */
const ROUGHLY = 0.4;
/** By so much the beginning of a batch is put off where that keeps it out of another one's way, min. */
const PUT_OFF_MIN = [10, 20, 40, 60, 90, 150, 300, 600];
/** Simulated days by which one such day is told from another; all of them are by which it is believed. */
const FEW = 60;

/** A day laid out, with how well it bears waits that come out otherwise. */
export interface Laid {
  readonly slots: readonly DaySlot[];
  readonly score: Score;
  readonly robust: Robustness;
}

const unsteady = ({ clashing, days }: Robustness): number => Math.max(0, clashing / days - UNSTEADY);

/** As the search compares, but by what was simulated: that knows of hands that are busy, too. */
const isMoreWelcome = (a: Laid, b: Laid): boolean =>
  isBetter({ ...a.score, risk: unsteady(a.robust) }, { ...b.score, risk: unsteady(b.robust) });

const seen = (problem: DayProblem, slots: readonly DaySlot[], days?: number): Laid => ({
  slots,
  robust: robustness(problem, slots, days),
  score: scoreOf(problem, slots),
});

/** The same order of work with single batches begun later, where that is steadier. @yields `share`, how far all of it is */
function* putOff(problem: DayProblem, from: Laid, share: number): Generator<number, Laid> {
  const sized = [inSizes(problem), sizesApart(problem)];
  let best = from;
  /** Of few days, so that all are told apart by the same ones. */
  let told = seen(problem, from.slots, FEW);
  for (const { id, tasks, fixed, underWay } of problem.makes) {
    const [first] = tasks;
    if (!first || underWay || fixed[first.id] !== undefined) continue;
    const begins = told.slots.find(({ make, task }) => make === id && task === first.id)!.from;
    for (const minutes of PUT_OFF_MIN) {
      if (unsteady(best.robust) === 0) return best;
      const later = laterBegun(problem, sized, told.slots, (make, task) =>
        make === id && task === first.id ? begins + minutes : 0,
      );
      yield share;
      if (!later) break;
      const own = seen(problem, later, FEW);
      if (!isMoreWelcome(own, told)) continue;
      const sure = seen(problem, later);
      if (!isMoreWelcome(sure, best)) continue;
      [best, told] = [sure, own];
    }
  }
  return best;
}

/** Slots in the same order, nothing before a minute of its own; `null` where that leads nowhere. */
function laterBegun(
  problem: DayProblem,
  sized: readonly DayProblem[],
  slots: readonly DaySlot[],
  notBefore: (make: string, task: string) => number,
): DaySlot[] | null {
  for (const day of sized) {
    const timer = createSequenceTimer(day, notBefore);
    if (!timer.timed(timer.sequenceOf(slots), problem.horizon)) continue;
    const laid = timer.slots();
    if (hasRoom(problem, laid)) return laid;
  }
  return null;
}

/**
 * A day laid out, or a steadier one where too much of it would have to wait too long on days whose waits come out otherwise: single
 * batches are begun later, or all of it is laid so that somebody is there for what may come early or late.
 * @yields how far it is, 0..1
 */
export function* steadier(
  problem: DayProblem,
  slots: readonly DaySlot[],
  seed: number,
): Generator<number, Laid> {
  const laid = yield* putOff(problem, seen(problem, slots), 0);
  if (unsteady(laid.robust) === 0) return laid;
  const solved = yield* solvingDay(guarded(problem), seed, ROUGHLY * triesFor(problem), true);
  if ('clash' in solved) return laid;
  const other = yield* putOff(problem, seen(problem, solved.timetable.slots), 0.9);
  return isMoreWelcome(other, laid) ? other : laid;
}
