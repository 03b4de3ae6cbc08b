export * from './promise.ts';
