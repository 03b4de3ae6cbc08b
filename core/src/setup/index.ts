export * from './checks.ts';
