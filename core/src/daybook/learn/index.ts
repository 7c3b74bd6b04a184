export {
  lessonOf,
  learnFactors,
  rateQuestions,
  factorsFrom,
  factorsFor,
  withFactors,
  type Lesson,
  type RateQuestion,
  type Reset,
  type Taught,
} from './factors.ts';
export { FACTOR_SPREAD, observeRate, type Observation } from './observe.ts';
export * from './learned-words.ts';
export { handsPaces } from './hands.ts';
