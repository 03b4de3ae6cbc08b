import type { TrainKey, Traits } from '../movement/index.ts';
import { CAUSES, LIKELIHOOD, type Cause } from './causes/index.ts';
import { ONLY_BY_STRIKE, SHOWN_BY_TRAIN } from './causes/row.ts';
import { canShow, SYMPTOM_IDS, type SymptomId } from './symptoms.ts';

/**
 * A cause as this movement can have it: once, or once for each of its trains. Its id is that of the look that settles
 * it.
 */
export interface Instance {
  id: string;
  name: string;
  cause: Cause;
  train: TrainKey | null;
  /** Chance that it shows each symptom when it is there. */
  shows: Partial<Record<SymptomId, number>>;
}

/** @param own causes that the shop added to the table */
export function instancesFor(traits: Traits, own: readonly Cause[] = []): Instance[] {
  return [...CAUSES, ...own].flatMap((cause): Instance[] => {
    if (!cause.perTrain)
      return cause.applies(traits)
        ? [{ id: cause.id, name: cause.name, cause, train: null, shows: shownBy(cause, null, traits) }]
        : [];
    const trains = traits.trains.filter((t) => cause.applies(traits, t));
    // A movement with one train does not say which.
    return trains.map(({ train }) => ({
      id: `${cause.id}.${train}`,
      name: traits.trains.length > 1 ? `${cause.name}, ${train}` : cause.name,
      cause,
      train,
      shows: shownBy(cause, train, traits),
    }));
  });
}

function shownBy(cause: Cause, train: TrainKey | null, traits: Traits): Instance['shows'] {
  const shows: Instance['shows'] = {};
  for (const symptom of SYMPTOM_IDS) {
    const grade = cause.shows[symptom];
    if (!grade) continue;
    const as = shownAs(train, symptom);
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

function shownAs(train: TrainKey | null, symptom: SymptomId) {
  if (train === null) return symptom;
  if (train === 'going') {
    return ONLY_BY_STRIKE.includes(symptom) ? undefined : symptom;
  }
  return SHOWN_BY_TRAIN[train][symptom];
}

/** Symptoms that this movement can show and at least one cause could explain. */
export function symptomsFor(traits: Traits, own: readonly Cause[] = []): SymptomId[] {
  const instances = instancesFor(traits, own);
  return SYMPTOM_IDS.filter((s) => canShow(traits, s) && instances.some((i) => i.shows[s] !== undefined));
}
