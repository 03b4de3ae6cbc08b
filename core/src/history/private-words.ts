import { TASKS } from '../casework/index.ts';
import { usualParts } from '../cleaning/index.ts';
import { DRIVEN_BY, USUAL_UNITS } from '../workflow/index.ts';
import type { VisitSource } from './fromVisit.ts';
import type { PrivateWords } from './record.ts';

/** Words that a person typed and that go into the record, with where they stand. */
export interface Typed {
  where: string;
  text: string;
}

/** A word of the owner that stands in the record. */
export interface PrivateHit {
  word: string;
  where: string;
}

/** Titles and little words that are no sign of a person. */
const PLAIN = new Set([
  'the',
  'and',
  'van',
  'von',
  'der',
  'den',
  'mrs',
  'miss',
  'mister',
  'sir',
  'estate',
  'club',
  'society',
  'church',
  'school',
  'museum',
  'hall',
  'town',
  'clock',
  'clocks',
  'guild',
  'trust',
  'company',
]);

/** What was typed for the record of this visit: what Eclat says of its own accord, or offers to be pressed, is none. */
export function typedWords(visit: VisitSource, waiver = '', note = ''): Typed[] {
  const offered = new Set<string>([
    ...usualParts(visit.movement.traits).map((p) => p.name),
    ...TASKS.map((t) => t.what),
    ...USUAL_UNITS,
    ...DRIVEN_BY,
  ]);
  const out: Typed[] = [];
  const take = (where: string, ...texts: (string | null | undefined)[]) => {
    for (const text of texts) if (text && !offered.has(text)) out.push({ where, text });
  };
  for (const f of visit.findings) take('a finding', f.place, f.seen, f.proposal);
  take('a cause', visit.cause);
  for (const b of visit.baths) take('a cleaning run', ...b.parts.map((p) => p.name));
  for (const w of visit.work) take('work on a part', w.part, w.did, w.before, w.after);
  for (const l of visit.partConditions) take('the survey of parts', l.note);
  for (const { test } of visit.electric)
    take(
      'the electric bench',
      'what' in test ? test.what : '',
      'note' in test ? test.note : '',
      'value' in test ? test.value : '',
    );
  for (const p of visit.parts) take('a part', p.what, p.size);
  for (const o of visit.oiled) take('an oil point', o.product, o.batch, o.differs);
  for (const t of visit.casework) if (t.doneAt !== null) take('work on the case', t.what, t.product);
  for (const l of visit.agreement.lines) if (l.state === 'declined') take('declined work', l.what);
  for (const s of [...visit.stages, ...visit.units.flatMap((u) => u.stages)]) take('what was not done', s.why);
  const { trial } = visit.job;
  if (trial) take('the job', trial.expected, trial.outcome, trial.offer);
  for (const r of visit.standRuns) take('a run with parts off', r.off, r.watched, r.found);
  for (const u of visit.units) take('a sub-assembly', u.name, ...u.runs.flatMap((r) => [r.driven, r.found]));
  take('the waiver', waiver);
  take('the note', note);
  return out;
}

/**
 * Where the owner's own words stand in what was typed: a name, phone, address or e-mail that slipped into a finding.
 * The signer takes them out, or keeps one that means something else: nothing is cut by guess. Each word once a place.
 */
export function privateWordsIn(typed: readonly Typed[], owner: PrivateWords): PrivateHit[] {
  const names = owner.name
    .split(/[^\p{L}’'-]+/u)
    .map((w) => w.toLowerCase())
    .filter((w) => w.length >= 3 && !PLAIN.has(w));
  const digits = (owner.phone ?? '').replace(/\D/g, '');
  const wholes = [owner.email, owner.address?.split('\n')[0]]
    .map((w) => w?.trim().toLowerCase())
    .filter((w): w is string => Boolean(w && w.length >= 5));
  const hits = typed.flatMap(({ where, text }) => {
    const lower = text.toLowerCase();
    const words = lower.split(/[^\p{L}’'-]+/u);
    const found = [
      ...names.filter((n) => words.includes(n) || words.includes(`${n}’s`) || words.includes(`${n}'s`)),
      ...wholes.filter((w) => lower.includes(w)),
      ...(digits.length >= 6 && text.replace(/\D/g, '').includes(digits) ? [owner.phone!] : []),
    ];
    return found.map((word) => ({ word, where }));
  });
  return hits.filter((h, i) => hits.findIndex((x) => x.word === h.word && x.where === h.where) === i);
}
