export * from './traits.ts';
export * from './families.ts';
