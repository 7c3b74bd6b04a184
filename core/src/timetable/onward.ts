import { DAY_MIN } from '../science/units/index.ts';
import type { DayCook, DayProblem } from './problem.ts';

/** What sours for days may be due so long after the last day that is laid out. */
const ONWARD_DAYS = 4;

/** When a cook has hands, also after the last day laid out: as on that one. @example onwardFree(problem, cook).at(-1) // the last evening */
export function onwardFree({ horizon }: DayProblem, { free }: DayCook): DayCook['free'] {
  const spans: [number, number][] = free.map(([from, to]) => [from, to]);
  const usual = free
    .filter(([, to]) => to > horizon - DAY_MIN)
    .map(([from, to]) => [Math.max(from, horizon - DAY_MIN), to] as const);
  for (let day = 1; day <= ONWARD_DAYS; day++)
    for (const [from, to] of usual) {
      const [begin, end] = [from + day * DAY_MIN, to + day * DAY_MIN];
      const last = spans.at(-1);
      if (last && last[1] >= begin) last[1] = end;
      else spans.push([begin, end]);
    }
  return spans;
}
