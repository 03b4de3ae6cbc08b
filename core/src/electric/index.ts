export * from './coil.ts';
export * from './duty.ts';
export * from './step-test.ts';
export * from './bench.ts';
export * from './loop.ts';
