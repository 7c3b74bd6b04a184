import type { KitchenSettings, Method } from '../contract/index.ts';
import { STARTER_FACTS, type Sourness } from '../science/souring/index.ts';
import { CAUTIONS, type Advice, type CautionId } from '../setup/index.ts';
import { adviseOn, planOfMethod } from '../products/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import {
  likelyKg,
  makeFlow,
  markWords,
  placeThatWould,
  pointForecast,
  reachesOf,
  reachWords,
  souringOf,
  stateOfPlan,
  type Reached,
} from '../make/index.ts';
import { thingsOf } from './asks.ts';
import type { Added } from './recipe-words.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** A cheese has soured as far as it does by then, h [judgement]. */
const SOURS_ON_H = 20;

/** One step of a method as it goes in a kitchen. */
export interface MeasuredStep {
  readonly id: string;
  readonly title: string;
  readonly startMs: number;
  readonly endMs: number;
  readonly handsMin: number;
  readonly mustAct: boolean;
  /** It never comes to an end as things stand. */
  readonly endless: boolean;
}

/** A method, gone through once in a kitchen. Estimates. */
export interface Measured {
  readonly litres: number;
  readonly steps: readonly MeasuredStep[];
  /** From the first step to where nothing of it waits any more, h. */
  readonly hours: number;
  readonly handsMin: number;
  /** It never gets as sour as wanted, as this kitchen is. */
  readonly never: boolean;
  /** What is reached, where what is wanted is not, and where else that would be; hours from the beginning. */
  readonly reaches: readonly { readonly what: Reached['what']; readonly hours: number }[];
  readonly instead: { readonly place: string; readonly hours: number } | null;
  /** The same in sentences; `null` where what is wanted is reached. */
  readonly reachWords: string | null;
  /** pH in the end, `null` where nothing sours. */
  readonly ph: number | null;
  readonly sourness: Sourness | null;
  readonly body: number | null;
  readonly bodyWord: string | null;
  /** Milk or cream that goes in, kg. */
  readonly inKg: number;
  readonly outKg: number;
  readonly wheyKg: number;
  /** What its steps put in besides the starter, as of which step. */
  readonly added: readonly Added[];
  readonly starter: string;
  readonly things: readonly string[];
  readonly cautions: readonly CautionId[];
  readonly advice: readonly Advice[];
  /** [ms, °C] and [ms, pH] from the beginning. */
  readonly temperature: readonly (readonly [number, number])[];
  readonly phCourse: readonly (readonly [number, number])[];
}

/**
 * What a method comes to in a kitchen: times, hands, sourness, body, what comes out, what it asks and what is to be minded.
 * @param startAt instant in UTC
 * @param litres left out, as much as a make of it usually is
 */
export function measureMethod(
  method: Method,
  kitchen: KitchenSettings,
  startAt: string,
  litres?: number,
): Measured {
  const plan = planOfMethod(method, kitchen, startAt, litres);
  const state = stateOfPlan(plan);
  const startMs = Date.parse(startAt);
  const point = pointForecast(state, startMs);
  const souring = souringOf(state);
  const flow = makeFlow(state, point.denatured, gelHours(point));
  const steps = state.steps.map(({ step }, i): MeasuredStep => {
    const time = point.steps[i]!;
    return {
      id: step.id,
      title: step.title,
      // A souring is forecast by its end: it begins where the step before it ends.
      startMs: Math.min(time.endMs, point.steps[i - 1]?.endMs ?? time.startMs),
      endMs: time.endMs,
      handsMin: step.handsMin,
      mustAct: step.mustAct,
      endless: time.endless,
    };
  });
  const binding = state.steps.flatMap(({ step }, i) => (step.facts.whenever ? [] : [steps[i]!.endMs]));
  const endMs = Math.max(startMs, ...binding);
  // What sours on in curd and press is told by the next day.
  const timed = souring?.timedMin !== undefined;
  const lastPh =
    point.ph.length === 0
      ? null
      : timed
        ? interpolateLinear(
            point.ph.map(([ms]) => ms),
            point.ph.map(([, v]) => v),
            Math.min(endMs, point.inoculationMs + SOURS_ON_H * HOUR_MS),
          )
        : point.pickUpPh;
  const never = souring !== null && !timed && point.marks.some((m) => m.role === 'ready' && m.atMs === null);
  const hoursOf = (ms: number): number => (ms - startMs) / HOUR_MS;
  const reached = never ? reachesOf(state, point) : [];
  const other = never ? placeThatWould(plan, kitchen.places) : null;
  return {
    litres: plan.milk.litres,
    steps,
    hours: (endMs - startMs) / HOUR_MS,
    handsMin: steps.reduce((sum, { handsMin }) => sum + handsMin, 0),
    never,
    reaches: reached.map(({ what, atMs }) => ({ what, hours: hoursOf(atMs) })),
    instead: other && { place: other.place.name, hours: hoursOf(other.atMs) },
    reachWords: never
      ? reachWords({
          reached,
          wanted: plan.wanted.sourness,
          body: markWords(state, 'body'),
          placeName: plan.place.name,
          other,
          when: (ms) => `after about ${Math.round(hoursOf(ms))} h`,
        })
      : null,
    ph: souring ? lastPh : null,
    sourness: souring && !timed ? point.sourness : null,
    body: souring && !timed ? point.firmness : null,
    bodyWord: souring && !timed ? souring.bodyWord(point.firmness) : null,
    inKg: flow.wentIn.massKg - (plan.starter.massKg ?? 0),
    outKg: likelyKg(state) ?? flow.out.massKg,
    wheyKg: flow.off.filter(({ what }) => what === 'whey').reduce((sum, { massKg }) => sum + massKg, 0),
    added: flow.added.map(({ step, what, massKg }) => ({ step, what, massKg })),
    starter: souring ? STARTER_FACTS[plan.starter.kind].label : '',
    things: thingsOf(plan, kitchen.units.measures),
    cautions: [...new Set(state.steps.flatMap(({ step }) => step.cautions))].filter((id) => id in CAUTIONS),
    advice: adviseOn(plan, kitchen.units),
    temperature: point.temperature,
    phCourse: point.ph,
  };
}

/** Hours from inoculation to the gel; `null` when it does not gel. */
function gelHours(point: ReturnType<typeof pointForecast>): number | null {
  const atMs = point.marks.find(({ role }) => role === 'gel')?.atMs ?? null;
  return atMs === null ? null : (atMs - point.inoculationMs) / HOUR_MS;
}
