import { panOf } from './clarify.ts';
import type { MakeAt, StepState } from './make-view.ts';

/** The pan on the fire as it stands. */
export interface PanNow extends ReturnType<typeof panOf> {
  readonly step: StepState;
  readonly startMs: number;
}

/** How far a pan is: its minutes, the water left in it; `null` for a make that clarifies nothing. */
export function panNow(at: MakeAt): PanNow | null {
  const step = at.make.steps.find((s) => s.step.kind === 'clarify');
  if (!step || step.status === 'skipped') return null;
  return { ...panOf(at.run(step)), step, startMs: at.startMs(step) };
}
