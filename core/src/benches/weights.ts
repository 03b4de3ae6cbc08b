import { sourceName, type Traits } from '../movement/index.ts';
import { said, type Said } from '../units/index.ts';
import { HOUSE_FACTOR, pullKg } from '../weight/index.ts';
import { figure, type TableTest, type Values } from './table.ts';
import type { TableKindId } from './kinds.data.ts';

/** A weight is the one that belongs there within this share. Practice: makers cast them no closer. */
const SAME_WEIGHT = 0.05;
/** A chain lies in its sprocket within this share of the pitch. From memory. */
const SAME_PITCH = 0.02;
/** Turns that stay on the barrel. Practice: two to three. */
const TURNS = 2;

/** The last entry of a kind for each source that has one. */
function bySource(tests: readonly TableTest[], kind: TableKindId): Map<string, Values> {
  return new Map(tests.filter((t) => t.kind === kind).map((t) => [String(t.values['source']), t.values]));
}

/** What weights, lines and chains say, source by source. @param tests the oldest first */
export function sayWeights(traits: Traits, tests: readonly TableTest[]): Said[] {
  const weighed = bySource(tests, 'weight');
  const name = (id: string) => {
    const source = traits.sources.find((s) => s.id === id);
    return source ? sourceName(traits, source) : id;
  };
  const swapped = swappedPair(weighed);
  return [
    ...(swapped ? [said('Weights', false, `${name(swapped[0])} and ${name(swapped[1])} are changed over.`)] : []),
    ...[...weighed].flatMap(([id, v]) => (swapped?.includes(id) ? [] : sayWeight(`Weight, ${name(id)}`, v))),
    ...[...bySource(tests, 'line')].flatMap(([id, v]) => sayLine(`Line, ${name(id)}`, v, weighed.get(id) ?? null)),
    ...[...bySource(tests, 'chain')].flatMap(([id, v]) => sayChain(`Chain, ${name(id)}`, v, isEndless(traits, id))),
  ];
}

const isEndless = (traits: Traits, id: string): boolean =>
  traits.sources.find((s) => s.id === id)?.kind.includes('endless') ?? false;

/** Two weights that each weigh what belongs to the other. */
function swappedPair(weighed: Map<string, Values>): [string, string] | null {
  const all = [...weighed];
  const near = (grams: number | null, belongs: number | null) =>
    grams !== null && belongs !== null && Math.abs(grams / belongs - 1) <= SAME_WEIGHT;
  for (const [i, [a, va]] of all.entries())
    for (const [b, vb] of all.slice(i + 1)) {
      const [ga, ba, gb, bb] = [figure(va, 'grams'), figure(va, 'belongs'), figure(vb, 'grams'), figure(vb, 'belongs')];
      if (near(ga, bb) && near(gb, ba) && !near(ga, ba) && !near(gb, bb)) return [a, b];
    }
  return null;
}

function sayWeight(what: string, v: Values): Said[] {
  const [grams, belongs] = [figure(v, 'grams')!, figure(v, 'belongs')];
  if (belongs === null) return [said(what, null, `${grams} g; what belongs there is not known.`)];
  const share = grams / belongs - 1;
  const words = `${grams} g where ${belongs} g belong`;
  if (Math.abs(share) <= SAME_WEIGHT) return [said(what, true, `${words}.`)];
  return [
    said(
      what,
      false,
      share > 0
        ? `${words}: too heavy, it wears what it drives. Find what held it back instead.`
        : `${words}: too light, it may stop in the cold.`,
    ),
  ];
}

