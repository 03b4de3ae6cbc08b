export * from './words.ts';
export * from './account.ts';
export * from './closing.ts';
