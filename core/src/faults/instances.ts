import {
  sourceName,
  trainName,
  trainsOf,
  type PowerSource,
  type Purpose,
  type Train,
  type Traits,
} from '../movement/index.ts';
import { CAUSES, LIKELIHOOD, type Cause } from './causes/index.ts';
import { ONLY_BY_STRIKE, SHOWN_BY_TRAIN } from './causes/row.ts';
import { canShow, SYMPTOM_IDS, type SymptomId } from './symptoms.ts';

/**
 * A cause as this movement can have it: once, or once for each of its trains or sources of power. Its id is that of the
 * look that settles it.
 */
export interface Instance {
  id: string;
  name: string;
  cause: Cause;
  /** The id of the train or source that has it; null: the movement as a whole. */
  of: string | null;
  /** Chance that it shows each symptom when it is there. */
  shows: Partial<Record<SymptomId, number>>;
}

/** @param own causes that the shop added to the table */
export function instancesFor(traits: Traits, own: readonly Cause[] = []): Instance[] {
  return [...CAUSES, ...own].flatMap((cause): Instance[] => {
    // What there is only one of need not be told apart.
    const named = (of: { id: string }, name: string, all: number, trains: readonly Train[]): Instance => ({
      id: `${cause.id}.${of.id}`,
      name: all > 1 ? `${cause.name}, ${name}` : cause.name,
      cause,
      of: of.id,
      shows: shownBy(
        cause,
        trains.map((t) => t.purpose),
        traits,
      ),
    });
    if (cause.of === 'train')
      return traits.trains
        .filter((t) => cause.applies(traits, t))
        .map((t) => named(t, trainName(t), traits.trains.length, [t]));
    if (cause.of === 'source')
      return traits.sources
        .filter((s) => cause.applies(traits, s.kind))
        .map((s: PowerSource) => named(s, sourceName(traits, s), traits.sources.length, trainsOf(traits, s)));
    return cause.applies(traits)
      ? [{ id: cause.id, name: cause.name, cause, of: null, shows: shownBy(cause, null, traits) }]
      : [];
  });
}

/** @param purposes of the trains in which it shows; null: it is no matter of a train */
function shownBy(cause: Cause, purposes: readonly Purpose[] | null, traits: Traits): Instance['shows'] {
  const shows: Instance['shows'] = {};
  for (const symptom of SYMPTOM_IDS) {
    const grade = cause.shows[symptom];
    if (!grade) continue;
    for (const as of purposes === null ? [symptom] : purposes.map((p) => shownAs(p, symptom)))
      if (as && canShow(traits, as)) shows[as] = Math.max(shows[as] ?? 0, LIKELIHOOD[grade]);
  }
  // Only a balance has coils that cling: there too much oil makes it gain.
  if (cause.id === 'too-much-oil' && traits.oscillator !== 'balance') {
    delete shows.gains;
    delete shows.loses;
    if (shows['small-swing']) shows['small-swing'] = LIKELIHOOD.L;
  }
  return shows;
}

function shownAs(purpose: Purpose, symptom: SymptomId): SymptomId | undefined {
  if (purpose === 'going') return ONLY_BY_STRIKE.includes(symptom) ? undefined : symptom;
  return SHOWN_BY_TRAIN[purpose][symptom];
}

/** Symptoms that this movement can show and at least one cause could explain. */
export function symptomsFor(traits: Traits, own: readonly Cause[] = []): SymptomId[] {
  const instances = instancesFor(traits, own);
  return SYMPTOM_IDS.filter((s) => canShow(traits, s) && instances.some((i) => i.shows[s] !== undefined));
}
