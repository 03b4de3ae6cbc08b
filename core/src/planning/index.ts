export * from './promise.ts';
export * from './ofVisit.ts';
export * from './time.ts';
