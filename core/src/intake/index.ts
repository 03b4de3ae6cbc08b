export * from './questions.ts';
export * from './things.ts';
export * from './serials.ts';
