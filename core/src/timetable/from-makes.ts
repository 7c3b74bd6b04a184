import type { KitchenSettings, MakePlan } from '../contract/index.ts';
import { nobodyThere } from '../kitchen/index.ts';
import {
  isOver,
  pointForecast,
  souringSigmaMin,
  stateOfPlan,
  type MakeState,
  type PointForecast,
} from '../make/index.ts';
import type { MarkRole, MethodStep } from '../steps/index.ts';
import type { DayCook, DayMake, DayProblem, DayTask } from './problem.ts';
import { leastPot, USUAL_COLANDERS, vesselsOf, washedUp, type Vessel } from './vessels.ts';
import { DAY_MIN, MINUTE_MS } from '../science/units/index.ts';

/** Hands are looked up on this grid, min. */
const GRID_MIN = 5;
/** A make planned for a moment may begin so much later and is still as planned, min. */
const LATE_BEGIN_MIN = 24 * 60;
/** What may wait till tomorrow waits so long, min. */
const OVERNIGHT_MIN = 12 * 60;

/** What hands begin and are at all along may be begun so much later, min [judgement]. */
const BEGUN_LATER_MIN = 20;

/** Fetching and measuring out what a batch begins with, min [judgement]. */
export const SET_OUT_MIN = 3;

/** How much longer hands take in this kitchen at kinds of step, as a share of the book's minutes; left out, as the book has it. */
export type HandsPaces = Readonly<Partial<Record<string, number>>>;

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
  readonly paces?: HandsPaces | undefined;
}

/** What a step takes of the kitchen's things. @param plan for the place it stands in */
function holdsOf({ facts }: MethodStep, plan: MakePlan, vessels: readonly Vessel[]): string[] {
  return [
    ...(facts.uses?.includes('burner') ? ['burner'] : []),
    ...vessels,
    ...(facts.sours && plan.place.kind === 'appliance' ? [`place ${plan.place.id}`] : []),
    ...(facts.moves === 'down' && plan.cooling && plan.cooling.kind !== 'counter' ? ['sink'] : []),
  ];
}

/** Whether anything of it was done. */
const startedBefore = ({ steps }: MakeState): boolean =>
  steps.some(({ status }) => status === 'done' || status === 'skipped');

/**
 * How long before it is as sour as wanted it is set and safe, and how long after that it stays so, by its forecast, min; 0 for a step
 * in which nothing sours. What needs a day and a half to be ready is not too sour an hour later.
 */
function ripeMin(
  { marks }: PointForecast,
  { id, facts }: MethodStep,
): { readonly early: number; readonly slack: number } {
  const at = (role: MarkRole): number | null =>
    marks.find((mark) => mark.step === id && mark.role === role)?.atMs ?? null;
  const [body, safe, ready, past] = (['body', 'safe', 'ready', 'past'] as const).map(at);
  if (!facts.sours || !ready) return { early: 0, slack: 0 };
  const minutes = (ms: number): number => Math.max(0, Math.floor(ms / MINUTE_MS));
  return {
    early: body && safe ? minutes(ready - Math.max(body, safe)) : 0,
    slack: past ? minutes(past - ready) : OVERNIGHT_MIN,
  };
}

/** What hands find or do at the end of what goes by itself, in the words it is done with. */
const actAtEnd = ({ due, doing, doneWords, title }: MethodStep): string =>
  due?.text === doing ? `${title}: ${doneWords.toLowerCase()}` : doneWords;

