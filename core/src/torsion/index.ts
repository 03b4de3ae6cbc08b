export * from './strip.ts';
export * from './set-up.ts';
