import type { StepInstance } from '../contract/index.ts';

/** What a product's steps call what they work on. */
export interface Goods {
  /** "milk", "cream" */
  readonly into: string;
  /** "yogurt", "butter" */
  readonly out: string;
}

/** A step as one make has it: its own parameters, and what it works on. */
export interface StepOf {
  readonly step: StepInstance;
  readonly goods: Goods;
}

/** How a step stands: over, left out, going on, or still to come. */
export type StepStatus = 'done' | 'skipped' | 'current' | 'coming';
