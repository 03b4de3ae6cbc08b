export * from './money.ts';
