export * from './log.ts';
export { logTroubles, rootsAt, type SignedHead } from './audit.ts';
export { headsOf, parentsFirst, type Node } from './graph.ts';
