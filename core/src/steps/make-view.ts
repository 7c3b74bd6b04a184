import type { ByProduct, MakePlan, PlannedForecast } from '../contract/index.ts';
import type { LoggedEvent } from '../log/index.ts';
import type { Curd } from './curd-run.ts';
import type { LegRun } from './leg.ts';
import type { StepOf, StepStatus } from './step-of.ts';
import type { MethodStep } from './step-facts.ts';

/** A step of a make, and how far it is. */
export interface StepState {
  readonly step: MethodStep;
  readonly status: StepStatus;
  readonly startedAtMs: number | null;
  readonly endedAtMs: number | null;
}

export interface TemperatureReading {
  readonly eventId: string;
  readonly atMs: number;
  readonly celsius: number;
  readonly instrument: string;
  /** A device sends them as they come; a silence of it means something. */
  readonly live: boolean;
  /** As the instrument said it, before its check set it right. */
  readonly rawC?: number | undefined;
}

/** A make as its steps see it: what every make has. What only one kind of step has is asked for by `told`. */
export interface MakeView {
  readonly id: string;
  readonly plan: MakePlan;
  readonly planned: PlannedForecast | null;
  readonly startedAtMs: number;
  readonly steps: readonly StepState[];
  /** The step to do now; `null` when all are done. */
  readonly current: StepState | null;
  readonly temperatures: readonly TemperatureReading[];
  /** What came out. */
  readonly weighedKg: number | null;
  /** What came out besides, as weighed. */
  readonly byProductsKg: Readonly<Partial<Record<ByProduct, number>>>;
  readonly finished: {
    readonly atMs: number;
    readonly verdict: 'kept' | 'discarded';
    readonly reason: string;
  } | null;
  /** What counts, in order. */
  readonly events: readonly LoggedEvent[];
}

/** A make at an instant, with what the engine works out for whoever asks. */
export interface MakeAt {
  readonly make: MakeView;
  /** The present: a running step never ends before it. */
  readonly nowMs: number;
  /** A step with what its product calls what it works on. */
  readonly of: (step: StepState) => StepOf;
  /** When a step began, or is to begin. */
  readonly startMs: (step: StepState) => number;
  /** A step as it is gone through; other than it is told by what is given. */
  readonly run: (
    step: StepState,
    otherwise?: { readonly plan?: MakePlan; readonly startC?: number; readonly startMs?: number },
  ) => LegRun;
  /** What flows into a step. @param denatured whey protein unfolded, 0..1 */
  readonly into: (step: StepState, denatured: number) => Curd;
  /** Whey protein the heating unfolds, 0..1. */
  readonly denatured: () => number;
}
