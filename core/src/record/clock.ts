import { CARRIERS, inscribedThings, type InscribedThing } from './inscriptions.ts';
import { keepSection, type KeptSection, type KeptSections } from './from-visit.ts';
import { photosShown, type NamedPhoto, type PhotoPair } from './photos.ts';
import { DECIDED_FOR } from '../conservation/index.ts';
import { stageName } from '../workflow/index.ts';
import { rowsIn } from './columns.ts';
import { tellSection, type ToldList } from './told.ts';

type Sections = Readonly<Record<string, unknown>>;
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** The section that names the clock which an entry is of, besides its movement. */
export function clockSection(clock: string): KeptSections {
  const section = keepSection('clock', { in: [{ clock, places: [] }] });
  return section ? { clock: section } : {};
}

/** Id of the clock that an entry is of; null where it names none: a stranger’s may say anything. */
export function clockOf(sections: Sections): string | null {
  const { clock } = rowsIn(sections['clock'], 'in')[0] ?? {};
  return typeof clock === 'string' && UUID.test(clock) ? clock : null;
}

/** Stages whose photos show the clock, and not the movement out of it. */
const CLOCK_STAGES = (['intake', 'deliver'] as const).map(stageName);

interface Source {
  hash: string;
  kind: string;
  date: string;
  place: string;
  sections: Sections;
}

/** What one entry says of case, dial and glass. */
export interface ClockChapter {
  lists: ToldList[];
  photos: NamedPhoto[];
  pairs: PhotoPair[];
}

/** Of an entry of a visit, what is of the clock and not of the movement in it. */
export function ofTheClock({ sections }: Pick<Source, 'sections'>): ClockChapter {
  const places = rowsIn(sections['clock'], 'in').flatMap(({ places: of }) =>
    Array.isArray(of) ? (of as unknown[]) : [],
  );
  const findings = rowsIn(sections['assessment'], 'findings').filter((f) => places.includes(f['place']));
  const casework = sections['casework'];
  // That it is of the clock is said by the book in which it stands.
  const ways = rowsIn(sections['conservation'], 'ways').flatMap(({ of, ...way }) =>
    of === DECIDED_FOR[0] ? [way] : [],
  );
  const shown = rowsIn(sections['photos'], 'photos').filter((p) => CLOCK_STAGES.includes(String(p['stage'])));
  const { single: photos, pairs } = photosShown({
    photos: { photos: shown },
    pairs: { pairs: rowsIn(sections['pairs'], 'pairs') },
  });
  return {
    ...{ photos, pairs },
    lists: [
      ...(findings.length > 0 ? tellSection('assessment', { findings }) : []),
      ...(ways.length > 0 ? tellSection('conservation', { ways }) : []),
      ...(casework ? tellSection('casework', casework as KeptSection) : []),
    ],
  };
}

/** What is written on case, dial and boards: it stays with the clock. */
export const inscribedOnClock = <E extends Source>(entries: readonly E[]): InscribedThing<E>[] =>
  inscribedThings(entries as never).filter(
    ({ carrier }) => carrier !== null && (CARRIERS as Readonly<Record<string, string>>)[carrier] === 'clock',
  ) as never;
