export * from './verdict.ts';
export * from './bush.ts';
export * from './centre.ts';
export * from './lean.ts';
export * from './stock.ts';
export * from './survey.ts';
export * from './bushed.ts';
export { PART_KINDS, type PartKind } from './parts.data.ts';
export * from './parts.ts';
