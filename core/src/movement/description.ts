import { counted } from '../units/index.ts';
import {
  sourceName,
  trainName,
  trainsOf,
  type Arbor,
  type PowerSource,
  type Purpose,
  type Train,
  type Traits,
} from './traits.ts';

const LETTERS: Record<Purpose, string> = {
  going: 'T',
  strike: 'S',
  chime: 'C',
  alarm: 'A',
  music: 'M',
  print: 'P',
  figure: 'F',
};

/** What was ever called something in this movement: an id of a thing that is gone is not given to another. */
const everOf = (versions: readonly Traits[]) => ({
  arbors: versions.flatMap((v) => v.trains.flatMap((t) => t.arbors)),
  trains: versions.flatMap((v) => v.trains),
  sources: versions.flatMap((v) => v.sources),
});

/**
 * The id of the next arbor in a train: the letter of its purpose and the number after the highest ever used.
 * @param versions every description of the movement, and the one that is being written
 */
export function nextArborId(versions: readonly Traits[], purpose: Purpose): string {
  const letter = LETTERS[purpose];
  const numbers = everOf(versions)
    .arbors.map(({ id }) => (id.startsWith(letter) ? Number(id.slice(letter.length)) : 0))
    .filter(Number.isInteger);
  return `${letter}${Math.max(0, ...numbers) + 1}`;
}

/**
 * An id for a train or source that was never used: the wished one, or the same with a number.
 * @param versions every description of the movement, and the one that is being written
 */
export function nextPartId(versions: readonly Traits[], wished: string): string {
  const ever = everOf(versions);
  const used = new Set([...ever.trains, ...ever.sources].map((x) => x.id));
  let id = wished;
  for (let n = 2; used.has(id); n++) id = `${wished}-${n}`;
  return id;
}

interface Problem {
  field: string;
  message: string;
}

function doubled(ids: readonly string[]): string | undefined {
  return ids.find((id, at) => ids.indexOf(id) !== at);
}

/**
 * What cannot be in a description, at its field; null where all can.
 * @param earlier every description that the movement had; an id of them stays with what it named
 */
export function descriptionProblem(traits: Traits, earlier: readonly Traits[]): Problem | null {
  const twice =
    doubled(traits.trains.map((t) => t.id)) ??
    doubled(traits.sources.map((s) => s.id)) ??
    doubled(traits.trains.flatMap((t) => t.arbors.map((a) => a.id)));
  if (twice !== undefined) return { field: 'trains', message: `${twice} stands there twice.` };
  for (const [at, train] of traits.trains.entries())
    if (train.source !== null && !traits.sources.some((s) => s.id === train.source))
      return { field: `trains.${at}.source`, message: 'Choose what drives it, or nothing.' };
  return reused(traits, earlier);
}

/** An id that named something else before. A name may be corrected; what it is may not. */
function reused(traits: Traits, earlier: readonly Traits[]): Problem | null {
  for (const before of earlier) {
    for (const train of traits.trains) {
      const was = before.trains.find((t) => t.id === train.id);
      if (was && was.purpose !== train.purpose)
        return { field: 'trains', message: `${train.id} was a ${was.purpose} train: give the new one its own id.` };
      const other = train.arbors.find((a) =>
        before.trains.some((t) => t.id !== train.id && t.arbors.some((b) => b.id === a.id)),
      );
      if (other) return { field: 'trains', message: `${other.id} belonged to another train: give it its own id.` };
    }
  }
  return null;
}

/**
 * Ids of the sources of which nothing is known any more: they are new, of another kind, or drive what they did not.
 * What was said of a weight is no word on a spring.
 */
export const sourcesUnsure = (before: Traits, after: Traits): string[] =>
  after.sources
    .filter((s) => {
      const was = before.sources.find((b) => b.id === s.id);
      if (!was || was.kind !== s.kind) return true;
      const drove = new Set(trainsOf(before, was).map((t) => t.id));
      return trainsOf(after, s).some((t) => !drove.has(t.id));
    })
    .map((s) => s.id);

