export { byCount, counted, grouped, sentence } from './counted.ts';
export * from './length.ts';
export * from './mass.ts';
export * from './outside.ts';
export { readWithUnit, trim, type Read } from './read.ts';
export * from './said.ts';
export * from './words.ts';
