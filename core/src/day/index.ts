export * from './wish.ts';
export { dayNeeds, type DayNeed } from './needs.ts';
export type { WhyHere } from './why-here.ts';
