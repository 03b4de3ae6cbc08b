export * from './beats.ts';
export * from './gear.ts';
export * from './search.ts';
export * from './strike-train.ts';
