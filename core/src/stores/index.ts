export * from './kinds.ts';
export * from './item.ts';
export * from './csv.ts';
