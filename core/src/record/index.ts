export type { Column, HeldAs, KeptRow, RowOf, Table } from './columns.ts';
export { SECTIONS, SECTION_NAMES, type Section, type SectionName } from './sections.data.ts';
export { keepSection, sectionsOf, type KeptSection, type KeptSections } from './from-visit.ts';
export type { RecordSource } from './source.ts';
export { cellWords, tellSection, type ToldList } from './told.ts';
export { typedWords } from './typed.ts';
export { tellRecord, type Told } from './story.ts';
export { bothOf, photosIn, photosShown, type NamedPhoto, type PhotoPair } from './photos.ts';
export { answeredFor, chapterTitle, ENTRY_WORDS, proofInWords, type ProofWord } from './entry-words.ts';
export { holeHistories, type HoleHistory, type PlayAt } from './wear.ts';
export { clockOf, clockSection, inscribedOnClock, ofTheClock, type ClockChapter } from './clock.ts';
export {
  CARRIER_NAMES,
  CARRIERS,
  inscribedThings,
  inscriptionSection,
  lettersOf,
  readingOf,
  thingTitle,
  whereWritten,
  WRITTEN_HOW,
  type Carrier,
  type HowItStands,
  type InscribedThing,
  type Piece,
  type WrittenHow,
} from './inscriptions.ts';
export { HOLE_STATES, originalOf, type Changed, type HoleLeft, type HoleState, type Original } from './original.ts';
export { leftIn, linkedSection, partedSection, shownOnce } from './same.ts';
