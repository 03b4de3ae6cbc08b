export * from './amplitude.ts';
export * from './beat-error.ts';
export * from './timing.ts';
