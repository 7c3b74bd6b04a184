export {
  lessonOf,
  learnFactors,
  factorsFor,
  withFactors,
  type Lesson,
  type RateMemory,
  type Reset,
} from './factors.ts';
export { FACTOR_SPREAD, type Observation } from './observe.ts';
export * from './words.ts';