/** The tasks of a make's steps from one on. */
function tasksOf(
  state: MakeState,
  point: PointForecast,
  fromMs: number,
  { who = {}, paces = {} }: Pick<AskedMake, 'who' | 'paces'>,
): DayTask[] | null {
  const tasks: DayTask[] = [];
  let endMs = fromMs;
  let sigmaBefore = 0;
  const steps = state.steps.map(({ step }) => step);
  const vessels = vesselsOf(state.plan, steps);
  const least = { pot: leastPot(state.plan) };
  for (const [n, { step, status }] of state.steps.entries()) {
    if (status === 'done' || status === 'skipped') continue;
    const time = point.steps.find(({ id }) => id === step.id);
    if (!time || time.endless) return null;
    const long = Math.max(0, Math.round((time.endMs - endMs) / MINUTE_MS));
    endMs = Math.max(endMs, time.endMs);
    const lead = step.allAlong ? long : Math.min(long, step.leadMin ?? 0);
    const { waits, whenever, overnight } = step.facts;
    // Hands that are at it already have only the rest of it to do.
    const pace = paces[step.kind] ?? 1;
    const handsMin = step.handsMin * pace;
    const leastMin = status === 'current' && startedBefore(state) ? 1 : handsMin;
    const setOut = n === 0 ? SET_OUT_MIN : 0;
    const ripe = ripeMin(point, step);
    const holds = holdsOf(step, state.plan, vessels[n]!);
    const sigma = waits ? Math.sqrt(Math.max(0, time.sigmaMin ** 2 - sigmaBefore ** 2)) : 0;
    tasks.push({
      id: step.id,
      title: step.title,
      // Hands that are at it all along begin with it.
      ...(waits && step.allAlong !== true ? { act: actAtEnd(step) } : {}),
      minutes: Math.max(1, Math.round(waits ? handsMin + lead : Math.max(leastMin, long * pace) + setOut)),
      after: waits ? long - lead : 0,
      slack: whenever
        ? DAY_MIN
        : Math.max(
            step.slackMin,
            overnight ? OVERNIGHT_MIN : 0,
            step.allAlong ? BEGUN_LATER_MIN : 0,
            ripe.slack,
          ),
      ...(ripe.early > 0 ? { early: ripe.early } : {}),
      ...(sigma > 0 ? { sigma } : {}),
      ...(step.allAlong && holds.includes('burner') ? { stays: true } : {}),
      holds,
      ...(holds.includes('pot') ? { least } : {}),
      who: who[step.id] ?? null,
    });
    sigmaBefore = Math.max(sigmaBefore, time.sigmaMin);
  }
  return washedUp(steps, tasks);
}

/** The step of a plan that never comes to an end as things stand; `null` when each does. */
export function endlessStep(plan: MakePlan): MethodStep | null {
  const state = stateOfPlan(plan);
  const { steps } = pointForecast(state, Date.parse(plan.startAt));
  const endless = steps.find((time) => time.endless);
  return state.steps.find(({ step }) => step.id === endless?.id)?.step ?? null;
}

/**
 * A make as the day sees it: hands with their waits, by the middle line of its forecast.
 * @returns `null` when it never comes to an end as things stand
 */
export function dayMakeOf({ id, plan, from, by, fixed, who, paces }: AskedMake): DayMake | null {
  const state = stateOfPlan(plan);
  const point = pointForecast(state, Date.parse(plan.startAt));
  const tasks = tasksOf(state, point, point.steps[0]?.startMs ?? Date.parse(plan.startAt), { who, paces });
  if (!tasks) return null;
  const souring = state.steps.find(({ step }) => step.facts.sours)?.step.id;
  const sigma = souring === undefined ? 0 : souringSigmaMin(state, state.startedAtMs);
  return {
    id,
    title: plan.name,
    from,
    tasks: tasks.map((task) => (task.id === souring && sigma > 0 ? { ...task, sigma } : task)),
    fixed,
    by,
  };
}

/**
 * What is left of a make that was begun, as things stand now; of one that nobody has touched yet, all of it.
 * @param of the make's identity in the day
 * @returns `null` when nothing is left, or it never comes to an end
 */
export function leftOf(
  state: MakeState,
  of: Pick<AskedMake, 'id' | 'by' | 'fixed' | 'who' | 'paces'>,
  zeroMs: number,
  nowMs: number,
): DayMake | null {
  const { id, by, who, paces } = of;
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
    const whole = dayMakeOf({ id, plan: state.plan, from: starts, by, fixed, who, paces });
    return whole && { ...whole, title: state.plan.name };
  }
  const point = pointForecast(state, nowMs);
  // What is to be discarded asks for no hands of the day.
  const tasks =
    state.finished || isOver(state, point, nowMs) ? null : tasksOf(state, point, nowMs, { who, paces });
  if (!tasks || tasks.length === 0) return null;
  const [first, ...rest] = tasks;
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
    const there = (minute: number): boolean =>
      !nobodyThere({ ...kitchen, cooks: [cook] }, zeroMs + minute * MINUTE_MS);
    const free: [number, number][] = [];
    const add = (from: number, to: number): void => {
      const last = free.at(-1);
      if (last?.[1] === from) last[1] = to;
      else free.push([from, to]);
    };
    let isThere = there(0);
    for (let at = 0; at < minutes; at += GRID_MIN) {
      const stays = there(at + GRID_MIN);
      if (isThere && stays) add(at, at + GRID_MIN);
      // Bedtimes are at any minute: where somebody comes or goes, each is looked at.
      else if (isThere || stays)
        for (let minute = at; minute < at + GRID_MIN; minute++) if (there(minute)) add(minute, minute + 1);
      isThere = stays;
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
      colander: USUAL_COLANDERS,
      // Somebody without a churn of their own has a jar.
      churn: Math.max(1, kitchen.churns.length),
      ...Object.fromEntries(places.map((place) => [place, 1])),
    },
    sizes: { pot: kitchen.pots.map(({ litres }) => litres) },
    horizon,
  };
}
