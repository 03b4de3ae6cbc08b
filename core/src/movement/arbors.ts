import type { Arbor, ArborClass, Purpose } from './traits.ts';

/** Default arbor lists. Common practice; the sides and the names vary, so each movement may change its own. */
const list = (prefix: string, rows: readonly (readonly [string, ArborClass])[]): Arbor[] =>
  rows.map(([name, arborClass], at) => ({ id: `${prefix}${at + 1}`, name, class: arborClass }));

export const ARBORS = {
  goingSpring8Day: list('T', [
    ['barrel and great wheel', 'barrel'],
    ['second wheel', 'train'],
    ['centre wheel', 'train'],
    ['third wheel', 'late train'],
    ['escape wheel', 'escape'],
    ['pallets', 'pallet'],
  ]),
  goingMonth: list('T', [
    ['barrel and great wheel', 'barrel'],
    ['second wheel', 'train'],
    ['third wheel', 'train'],
    ['centre wheel', 'train'],
    ['fourth wheel', 'late train'],
    ['escape wheel', 'escape'],
    ['pallets', 'pallet'],
  ]),
  verge: list('T', [
    ['great wheel', 'barrel'],
    ['centre wheel', 'train'],
    ['contrate wheel', 'late train'],
    ['escape wheel', 'escape'],
    ['verge', 'pallet'],
  ]),
  fuseeBalance: list('T', [
    ['great wheel', 'barrel'],
    ['centre wheel', 'train'],
    ['third wheel', 'late train'],
    ['contrate wheel', 'late train'],
    ['escape wheel', 'escape'],
    ['lever', 'lever'],
    ['balance', 'balance'],
  ]),
  goingWeight8Day: list('T', [
    ['great wheel', 'barrel'],
    ['centre wheel', 'train'],
    ['third wheel', 'late train'],
    ['escape wheel', 'escape'],
    ['pallets', 'pallet'],
  ]),
  goingWeight30Hour: list('T', [
    ['great wheel', 'barrel'],
    ['second wheel', 'train'],
    ['escape wheel', 'escape'],
    ['pallets', 'pallet'],
  ]),
  goingShelf30Hour: list('T', [
    ['great wheel', 'barrel'],
    ['centre wheel', 'train'],
    ['third wheel', 'late train'],
    ['escape wheel', 'escape'],
    ['pallets', 'pallet'],
  ]),
  strikeSpring: list('S', [
    ['great wheel', 'barrel'],
    ['second wheel', 'train'],
    ['pin wheel', 'train'],
    ['locking wheel', 'late train'],
    ['warning wheel', 'late train'],
    ['fly', 'fly'],
  ]),
  strikeWeight8Day: list('S', [
    ['great wheel', 'barrel'],
    ['pin wheel', 'train'],
    ['locking wheel', 'late train'],
    ['warning wheel', 'late train'],
    ['fly', 'fly'],
  ]),
  strikeWeight30Hour: list('S', [
    ['great wheel', 'barrel'],
    ['locking wheel', 'train'],
    ['warning wheel', 'late train'],
    ['fly', 'fly'],
  ]),
  chime: list('C', [
    ['great wheel', 'barrel'],
    ['second wheel', 'train'],
    ['drive wheel', 'train'],
    ['locking wheel', 'late train'],
    ['warning wheel', 'late train'],
    ['fly', 'fly'],
    ['chime drum', 'train'],
  ]),
  torsion: list('T', [
    ['barrel', 'barrel'],
    ['second wheel', 'train'],
    ['third wheel', 'train'],
    ['minute wheel arbor', 'train'],
    ['fourth wheel', 'late train'],
    ['escape wheel', 'escape'],
    ['pallets', 'pallet'],
  ]),
  platform: list('T', [
    ['barrel', 'barrel'],
    ['centre wheel', 'train'],
    ['third wheel', 'late train'],
    ['contrate wheel', 'late train'],
    ['escape wheel', 'escape'],
    ['lever', 'lever'],
    ['balance', 'balance'],
  ]),
  alarm: list('A', [
    ['alarm great wheel', 'barrel'],
    ['alarm escape wheel', 'escape'],
    ['hammer', 'pallet'],
  ]),
  electricPendulum: list('T', [
    ['rewind arbor', 'train'],
    ['count wheel', 'train'],
    ['minute arbor', 'train'],
    ['escape wheel', 'escape'],
    ['pallets', 'pallet'],
  ]),
  synchronous: list('T', [
    ['rotor', 'escape'],
    ['first reduction', 'late train'],
    ['second reduction', 'train'],
    ['minute arbor', 'train'],
  ]),
  recorder: list('T', [
    ['fusee great wheel', 'barrel'],
    ['centre wheel', 'train'],
    ['third wheel', 'late train'],
    ['escape wheel', 'escape'],
    ['pallets', 'pallet'],
    ['drive rod', 'train'],
    ['bevels', 'train'],
    ['print wheel', 'train'],
    ['day cam and rack', 'train'],
  ]),
} as const;

/** What is offered when a train of this purpose is added. Common practice. */
export const USUAL_ARBORS: Record<Purpose, readonly Arbor[]> = {
  going: ARBORS.goingSpring8Day,
  strike: ARBORS.strikeSpring,
  chime: ARBORS.chime,
  alarm: ARBORS.alarm,
  music: list('M', [
    ['great wheel', 'barrel'],
    ['second wheel', 'train'],
    ['music barrel', 'train'],
    ['fly pinion', 'late train'],
    ['fly', 'fly'],
  ]),
  print: list('P', [
    ['drive rod', 'train'],
    ['bevels', 'train'],
    ['print wheel', 'train'],
  ]),
  figure: list('F', [['arbor of the figure', 'train']]),
};
