export * from './materials.ts';
export * from './plan.ts';
