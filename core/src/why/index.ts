export { findingWhy, type CauseFound, type WhyAnswer, type WhyQuestion } from './why.ts';
export type { Evidence } from './evidence.ts';
export type { ReadingTells } from './readings.ts';
export { complaintKnown } from './complaint-known.ts';
export { toDegrees } from './degrees.ts';
export { FAULTS_TOLD } from './faults-told.ts';
export { eventsOfNeverEntered, type NeverEntered } from './never-entered.ts';
export { changedFor } from './next-time.ts';
export type { Rescue } from './rescues.ts';
