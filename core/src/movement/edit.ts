import { USUAL_ARBORS } from './arbors.ts';
import { nextArborId, nextPartId } from './description.ts';
import { isSpring, sourceOf, trainsOf, type Arbor, type Purpose, type SourceKind, type Traits } from './traits.ts';

/**
 * Steps of an editor of the description. Each takes the description as it stands and gives the next one; `versions` are
 * those that the movement had, so that no id is used twice.
 */

/** Kinds that drive several trains at once. */
const SHARED: readonly SourceKind[] = ['weight on endless chain', 'weight on endless rope'];

/** The usual arbors of such a train under ids that were never used. */
function freshArbors(all: readonly Traits[], purpose: Purpose): Arbor[] {
  const first = nextArborId(all, purpose);
  const letter = first.replace(/\d+$/, '');
  const from = Number(first.slice(letter.length));
  return USUAL_ARBORS[purpose].map((a, i) => ({ ...a, id: `${letter}${from + i}` }));
}

/** One more train with its usual arbors. It has a source like the first one's, or shares what drives several. */
export function addTrain(traits: Traits, versions: readonly Traits[], purpose: Purpose): Traits {
  const all = [...versions, traits];
  const id = nextPartId(all, purpose);
  const name = traits.trains.some((t) => t.purpose === purpose) ? `second ${purpose}` : '';
  const first = traits.sources[0];
  const shared = first !== undefined && SHARED.includes(first.kind);
  const own = first !== undefined && !shared && (isSpring(first.kind) || first.kind.startsWith('weight'));
  const source = own ? id : null;
  return {
    ...traits,
    sources: own ? [...traits.sources, { id, kind: first.kind, name: '' }] : traits.sources,
    trains: [
      ...traits.trains,
      { id, purpose, name, source: shared ? first.id : source, arbors: freshArbors(all, purpose) },
    ],
  };
}

/** Without a train; a source that drove nothing else goes with it. */
export function removeTrain(traits: Traits, id: string): Traits {
  const train = traits.trains.find((t) => t.id === id);
  const source = train && sourceOf(traits, train);
  const alone = source && trainsOf(traits, source).length === 1;
  return {
    ...traits,
    sources: alone ? traits.sources.filter((s) => s !== source) : traits.sources,
    trains: traits.trains.filter((t) => t.id !== id),
  };
}

/** One more arbor in a train, after the one at this place; -1: before the first. */
export function insertArbor(traits: Traits, versions: readonly Traits[], trainId: string, after: number): Traits {
  return {
    ...traits,
    trains: traits.trains.map((t) => {
      if (t.id !== trainId) return t;
      const arbor: Arbor = { id: nextArborId([...versions, traits], t.purpose), name: 'wheel', class: 'train' };
      return { ...t, arbors: t.arbors.toSpliced(after + 1, 0, arbor) };
    }),
  };
}

/** One more source, which drives nothing until a train is said to be driven by it. */
export const addSource = (traits: Traits, versions: readonly Traits[], kind: SourceKind): Traits => ({
  ...traits,
  sources: [...traits.sources, { id: nextPartId([...versions, traits], 'power'), kind, name: '' }],
});

/** Without a source; what it drove has none of its own then. */
export const removeSource = (traits: Traits, id: string): Traits => ({
  ...traits,
  sources: traits.sources.filter((s) => s.id !== id),
  trains: traits.trains.map((t) => (t.source === id ? { ...t, source: null } : t)),
});

/** What drives a train; a source that is left with nothing to drive goes. */
export function driveBy(traits: Traits, trainId: string, source: string | null): Traits {
  const trains = traits.trains.map((t) => (t.id === trainId ? { ...t, source } : t));
  const was = traits.trains.find((t) => t.id === trainId)?.source;
  const idle = was !== source && !trains.some((t) => t.source === was);
  return { ...traits, trains, sources: idle ? traits.sources.filter((s) => s.id !== was) : traits.sources };
}
