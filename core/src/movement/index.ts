export * from './traits.ts';
export * from './description.ts';
export * from './edit.ts';
export * from './families.ts';
export * from './plates.ts';
export * from './replacement.ts';
