export * from './chart.ts';
export * from './due.ts';
