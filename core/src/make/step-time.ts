import type { StepId, StepKind } from '../contract/index.ts';
import type { StepState } from './state.ts';

/** One step on the clock. */
export interface StepTime {
  readonly id: StepId;
  readonly kind: StepKind;
  readonly status: StepState['status'];
  readonly startMs: number;
  /** Done: when it ended. Else the middle forecast, never before now. */
  readonly endMs: number;
  /** One σ of the end, counted from the first step that is not done, minutes. */
  readonly sigmaMin: number;
  /** The model says that the target is never reached as things stand. */
  readonly endless: boolean;
  /** Of the present step after a souring: when it should have been over, however late it is. */
  readonly dueMs?: number;
  /** Somebody is called for something before its end: a plate is switched off. */
  readonly callMs?: number;
}
