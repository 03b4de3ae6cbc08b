import { ensure } from '../units/index.ts';
import { has, hasTrain, type Fitting, type Purpose, type Traits } from '../movement/index.ts';
import type { Cause, Level } from './causes/index.ts';
import { LIKELIHOOD, PRIOR } from './causes/index.ts';
import { SYMPTOM_IDS, type SymptomId } from './symptoms.ts';

/** A cause that a shop adds to the table, in words and choices only: it can be stored and sent. */
export interface OwnCause {
  id: string;
  name: string;
  prior: keyof typeof PRIOR;
  /** Movements that can have it: all of these; an empty list asks for nothing. */
  oscillators: readonly Traits['oscillator'][];
  fittings: readonly Fitting[];
  trains: readonly Purpose[];
  shows: Partial<Record<SymptomId, keyof typeof LIKELIHOOD>>;
  look: { what: string; minutes: number; level: Level };
  remedy: string;
}
export const OWN_PREFIX = 'own-';

/** A shop's own cause as a row of the table. @throws Outside at `id` or `shows` */
export function causeOf(own: OwnCause): Cause {
  ensure(own.id.startsWith(OWN_PREFIX), 'id', `A shop's own cause begins with ${OWN_PREFIX}.`);
  const symptoms = Object.keys(own.shows);
  ensure(
    symptoms.length > 0 && symptoms.every((s) => SYMPTOM_IDS.includes(s as SymptomId)),
    'shows',
    'It must show at least one symptom of the table.',
  );
  return {
    id: own.id,
    name: own.name,
    prior: own.prior,
    of: 'movement',
    shows: own.shows,
    look: own.look,
    remedy: own.remedy,
    applies: (t) =>
      (own.oscillators.length === 0 || own.oscillators.includes(t.oscillator)) &&
      own.fittings.every((f) => has(t, f)) &&
      own.trains.every((k) => hasTrain(t, k)),
  };
}
