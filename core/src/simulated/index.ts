export * from './chance.ts';
export * from './clock.ts';
export { ROOMS, type RoomId } from './room.ts';
export { ESCAPING, type Escaping } from './timbre.ts';
export * from './wheel.ts';
