export * from './coil.ts';
export * from './strength.ts';