function sayLine(what: string, v: Values, weighed: Values | null): Said[] {
  const out: Said[] = [];
  if (v['is'] === 'borrowed for the test')
    out.push(said(what, false, 'Borrowed for the test: the final one is proved again when it is on.'));
  if (v['is'] === 'frayed, left in')
    out.push(
      v['note']
        ? said(what, null, `Frayed, left in: ${v['note']} The declaration is on the return sheet.`)
        : said(what, false, 'Frayed and left in: it needs the owner’s answer, kept here, and a caution.'),
    );
  const grams = weighed && figure(weighed, 'grams');
  const loadKg = figure(v, 'load') ?? (grams ? grams / 1000 : null);
  const breaks = figure(v, 'breaks');
  if (breaks !== null && loadKg !== null) out.push(sayStrength(what, breaks, loadKg, v['pulley'] === 'yes'));
  const turns = figure(v, 'turns');
  if (v['lands'] === 'no')
    out.push(said(what, false, 'The weight does not land first: the last turn pulls at the knot. A shorter line.'));
  else if (turns !== null && turns < TURNS)
    out.push(said(what, false, `${turns} turns left when it is down: leave two to three.`));
  else if (turns !== null || v['lands'] === 'yes') out.push(said(what, true, 'The weight lands first, turns stay on.'));
  return out;
}

function sayStrength(what: string, breaks: number, loadKg: number, onPulley: boolean): Said {
  const pull = pullKg(loadKg, onPulley ? 2 : 1);
  const times = (breaks / pull).toFixed(1);
  return breaks >= HOUSE_FACTOR * pull
    ? said(what, true, `Breaks at ${times} times its pull.`)
    : said(what, false, `Breaks at ${times} times its pull: take one of ${Math.ceil(HOUSE_FACTOR * pull)} kg or more.`);
}

/**
 * Hours that a drop lasts. On an endless chain that drives two trains the weight hangs in a loop: it falls half of what
 * both take. @param strikeMm in twelve hours
 */
export function chainHours(dropMm: number, goingMm: number, strikeMm: number, endless: boolean): number {
  const perHour = endless ? (goingMm + strikeMm / 12) / 2 : goingMm;
  return dropMm / perHour;
}

function sayChain(what: string, v: Values, endless: boolean): Said[] {
  const out: Said[] = [];
  const [links, length, pitch] = [figure(v, 'links'), figure(v, 'lengthMm'), figure(v, 'pitchMm')];
  if (links !== null && length !== null && pitch !== null) {
    const own = length / links;
    const off = own / pitch - 1;
    const words = `${own.toFixed(2)} mm a link on a sprocket of ${pitch} mm`;
    out.push(
      Math.abs(off) <= SAME_PITCH
        ? said(what, true, `${words}.`)
        : said(what, false, `${words}: ${off > 0 ? 'stretched, or another chain' : 'too short a link'}. It rides up.`),
    );
  }
  if (v['joint'] === 'open link')
    out.push(said(what, false, 'Its joint is an open link: close it, it lets go at once.'));
  if (v['click'] === 'loose')
    out.push(said(what, false, 'The click of its sprocket is loose: as dangerous as any click. Rivet it.'));
  const [drop, going] = [figure(v, 'dropMm'), figure(v, 'goingMm')];
  if (drop !== null && going !== null) {
    const hours = chainHours(drop, going, figure(v, 'strikeMm') ?? 0, endless);
    out.push(said(what, hours >= 24 ? true : false, `Lasts ${hours.toFixed(0)} h from the top.`));
  }
  return out;
}

/** Frayed lines that stay: by source, with the owner’s word; empty where there is none. */
export const frayedLeftIn = (tests: readonly TableTest[]): { source: string; word: string }[] =>
  [...bySource(tests, 'line')]
    .filter(([, v]) => v['is'] === 'frayed, left in')
    .map(([source, v]) => ({ source, word: String(v['note'] ?? '') }));

/** Sources with a frayed line left in and no word of the owner on it: nothing is signed so. */
export const frayedUnsaid = (tests: readonly TableTest[]): string[] =>
  frayedLeftIn(tests).flatMap(({ source, word }) => (word ? [] : [source]));

/** Sources that still hang on a borrowed line: nothing is signed so. */
export const onBorrowed = (tests: readonly TableTest[]): string[] =>
  [...bySource(tests, 'line')].filter(([, v]) => v['is'] === 'borrowed for the test').map(([id]) => id);
