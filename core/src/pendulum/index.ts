export * from './gravity.ts';
export * from './length.ts';
export * from './swing.ts';
export * from './adjust.ts';
export * from './air.ts';
export * from './suspension.ts';
