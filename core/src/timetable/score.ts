import { exposures, riskOf } from './exposure.ts';
import { outsideOf, type DayProblem, type DaySlot, type Timetable } from './problem.ts';

/** How good a timetable is. */
export type Score = Pick<Timetable, 'late' | 'outside' | 'risk' | 'sum' | 'finish'>;

/** One day in ten on which something waits too long is avoided at the price of so much work outside the session, min [judgement]. */
const RISK_MIN = 20 / 0.1;

/** What a day asks of people, min outside the session: its own, and what its risk is worth. */
export const strainOf = (outside: number, risk: number): number => outside + RISK_MIN * risk;

/**
 * Compares two; negative when the first is better: fewer minutes late, fewer outside the session and less at risk, makes done sooner, and last of
 * all an earlier finish, which is that of whatever sours longest.
 */
export const compareScores = (a: Score, b: Score): number =>
  a.late - b.late ||
  strainOf(a.outside, a.risk) - strainOf(b.outside, b.risk) ||
  a.sum - b.sum ||
  a.finish - b.finish;

/** Whether one timetable is better than another. */
export const isBetter = (a: Score, b: Score): boolean => compareScores(a, b) < 0;

/** How good slots are, by what the day asks for; makes that were not laid in count nothing. */
export function scoreOf(problem: DayProblem, slots: readonly DaySlot[]): Score {
  let [late, finish, sum] = [0, 0, 0];
  for (const make of problem.makes) {
    const end = Math.max(0, ...slots.filter((slot) => slot.make === make.id).map(({ to }) => to));
    sum += end;
    finish = Math.max(finish, end);
    if (make.by !== null) late += Math.max(0, end - make.by);
  }
  const outside = slots.reduce((all, { from, to }) => all + outsideOf(problem.session, from, to - from), 0);
  const dues = exposures(problem);
  let chances = 0;
  for (const { id, tasks } of dues.size > 0 ? problem.makes : []) {
    const slotOf = new Map(slots.filter(({ make }) => make === id).map((slot) => [slot.task, slot]));
    for (const [k, task] of tasks.entries()) {
      const before = slotOf.get(tasks[k - 1]?.id ?? '');
      if (before && slotOf.has(task.id))
        chances += dues.get(`${id} ${task.id}`)?.(before.to + task.after) ?? 0;
    }
  }
  return { late, outside, risk: riskOf(chances), finish, sum };
}
