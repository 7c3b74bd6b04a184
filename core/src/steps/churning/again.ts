import type { StepInstance } from '../../contract/index.ts';

/** What a churning really was, where somebody measured or told it. */
export interface AsItWas {
  /** Heat of the cream when churning began, °C. */
  readonly startC: number | null;
  readonly rinses: number;
  /** Salt of the whole, 0..1. */
  readonly saltFraction: number | null;
}

/** To half a degree, as it is chosen. */
const half = (celsius: number): number => Math.round(2 * celsius) / 2;

/**
 * The steps of a make to be made again, as they were rather than as they were planned: what worked is kept. How many loads
 * follows anew from how much cream there is.
 * @example againSteps(steps, { startC: 13.2, rinses: 4, saltFraction: null })
 */
export const againSteps = (steps: readonly StepInstance[], was: AsItWas): StepInstance[] =>
  steps.map((step) => {
    switch (step.kind) {
      case 'temper':
        return was.startC === null ? step : { ...step, toC: Math.min(22, Math.max(6, half(was.startC))) };
      case 'churn': {
        const { loads: _loads, ...rest } = step;
        return rest;
      }
      case 'wash':
        return was.rinses > 0 ? { ...step, washes: Math.min(12, was.rinses) } : step;
      case 'work':
        return was.saltFraction === null
          ? step
          : { ...step, saltFraction: Math.round(1000 * Math.min(0.1, was.saltFraction)) / 1000 };
      default:
        return step;
    }
  });
