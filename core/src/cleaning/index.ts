export * from './materials.ts';
export * from './plan.ts';
export * from './parts.ts';
export * from './dilution.ts';
export * from './sequences.ts';
export * from './run.ts';
export * from './own.ts';