const arborName = (a: Arbor) => `${a.id} ${a.name}`;
const list = (words: readonly string[], verb: string) => (words.length > 0 ? [`${words.join(', ')} ${verb}`] : []);

function changedTrain(was: Train, is: Train, before: Traits, after: Traits): string[] {
  const name = trainName(is);
  const drive = (t: Train, of: Traits) => of.sources.find((s) => s.id === t.source);
  const [from, to] = [drive(was, before), drive(is, after)];
  const arborWas = (a: Arbor) => was.arbors.find((b) => b.id === a.id);
  return [
    ...(trainName(was) === name ? [] : [`${trainName(was)} train called ${name}`]),
    ...(from?.id === to?.id
      ? []
      : [`${name} train driven by ${to ? `${sourceName(after, to)} ${to.kind}` : 'nothing of its own'}`]),
    ...list(is.arbors.filter((a) => !arborWas(a)).map(arborName), 'added'),
    ...list(was.arbors.filter((a) => !is.arbors.some((b) => b.id === a.id)).map(arborName), 'taken out'),
    ...is.arbors.flatMap((a) => {
      const old = arborWas(a);
      if (!old) return [];
      return [
        ...(old.name === a.name ? [] : [`${arborName(old)} called ${a.name}`]),
        ...(old.class === a.class ? [] : [`${arborName(a)} is ${a.class}`]),
      ];
    }),
  ];
}

function changedSources(before: Traits, after: Traits): string[] {
  const say = (of: Traits) => (s: PowerSource) => `${sourceName(of, s)} (${s.kind})`;
  return [
    ...list(after.sources.filter((s) => !before.sources.some((b) => b.id === s.id)).map(say(after)), 'power added'),
    ...list(
      before.sources.filter((s) => !after.sources.some((a) => a.id === s.id)).map(say(before)),
      'power taken out',
    ),
    ...after.sources.flatMap((s) => {
      const was = before.sources.find((b) => b.id === s.id);
      if (!was) return [];
      const called = was.name === s.name ? [] : [`${sourceName(before, was)} power called ${sourceName(after, s)}`];
      return was.kind === s.kind ? called : [...called, `${sourceName(after, s)} power: ${was.kind}, now ${s.kind}`];
    }),
  ];
}

const ONE_OF = ['construction', 'oscillator', 'escapement', 'strike'] as const;

/** What differs between two descriptions, in words, one a line; empty where nothing does. */
export function descriptionChanges(before: Traits, after: Traits): string[] {
  const days = (t: Traits) => (t.windHours === undefined ? 'not wound' : counted(t.windHours, 'hour'));
  return [
    ...changedSources(before, after),
    ...list(
      after.trains.filter((t) => !before.trains.some((b) => b.id === t.id)).map((t) => `${trainName(t)} train`),
      'added',
    ),
    ...list(
      before.trains.filter((t) => !after.trains.some((a) => a.id === t.id)).map((t) => `${trainName(t)} train`),
      'taken out',
    ),
    ...after.trains.flatMap((t) => {
      const was = before.trains.find((b) => b.id === t.id);
      return was ? changedTrain(was, t, before, after) : [];
    }),
    ...ONE_OF.flatMap((k) => (before[k] === after[k] ? [] : [`${k}: ${before[k]}, now ${after[k]}`])),
    ...list(
      after.fittings.filter((f) => !before.fittings.includes(f)),
      'added',
    ),
    ...list(
      before.fittings.filter((f) => !after.fittings.includes(f)),
      'taken out',
    ),
    ...(before.locksAt === after.locksAt
      ? []
      : [`locks at the ${before.locksAt ?? '(not known)'}, now ${after.locksAt ?? '(not known)'}`]),
    ...(before.windHours === after.windHours ? [] : [`a full wind: ${days(before)}, now ${days(after)}`]),
  ];
}
