export * from './kinds.ts';
export * from './item.ts';
export * from './csv.ts';
export * from './wanted.ts';
