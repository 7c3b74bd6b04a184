import { panOf } from '../steps/index.ts';
import type { MakeState, StepState } from './state.ts';
import { legRunOf, walkThermal } from './thermal.ts';

/** The pan on the fire as it stands. */
export interface PanNow extends ReturnType<typeof panOf> {
  readonly step: StepState;
  readonly startMs: number;
}

/**
 * How far a pan is: its minutes, the water left in it; `null` for a make that clarifies nothing.
 * @param nowMs the present, ms since 1970
 */
export function panNow(state: MakeState, nowMs: number): PanNow | null {
  const step = state.steps.find((s) => s.step.facts.tells === 'pan');
  if (!step || step.status === 'skipped') return null;
  const walk = walkThermal(state, nowMs);
  const startMs = walk.steps.find((s) => s.id === step.step.id)?.startMs ?? state.startedAtMs;
  const startC = walk.course.findLast(([ms]) => ms <= startMs)?.[1] ?? state.plan.milk.startC;
  return { ...panOf(legRunOf(state, step, startC, startMs, nowMs)), step, startMs };
}
