export * from './schools.ts';
export * from './choices.ts';
