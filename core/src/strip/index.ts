export * from './words.ts';
export * from './account.ts';
