export * from './line.ts';
export * from './line-filter.ts';
export { alikeBut, type AlikeBut, type Unlike } from './alike.ts';
export { trendOf, type Trend } from './trend.ts';
export * from './questions.ts';
export { sinceFaults, TELLS_AFTER, type SinceFault } from './since-fault.ts';
export { argumentsOf, compared, type Argument, type Differs, type SettledBy } from './settle.ts';
export {
  makesByMonth,
  tally,
  tallyByMonth,
  tallyByProduct,
  type MonthTally,
  type ProductTally,
  type Tally,
} from './months.ts';
