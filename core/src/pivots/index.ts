export * from './verdict.ts';
export * from './bush.ts';
