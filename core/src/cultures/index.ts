export { agedNow, childOf, daysOld, isLive, placeOf, storageOf } from './culture.ts';
export * from './register.ts';
export * from './due.ts';
export * from './checks.ts';
export * from './vigour.ts';
export * from './tree.ts';
export * from './starter.ts';
export * from './words.ts';
export * from './correction.ts';
