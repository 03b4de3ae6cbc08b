export * from './strip.ts';
