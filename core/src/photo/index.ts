export * from './marks.ts';
export * from './pairs.ts';
export * from './picture.ts';
export * from './rim.ts';
export * from './teeth.ts';
export * from './scale.ts';
