export * from './symptoms.ts';
export * from './causes.ts';
export * from './diagnose.ts';
export { MOST_PRESENT } from './infer.ts';
