import { guarded } from './guarded.ts';
import { scoreOf, type DayProblem, type DaySlot, type Score } from './problem.ts';
import { robustness, type Robustness, type WaitSpread } from './robust.ts';
import { solvingDay, triesFor } from './solve.ts';

/** Around what may come early or late, hands are kept free of so many σ in the days that are tried for a steadier one. */
const GUARDS = [
  { there: 0.8, hands: 0.3 },
  { there: 1.28, hands: 0.3 },
  { there: 0.8, hands: 0 },
];
/** Such a share of simulated days on which nothing waits too long is enough. */
const STEADY = 0.95;
/** Steadier days are looked for more roughly than the day itself: with so much of the work. */
const ROUGHLY = 0.4;

/** A day laid out, with how well it bears waits that come out otherwise. */
export interface Laid {
  readonly slots: readonly DaySlot[];
  readonly score: Score;
  readonly robust: Robustness;
  readonly isSteady: boolean;
}

/** Wishes first, then the session, then that it bears what usually runs late, then makes done soon. */
function isMoreWelcome(a: Laid, b: Laid): boolean {
  const wishes = a.score.late - b.score.late || a.score.outside - b.score.outside;
  if (wishes !== 0) return wishes < 0;
  if (a.isSteady !== b.isSteady) return a.isSteady;
  return a.isSteady ? a.score.sum < b.score.sum : a.robust.clashing < b.robust.clashing;
}

/**
 * A day laid out, or a steadier one where too much of it would have to wait too long on days whose waits come out otherwise.
 * @yields how far it is, 0..1
 */
export function* steadier(
  problem: DayProblem,
  slots: readonly DaySlot[],
  spread: WaitSpread,
  seed: number,
): Generator<number, Laid> {
  const tries = triesFor(problem);
  const seen = (of: readonly DaySlot[]): Laid => {
    const robust = robustness(problem, of, spread);
    const isSteady = robust.days - robust.clashing >= STEADY * robust.days;
    return { slots: of, robust, isSteady, score: scoreOf(problem, of) };
  };
  let laid = seen(slots);
  for (const guard of GUARDS) {
    if (laid.isSteady) break;
    const other = guarded(problem, spread, guard);
    const solved = yield* solvingDay(other.problem, seed, ROUGHLY * tries, true);
    if ('clash' in solved) continue;
    const own = seen(other.real(solved.timetable.slots));
    if (isMoreWelcome(own, laid)) laid = own;
  }
  return laid;
}
