export * from './money.ts';
export * from './agreement.ts';
export * from './propose.ts';
