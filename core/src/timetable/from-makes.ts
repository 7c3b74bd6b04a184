import type { KitchenSettings, MakePlan } from '../contract/index.ts';
import { attendance } from '../kitchen/index.ts';
import {
  pointForecast,
  souringSigmaMin,
  stateOfPlan,
  type MakeState,
  type PointForecast,
} from '../make/index.ts';
import type { MethodStep } from '../steps/index.ts';
import type { DayCook, DayMake, DayProblem, DayTask } from './problem.ts';
import { DAY_MIN, MINUTE_MS } from '../science/units/index.ts';

/** Hands are looked up on this grid, min. */
const GRID_MIN = 5;
/** A make planned for a moment may begin so much later and is still as planned, min. */
const LATE_BEGIN_MIN = 24 * 60;
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
  /** Who does a step, by step. */
  readonly who?: Readonly<Record<string, string>> | undefined;
}

/** What a step takes of the kitchen's things. @param plan for the place it stands in */
function holdsOf({ facts }: MethodStep, plan: MakePlan): string[] {
  return [
    ...(facts.uses ?? []),
    ...(IN_A_POT.has(facts.inThePot) ? ['pot'] : []),
    ...(facts.sours && plan.place.kind === 'appliance' ? [`place ${plan.place.id}`] : []),
    ...(facts.moves === 'down' && plan.cooling && plan.cooling.kind !== 'counter' ? ['sink'] : []),
  ];
}

/** Whether anything of it was done. */
const startedBefore = ({ steps }: MakeState): boolean =>
  steps.some(({ status }) => status === 'done' || status === 'skipped');

/** The tasks of a make's steps from one on, with one σ of the wait before each. */
function tasksOf(
  state: MakeState,
  point: PointForecast,
  fromMs: number,
  who: Readonly<Record<string, string>>,
): { readonly tasks: DayTask[]; readonly sigmaMin: Map<string, number> } | null {
  const tasks: DayTask[] = [];
  const sigmas = new Map<string, number>();
  let endMs = fromMs;
  let sigmaBefore = 0;
  for (const { step, status } of state.steps) {
    if (status === 'done' || status === 'skipped') continue;
    const time = point.steps.find(({ id }) => id === step.id);
    if (!time || time.endless) return null;
    const long = Math.max(0, Math.round((time.endMs - endMs) / MINUTE_MS));
    endMs = Math.max(endMs, time.endMs);
    const lead = Math.min(long, step.leadMin ?? 0);
    const { waits, whenever, overnight } = step.facts;
    // Hands that are at it already have only the rest of it to do.
    const least = status === 'current' && startedBefore(state) ? 1 : step.handsMin;
    tasks.push({
      id: step.id,
      title: step.title,
      minutes: Math.max(1, Math.round(waits ? step.handsMin + lead : Math.max(least, long))),
      after: waits ? long - lead : 0,
      slack: whenever ? DAY_MIN : Math.max(step.slackMin, overnight ? OVERNIGHT_MIN : 0),
      holds: holdsOf(step, state.plan),
      who: who[step.id] ?? null,
    });
    sigmas.set(step.id, waits ? Math.sqrt(Math.max(0, time.sigmaMin ** 2 - sigmaBefore ** 2)) : 0);
    sigmaBefore = Math.max(sigmaBefore, time.sigmaMin);
  }
  return { tasks, sigmaMin: sigmas };
}

/** A make as the day sees it. */
export interface SeenMake {
  readonly make: DayMake;
  /** One σ of the wait before each task, min, where the model knows one. */
  readonly sigmaMin: ReadonlyMap<string, number>;
}

/**
 * A make as the day sees it: hands with their waits, by the middle line of its forecast.
 * @returns `null` when it never comes to an end as things stand
 */
export function dayMakeOf({ id, plan, from, by, fixed, who = {} }: AskedMake): SeenMake | null {
  const state = stateOfPlan(plan);
  const point = pointForecast(state, Date.parse(plan.startAt));
  const seen = tasksOf(state, point, point.steps[0]?.startMs ?? Date.parse(plan.startAt), who);
  if (!seen) return null;
  const souring = state.steps.find(({ step }) => step.facts.sours)?.step.id;
  if (souring !== undefined) seen.sigmaMin.set(souring, souringSigmaMin(state, state.startedAtMs));
  return { make: { id, title: plan.name, from, tasks: seen.tasks, fixed, by }, sigmaMin: seen.sigmaMin };
}

/**
 * What is left of a make that was begun, as things stand now; of one that nobody has touched yet, all of it.
 * @param of the make's identity in the day
 * @returns `null` when nothing is left, or it never comes to an end
 */
export function leftOf(
  state: MakeState,
  of: Pick<AskedMake, 'id' | 'by' | 'fixed' | 'who'>,
  zeroMs: number,
  nowMs: number,
): DayMake | null {
  const { id, by, who = {} } = of;
  const begun = startedBefore(state);
  const from = Math.max(0, Math.ceil((nowMs - zeroMs) / MINUTE_MS));
  const fixed = Object.fromEntries(
    Object.entries(of.fixed).filter(
      ([step, minute]) =>
        minute >= from &&
        state.steps.some((s) => s.step.id === step && s.status !== 'done' && s.status !== 'skipped'),
    ),
  );
  if (!begun && state.startedAtMs >= nowMs - MINUTE_MS * LATE_BEGIN_MIN) {
    // It begins when it was to, or as soon after that as can be.
    const starts = Math.max(from, Math.round((state.startedAtMs - zeroMs) / MINUTE_MS));
    const whole = dayMakeOf({ id, plan: state.plan, from: starts, by, fixed, who });
    return whole && { ...whole.make, title: state.plan.name };
  }
  const point = pointForecast(state, nowMs);
  const seen = state.finished ? null : tasksOf(state, point, nowMs, who);
  if (!seen || seen.tasks.length === 0) return null;
  const [first, ...rest] = seen.tasks;
  const time = point.steps.find((t) => t.id === first!.id)!;
  // What should have been over is due at once, and has so much less time left.
  const over = Math.max(0, Math.round((nowMs - time.endMs) / MINUTE_MS));
  return {
    id,
    title: state.plan.name,
    from,
    fixed,
    by,
    underWay: begun,
    tasks: [{ ...first!, slack: Math.max(0, first!.slack - over) }, ...rest],
  };
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
      // Cold water is run into one sink; cloths there are as many as are soaked the evening before.
      sink: 1,
      // Somebody without a churn of their own has a jar.
      churn: Math.max(1, kitchen.churns.length),
      ...Object.fromEntries(places.map((place) => [place, 1])),
    },
    horizon,
  };
}
