export * from './tasks.ts';
