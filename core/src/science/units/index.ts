export * from './temperature.ts';
export * from './measures.ts';
export * from './typed-number.ts';
export * from './format.ts';
export * from './time.ts';
export * from './listed.ts';
export * from './letters.ts';
