export * from './line.ts';
export * from './filter.ts';
export { trendOf, type Trend } from './trend.ts';
export * from './questions.ts';
export * from './months.ts';
