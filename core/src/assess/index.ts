export * from './walk.ts';
export * from './vocabulary.ts';
export * from './measurements.ts';
export * from './seen.ts';
