export * from './stages.ts';
export * from './sub-assemblies.ts';
export * from './jobs.ts';
export * from './passes.ts';
export * from './power.ts';
export * from './next.ts';
export * from './sign.ts';
export * from './ready.ts';
