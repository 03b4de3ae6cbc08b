export * from './promise.ts';
export * from './ofVisit.ts';
