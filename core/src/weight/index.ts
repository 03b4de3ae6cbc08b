export * from './line.ts';
export * from './fusee.ts';
export * from './key.ts';
export * from './chain.ts';
