import { exposures, riskOf } from './exposure.ts';
import { outsideOf, type DayProblem, type DaySlot, type Timetable } from './problem.ts';

/** How good a timetable is. */
export type Score = Pick<Timetable, 'late' | 'outside' | 'risk' | 'sum' | 'finish'>;

/** So little work outside the session is as good as so little less of it, min [judgement]. */
const OUTSIDE_STEP_MIN = 15;
/** One day in ten on which something waits too long is avoided at the price of ten hours by which one batch is done later [judgement]. */
const RISK_MIN = (10 * 60) / 0.1;

/** What is better within the same wishes and hours, min: makes done sooner, and less at risk. */
const costOf = ({ outside, risk, sum }: Pick<Score, 'outside' | 'risk' | 'sum'>): number =>
  outside + RISK_MIN * risk + sum;

/**
 * Compares two; negative when the first is better: fewer minutes late, fewer quarters of an hour outside the session, makes done sooner
 * and less at risk, and last of all an earlier finish, which is that of whatever sours longest.
 */
export const compareScores = (a: Score, b: Score): number =>
  a.late - b.late ||
  Math.floor(a.outside / OUTSIDE_STEP_MIN) - Math.floor(b.outside / OUTSIDE_STEP_MIN) ||
  costOf(a) - costOf(b) ||
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
    for (const { id, by } of make.tasks)
      if (by !== undefined)
        late += Math.max(0, (slots.find((slot) => slot.make === make.id && slot.task === id)?.to ?? 0) - by);
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
