export * from './care.ts';
export * from './due.ts';
