import type { StepId } from '../contract/index.ts';
import { POUR } from './pour.ts';
import { HEAT } from './heat.ts';
import { HOLD } from './hold.ts';
import { COOL } from './cool.ts';
import { INOCULATE } from './inoculate.ts';
import { INCUBATE } from './incubate.ts';
import { CHILL } from './chill.ts';
import { WEIGH } from './weigh.ts';
import { TASTE } from './taste.ts';
import { RESERVE } from './reserve.ts';
import type { StepFacts, StepType } from './step-type.ts';

export * from './step-type.ts';
export { closed, handsOnly, type Leg, type LegReading } from './leg.ts';
export { heatTargetC } from './heat.ts';

/** One kind of step a line: nothing else knows them by name. */
export const STEP_TYPES: Readonly<Record<StepId, StepType>> = {
  pour: POUR,
  heat: HEAT,
  hold: HOLD,
  cool: COOL,
  inoculate: INOCULATE,
  incubate: INCUBATE,
  chill: CHILL,
  weigh: WEIGH,
  taste: TASTE,
  reserve: RESERVE,
};

/** What is known of a kind of step. */
export const stepFacts = (kind: StepId): StepFacts => STEP_TYPES[kind].facts;
