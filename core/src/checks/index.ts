export * from './check.ts';
export * from './checks.ts';
export * from './drive.ts';
