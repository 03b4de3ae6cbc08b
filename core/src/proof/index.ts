export * from './log.ts';
