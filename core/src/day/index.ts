export * from './wish.ts';
