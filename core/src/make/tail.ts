import { FRIDGE_C } from '../science/heat/index.ts';
import { productOf } from '../products/index.ts';
import { CELLAR_C, STEP_TYPES, told } from '../steps/index.ts';
import type { MakePlan, Stands } from '../contract/index.ts';
import { roomAtC } from '../setup/index.ts';
import { makeFlow } from './make-flow.ts';
import { souringStep, type MakeState, type StepState } from './state.ts';
import type { StepTime } from './step-time.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** Judge it after this long in the cold, h, where its step says nothing else. */
const CHILL_H = 4;

/** What has to be known of a souring to go on from it. */
export interface TailFrom {
  readonly sigmaMin: number;
  readonly nowMs: number;
  readonly z?: number;
  readonly denatured: number;
  /** pH foreseen at an instant, and when it gels, hours from inoculation. */
  readonly phAt: (ms: number) => number;
  readonly gelH: number | null;
  /** How warm it is when the souring is over, °C. */
  readonly celsius: number;
}

/** A step after the souring: how it ends, and how warm it stands meanwhile. */
export interface TailStep extends StepTime {
  /** One σ of its end besides that of the souring's, minutes. */
  readonly ownSigmaMin: number;
  readonly celsius: number;
  /** Somebody warms or cools it to that heat; else it follows the place it stands in. */
  readonly brings: boolean;
}

/** Heat of a place something stands in, °C. @param asItIs how warm it is now */
function standingC(plan: MakePlan, stands: Stands, asItIs: number, atMs: number): number {
  if (stands === 'cold') return FRIDGE_C;
  if (stands === 'cellar') return CELLAR_C;
  return stands === 'room' ? roomAtC(plan, atMs) : asItIs;
}

/** Whether what comes after the souring says how warm it stands; otherwise it is the cold at work. */
export const standsTold = ({ steps }: Pick<MakeState, 'steps'>): boolean => {
  const souring = souringStep(steps);
  return steps
    .slice(souring ? steps.indexOf(souring) + 1 : 0)
    .some(({ step }) => STEP_TYPES[step.kind].stands !== undefined);
};

/** How long a step takes that comes after a souring, or without one. */
export function laterMinutes(
  state: MakeState,
  { step }: StepState,
  startMs: number,
  from: Pick<TailFrom, 'z' | 'phAt' | 'denatured' | 'gelH' | 'celsius'>,
): {
  readonly minutes: number;
  readonly sigmaMin: number;
  readonly endless: boolean;
  readonly endC: number;
  readonly brings: boolean;
} {
  const { plan, fed } = state;
  const { later, stands } = STEP_TYPES[step.kind];
  const of = { step: step.instance, goods: productOf(plan).goods };
  const celsius = stands ? standingC(plan, stands(plan, of), from.celsius, startMs) : from.celsius;
  // What goes by itself after the souring is the cold at work.
  const plain = step.facts.waits ? (step.waitMin ?? CHILL_H * 60) : step.handsMin;
  const end = later?.({
    plan,
    of,
    startMs,
    fed,
    z: from.z ?? 0,
    curd: makeFlow(state, from.denatured, from.gelH).into.get(step.id)!,
    celsius,
    phAt: from.phAt,
    denatured: from.denatured,
    told: (own) => told(state, own),
  });
  return {
    minutes: end?.minutes ?? plain,
    sigmaMin: end?.sigmaMin ?? 0,
    endless: end?.endless ?? false,
    endC: end?.endC ?? celsius,
    brings: end?.endC !== undefined,
  };
}

/** Steps from the souring on, in order, from its end on. */
export function tailSteps(state: MakeState, pickUpMs: number, from: TailFrom): TailStep[] {
  let atMs = pickUpMs;
  let { celsius } = from;
  let variance = 0;
  const souring = souringStep(state.steps);
  if (!souring) return [];
  return state.steps.slice(state.steps.indexOf(souring)).map((s) => {
    // What is still to come begins no sooner than now.
    const coming = s.status === 'coming';
    const startMs = s.startedAtMs ?? (coming ? Math.max(atMs, from.nowMs) : atMs);
    const { minutes, sigmaMin, endless, endC, brings } =
      s === souring
        ? { minutes: 0, sigmaMin: 0, endless: false, endC: celsius, brings: false }
        : laterMinutes(state, s, startMs, { ...from, celsius });
    const modelled = s === souring ? pickUpMs : startMs + minutes * MINUTE_MS;
    const endMs = s.endedAtMs ?? Math.max(modelled, s.status === 'current' || coming ? from.nowMs : 0);
    atMs = endMs;
    if (s.endedAtMs === null && s !== souring) variance += sigmaMin ** 2;
    if (s.status !== 'skipped') celsius = endC;
    const ownSigmaMin = Math.sqrt(variance);
    return {
      id: s.step.id,
      kind: s.step.kind,
      status: s.status,
      startMs,
      endMs,
      ...(s.status === 'current' && s !== souring && !endless ? { dueMs: modelled } : {}),
      sigmaMin: s.endedAtMs === null ? Math.hypot(from.sigmaMin, ownSigmaMin) : 0,
      endless,
      ownSigmaMin: s.endedAtMs === null ? ownSigmaMin : 0,
      celsius,
      brings,
    };
  });
}

/** How long it stands in the cold before it is judged, h. */
export function coldHours({ steps }: Pick<MakeState, 'steps'>): number {
  const souring = souringStep(steps);
  const cold = steps.slice(souring ? steps.indexOf(souring) + 1 : 0).find((s) => s.step.facts.waits)?.step;
  return cold?.waitMin === undefined ? CHILL_H : cold.waitMin / 60;
}
