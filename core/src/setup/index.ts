export * from './cautions.ts';
export * from './batch.ts';
export * from './advice.ts';
export * from './with-starter.ts';
export * from './room-heat.ts';
export * from './jars.ts';
export * from './without.ts';
export * from './stove.ts';
