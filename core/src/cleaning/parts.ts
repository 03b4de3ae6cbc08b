import { drivenBy, has, hasTrain, type Traits } from '../movement/index.ts';
import { DEPTHS, type Depth } from '../workflow/index.ts';
import type { BasketPart } from './plan.ts';

type Row = readonly [part: BasketPart, applies: (t: Traits) => boolean];
const part = (name: string, ...materials: BasketPart['materials']): BasketPart => ({ name, materials });

/** Riveted: nothing of it comes apart but what stands outside. */
const whole = (t: Traits) => t.construction === 'riveted plates';

const wooden = (t: Traits) => has(t, 'wooden arbors');
/** Its pallets are stones, and shellac holds them, whatever the escapement is. */
const stones = (t: Traits) => t.escapement === 'lever' || has(t, 'visible escapement') || has(t, 'jewelled pallets');

/** The whole of a movement that stays together is brass and steel, and the rest that cannot be taken off it. */
const WHOLE = 'whole movement';
export const isWhole = (name: string): boolean => name.startsWith(WHOLE);
function wholeOf(t: Traits): BasketPart {
  const more: readonly (readonly [BasketPart['materials'][number], boolean])[] = [
    ['lacquered brass', has(t, 'lacquered plates')],
    ['wood or veneer', wooden(t)],
    ['shellac setting', stones(t) && !has(t, 'platform') && t.escapement !== 'lever'],
    ['coil or wiring', has(t, 'coil')],
  ];
  return part(WHOLE, 'bare brass', 'plain steel', ...more.flatMap(([m, is]) => (is ? [m] : [])));
}
export const HALVES = ['all of it', 'first half', 'second half'] as const;
export type Half = (typeof HALVES)[number];
/** What goes in when the tank is small: one half, then the other. */
export const halfOf = (whole: BasketPart, half: Half): BasketPart =>
  half === 'all of it' ? whole : { ...whole, name: `${whole.name}, ${half}` };

/**
 * What a movement usually puts in the basket, and of what it is usually made (practice). Each may be changed for the
 * run.
 */
const ROWS: readonly Row[] = [
  [part('whole movement, balance out', 'bare brass', 'plain steel'), whole],
  [part('plates', 'bare brass'), (t) => !has(t, 'lacquered plates') && !whole(t)],
  [part('lacquered plates', 'lacquered brass'), (t) => has(t, 'lacquered plates')],
  [part('wheels on wooden arbors', 'wood or veneer', 'bare brass'), wooden],
  [part('bellows', 'leather or felt', 'wood or veneer'), (t) => has(t, 'bellows')],
  [part('going wheels and arbors', 'bare brass', 'plain steel'), (t) => !whole(t) && !wooden(t)],
  [part('strike wheels and arbors', 'bare brass', 'plain steel'), (t) => hasTrain(t, 'strike') && !wooden(t)],
  [part('chime wheels and arbors', 'bare brass', 'plain steel'), (t) => hasTrain(t, 'chime') && !wooden(t)],
  [part('alarm wheels and arbors', 'bare brass', 'plain steel'), (t) => hasTrain(t, 'alarm') && !whole(t)],
  [
    part('barrels', 'bare brass', 'plain steel'),
    (t) => drivenBy(t, (d) => d === 'barrel spring' || d === 'fusee spring'),
  ],
  [part('mainsprings', 'blued or polished steel'), (t) => drivenBy(t, (d) => d.endsWith('spring')) && !whole(t)],
  [part('motion work', 'bare brass', 'plain steel'), () => true],
  [part('nuts, pins and screws', 'blued or polished steel'), () => true],
  [part('hands', 'blued or polished steel'), (t) => !has(t, 'luminous paint')],
  [part('hands with luminous paint', 'blued or polished steel', 'luminous paint'), (t) => has(t, 'luminous paint')],
  [part('lever and pallets', 'plain steel', 'shellac setting'), (t) => t.escapement === 'lever'],
  [part('stone pallets', 'plain steel', 'shellac setting'), (t) => stones(t) && t.escapement !== 'lever'],
  [part('balance and hairspring', 'hairspring or bimetal balance'), (t) => has(t, 'hairspring')],
  [part('coil', 'coil or wiring'), (t) => has(t, 'coil')],
  [part('weights', 'lead weight'), (t) => drivenBy(t, (d) => d.startsWith('weight'))],
  [part('mercury vessel', 'mercury vessel'), (t) => has(t, 'mercury pendulum')],
  [part('dial with luminous paint', 'luminous paint'), (t) => has(t, 'luminous paint')],
];

