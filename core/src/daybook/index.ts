export * from './line.ts';
export * from './line-filter.ts';
export { trendOf, type Trend } from './trend.ts';
export * from './questions.ts';
export {
  makesByMonth,
  tally,
  tallyByMonth,
  tallyByProduct,
  type MonthTally,
  type ProductTally,
  type Tally,
} from './months.ts';
