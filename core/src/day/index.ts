export * from './wish.ts';
export type { WhyHere } from './why-here.ts';
