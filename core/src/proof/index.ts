export * from './log.ts';
export { headsOf, parentsFirst, type Node } from './graph.ts';