/** What a movement with these traits usually has for the basket. Practice. */
export const usualParts = (traits: Traits): BasketPart[] => {
  const parts = ROWS.filter(([, applies]) => applies(traits)).map(([p]) => p);
  return parts.some((p) => isWhole(p.name)) ? parts : [...parts, wholeOf(traits)];
};

const OUTSIDE = [
  'hands',
  'hands with luminous paint',
  'dial with luminous paint',
  'weights',
  'mercury vessel',
  'bellows',
];
const ESCAPEMENT = ['lever and pallets', 'stone pallets', 'balance and hairspring'];
const BARREL = ['barrels', 'mainsprings'];

/**
 * How deep a movement was opened before such a basket can go into a bath: as deep as its deepest part. A name that is
 * not known lies between the plates; what the strip log has as apart asks no more. Common practice.
 */
export function basketOpens(
  basket: readonly { name: string }[],
  log: readonly { what: string; fate: string }[],
): Depth {
  const off = log.filter((s) => s.fate === 'apart').map((s) => s.what);
  const names = basket.map((p) => p.name).filter((name) => !off.includes(name));
  const deep = names.map((name): Depth => {
    if (OUTSIDE.includes(name)) return 'hands and dial';
    if (name === 'motion work') return 'dial side';
    if (ESCAPEMENT.includes(name)) return 'escapement';
    return BARREL.includes(name) ? 'barrel' : 'plates';
  });
  return DEPTHS.findLast((d) => deep.includes(d)) ?? 'hands and dial';
}

const NAMED: readonly (readonly [words: RegExp, ...materials: BasketPart['materials']])[] = [
  [/\b(balance|hairspring)/i, 'hairspring or bimetal balance'],
  [/\b(coil|contact|wiring)/i, 'coil or wiring'],
  [/\b(pallet|anchor|lever)/i, 'plain steel'],
  [/\b(screw|pin|nut|washer|hand|spring|click|strip)s?\b/i, 'blued or polished steel'],
  [/\b(wheel|arbor|pinion|barrel|fly|rack|snail|motion|cannon|great|escape)/i, 'bare brass', 'plain steel'],
  [/\b(plate|cock|bridge|bell|bob|pillar)/i, 'bare brass'],
  [/\bweight/i, 'lead weight'],
];

/**
 * Of what a thing that came off is likely made, by its name. Where this movement may carry what poisons, the name of
 * the part is enough. Null where the name does not say: somebody has to.
 */
export function likelyMaterials(what: string, traits: Traits): BasketPart['materials'] | null {
  if (has(traits, 'luminous paint') && /\b(hand|dial)/i.test(what)) return ['luminous paint'];
  if (has(traits, 'mercury pendulum') && /\b(pendulum|bob|jar|vessel)/i.test(what)) return ['mercury vessel'];
  if (/\bbellows/i.test(what)) return ['leather or felt', 'wood or veneer'];
  if (wooden(traits) && /\b(wheel|arbor|pinion|fly|escape|great)/i.test(what)) return ['wood or veneer', 'bare brass'];
  if (stones(traits) && /\b(pallet|lever|anchor)/i.test(what)) return ['plain steel', 'shellac setting'];
  if (has(traits, 'platform') && /\bplatform/i.test(what))
    return ['bare brass', 'shellac setting', 'hairspring or bimetal balance'];
  const [, ...materials] = NAMED.find(([words]) => words.test(what)) ?? [null];
  if (materials.length === 0) return null;
  if (has(traits, 'lacquered plates') && /\bplate|cock|bridge/i.test(what)) return ['lacquered brass'];
  return materials;
}
