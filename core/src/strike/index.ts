export * from './dial.ts';
export * from './judge.ts';
export * from './moon.ts';
export * from './release.ts';
export * from './same-place.ts';
export * from './sequences.ts';
export * from './simulator.ts';
export * from './spacing.ts';
