import type { KitchenSettings, MakePlan } from '../contract/index.ts';
import { attendance } from '../kitchen/index.ts';
import { pointForecast, stateOfPlan } from '../make/index.ts';
import type { MethodStep } from '../steps/index.ts';
import type { DayCook, DayMake, DayProblem, DayTask } from './problem.ts';

const MINUTE_MS = 60_000;
const DAY_MIN = 24 * 60;
/** Hands are looked up on this grid, min. */
const GRID_MIN = 5;
/** What may wait till tomorrow waits so long, min. */
const OVERNIGHT_MIN = 12 * 60;

/** What stands in a pot in these. */
const IN_A_POT: ReadonlySet<MethodStep['facts']['inThePot']> = new Set([
  'milk',
  'hot-milk',
  'warm-milk',
  'curd',
  'ghee',
  'hot-ghee',
]);

/** A make that is to be laid into a day. */
export interface AskedMake {
  readonly id: string;
  readonly plan: MakePlan;
  /** Not before, min from the day's zero. */
  readonly from: number;
  readonly by: number | null;
  readonly fixed: Readonly<Record<string, number>>;
}

/** What a step takes of the kitchen's things. @param plan for the place it stands in */
function holdsOf({ facts }: MethodStep, plan: MakePlan): string[] {
  return [
    ...(facts.moves === 'up' || facts.tooHot || (facts.waits && facts.inThePot === 'hot-milk')
      ? ['burner']
      : []),
    ...(IN_A_POT.has(facts.inThePot) ? ['pot'] : []),
    ...(facts.sours && plan.place.kind === 'appliance' ? [`place ${plan.place.id}`] : []),
    ...(facts.parts ? ['churn'] : []),
  ];
}

/**
 * A make as the day sees it: hands with their waits, by the middle line of its forecast.
 * @returns `null` when it never comes to an end as things stand
 */
export function dayMakeOf({ id, plan, from, by, fixed }: AskedMake): DayMake | null {
  const state = stateOfPlan(plan);
  const point = pointForecast(state, Date.parse(plan.startAt));
  const tasks: DayTask[] = [];
  let endMs = point.steps[0]?.startMs ?? Date.parse(plan.startAt);
  for (const [i, { step }] of state.steps.entries()) {
    const time = point.steps[i];
    if (!time || time.endless) return null;
    const long = Math.max(0, Math.round((time.endMs - endMs) / MINUTE_MS));
    endMs = Math.max(endMs, time.endMs);
    const lead = Math.min(long, step.leadMin ?? 0);
    const { waits, whenever, overnight } = step.facts;
    tasks.push({
      id: step.id,
      title: step.title,
      minutes: Math.max(1, Math.round(waits ? step.handsMin + lead : Math.max(step.handsMin, long))),
      after: waits ? long - lead : 0,
      slack: whenever ? DAY_MIN : Math.max(step.slackMin, overnight ? OVERNIGHT_MIN : 0),
      holds: holdsOf(step, plan),
    });
  }
  return { id, title: plan.name, from, tasks, fixed, by };
}

/** When each cook has hands, in minutes from an instant on. */
export function dayCooks(
  kitchen: Pick<KitchenSettings, 'cooks' | 'absences' | 'site'>,
  zeroMs: number,
  minutes: number,
): DayCook[] {
  return kitchen.cooks.map((cook) => {
    const there = attendance({ ...kitchen, cooks: [cook] }, zeroMs, zeroMs + minutes * MINUTE_MS);
    const free: [number, number][] = [];
    for (let at = 0; at < minutes; at += GRID_MIN) {
      if (!there.at(zeroMs + at * MINUTE_MS)) continue;
      const last = free.at(-1);
      if (last?.[1] === at) last[1] = at + GRID_MIN;
      else free.push([at, at + GRID_MIN]);
    }
    return { id: cook.id, name: cook.name, free };
  });
}

/** A day, or several, of a kitchen: its cooks' hours, its things, and what is to be made. */
export function dayProblem(
  kitchen: KitchenSettings,
  makes: readonly DayMake[],
  zeroMs: number,
  days: number,
): DayProblem {
  const horizon = days * DAY_MIN;
  const places = makes
    .flatMap(({ tasks }) => tasks.flatMap(({ holds }) => holds))
    .filter((h) => h.startsWith('place '));
  return {
    makes,
    cooks: dayCooks(kitchen, zeroMs, horizon),
    things: {
      burner: kitchen.burners.length,
      pot: kitchen.pots.length,
      // Somebody without a churn of their own has a jar.
      churn: Math.max(1, kitchen.churns.length),
      ...Object.fromEntries(places.map((place) => [place, 1])),
    },
    horizon,
  };
}
