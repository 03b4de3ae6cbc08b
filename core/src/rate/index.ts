export * from './reading.ts';
export * from './fit.ts';
export * from './verdict.ts';
export * from './run.ts';
export * from './advice.ts';
export * from './board.ts';
export * from './line.ts';
export * from './words.ts';
