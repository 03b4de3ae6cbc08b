export * from './checks.ts';
export * from './drive.ts';
