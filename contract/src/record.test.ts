import { familyById } from '@eclat/core/movement';
import { privateWordsIn } from '@eclat/core/history';
import { SECTIONS, sectionsOf, tellSection, typedWords, type Section, type SectionName } from '@eclat/core/record';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { readSections, recordSections, visit, type Visit } from './index.ts';

type Schema = z.core.JSONSchema.JSONSchema;

const FORMATS: Readonly<Record<string, string>> = {
  uuid: '5f0c1a52-7d1e-4f0b-9a57-2f6d1f3a9c01',
  'date-time': '2031-04-02T09:00:00.000Z',
  date: '2031-04-02',
};
const PATTERNS: readonly [RegExp, string][] = [
  [/0-9a-f\]\{64/, 'ab'.repeat(32)],
  [/\[hp\]/, 'h3'],
];

/** A visit of the contract in which every list has a row, and every text and every figure is one of its own. */
function visitOfWords(say: (path: string, is?: 'figure') => string): Visit {
  const whole = z.toJSONSchema(visit, { unrepresentable: 'any', io: 'output' });
  const make = (s: Schema, path: string): unknown => {
    if (s.$ref) return make((whole.$defs as Record<string, Schema>)[s.$ref.split('/').at(-1)!]!, path);
    if (s.const !== undefined) return s.const;
    if (s.enum) return s.enum[0];
    const one = (s.anyOf ?? s.oneOf)?.find((of) => typeof of === 'object' && of.type !== 'null');
    if (one) return make(one as Schema, path);
    if (s.allOf) return make(s.allOf[0] as Schema, path);
    if (s.type === 'object') {
      const named = Object.entries(s.properties ?? {}).map(([k, of]) => [k, make(of as Schema, `${path}.${k}`)]);
      if (named.length > 0) return Object.fromEntries(named);
      const { additionalProperties: of, propertyNames } = s;
      const key = (propertyNames as Schema | undefined)?.enum?.[0] ?? 'some';
      return typeof of === 'object' ? { [String(key)]: make(of, `${path}[]`) } : {};
    }
    if (s.type === 'array') return [make((s.items ?? {}) as Schema, `${path}[]`)];
    if (s.type === 'boolean') return true;
    if (s.type === 'number' || s.type === 'integer') return Number(say(path, 'figure'));
    if (s.type !== 'string') return {};
    if (s.format && FORMATS[s.format]) return FORMATS[s.format];
    return PATTERNS.find(([p]) => s.pattern && p.test(s.pattern))?.[1] ?? say(path);
  };
  const made = make(whole, '') as Visit;
  const { traits } = familyById('mantel-barrels');
  return {
    ...made,
    movement: { ...made.movement, traits, familyId: 'mantel-barrels' },
    holes: made.holes.map((h) => ({ ...h, key: 'T2.back' })),
    benchTests: made.benchTests.map((t) => ({
      ...t,
      test: { kind: 'step', volts: 17, milliamps: 154, did: 'advances', supplyV: 24 },
    })),
    baths: made.baths.map((b) => ({ ...b, log: b.log.map((l) => ({ ...l, step: 0 })) })),
    closings: made.closings.map((c) => ({ ...c, own: true })),
    stages: made.stages.map((s) => ({ ...s, state: 'left' as const })),
    units: made.units.map((u) => ({ ...u, stages: u.stages.map((s) => ({ ...s, state: 'left' as const })) })),
  };
}

/** Texts of a visit that stay out of the record, and why. */
const LEFT_OUT: readonly (readonly [RegExp, string])[] = [
  [/^\.(owner|complaint|wanted|notWanted|outOfScope|answers|claim)\b/, 'the owner’s, and the shop’s with them'],
  [/^\.(promisedFor|earlier|callbackOf|entryId|next|lastSurvey|gone)\b/, 'of other visits, or worked out anew'],
  [/^\.(notes|time|keptWords)\b/, 'for the shop alone'],
  [/^\.clock\.description/, 'the clock is named to the shop by its owner'],
  [/^\.alone\.borrowed/, 'belongs to the shop'],
  [/^\.received\[\]\.returnedBy/, 'that it went home is between shop and owner'],
  [/^\.wantedThings\[\]\.steps\[\]\.(from|price|by)/, 'the shop’s suppliers and their prices'],
  [/^\.job\.trial|^\.job\.log\[\]\.owner/, 'the last word of the log says it; the owner'],
  [/\.(price|hourlyRate|taxPercent|currency|cost)$|^\.findings\[\]\.hours/, 'prices, and what they are reckoned from'],
  [/^\.agreement\.(chosen|link|questions|prices)|^\.agreement\.lines\[\]\.(decisions|by)/, 'talk with the owner'],
  [/^\.movement\.(id|code|familyId|version)\b/, 'in the head of the entry, or counted here'],
  [/^\.movement\.(plates\.sides|traits)/, 'as drawn; and of a real movement in this test'],
  [/^\.rules\.(held|version)/, 'the rules of the house are its own; departures stand'],
  [/^\.strip\.begun|^\.strip\.steps\[\]\.(group|fateBy)/, 'said by the steps'],
  [/^\.strip\.passes\[\]\.number/, 'they stand in their order'],
  [/^\.baths\[\]\.(sequence|fillId|minutes|step$|log\[\]\.step|steps\[\]\.(caution|minutes))/, 'of the shop’s baths'],
  [/^\.casework\[\]\.(donorId|by|waitHours|times)/, 'whoever finished it stands'],
  [/^\.(dryFits|standRuns)\[\]\.endedBy|^\.units\[\]\.(by|runs\[\]\.endedBy)/, 'whoever began it stands'],
  [/^\.power\[\]\.(source|label)/, 'its name stands'],
  [/^(?!\.workings).*\.version$/, 'how often it was corrected'],
  [/^\.holes\[\]\.key|^\.benchTests\[\]\.test/, 'of a real movement and one bench in this test'],
];

const wordFor = (paths: Map<string, string>) => (path: string, is?: 'figure') => {
  const word = is ? `${5000 + paths.size}.25` : `Zq${paths.size}x`;
  paths.set(word, path);
  return word;
};

describe('the record of a visit', () => {
  const paths = new Map<string, string>();
  const of = visitOfWords(wordFor(paths));
  const sections = sectionsOf(of);
  const text = JSON.stringify(sections);

  it('keeps everything that was said of the clock, and nothing that is private', () => {
    expect(paths.size).toBeGreaterThan(300);
    const forgotten: string[] = [];
    const leaked: string[] = [];
    for (const [word, path] of paths) {
      const out = LEFT_OUT.some(([p]) => p.test(path));
      if (!out && !text.includes(word)) forgotten.push(path);
      if (out && text.includes(word)) leaked.push(path);
    }
    expect({ forgotten, leaked }).toEqual({ forgotten: [], leaked: [] });
    for (const [out, why] of LEFT_OUT)
      expect(
        [...paths.values()].some((p) => out.test(p)),
        why,
      ).toBe(true);
  });

  /** Sections of entries that no visit writes. */
  const OF_OTHER_ENTRIES = ['inscription', 'same'];

  it('stands by its own schema, and is read as it was written', () => {
    expect(recordSections.safeParse(sections).error).toBeUndefined();
    expect(readSections(sections)).toEqual({ sections, unread: [] });
    expect(Object.keys(sections)).toEqual(Object.keys(SECTIONS).filter((name) => !OF_OTHER_ENTRIES.includes(name)));
  });

  it('keeps apart what it cannot read: of a later version, of no feature known, or of the wrong shape', () => {
    const later = { ...sections.power, version: 2, coils: [{ ohms: 12 }] };
    const given: Record<string, unknown> = {
      ...{ power: later, strike: 'loud', moonWork: { version: 1 }, oiling: sections.oiling },
      ...JSON.parse('{"__proto__":{"version":1}}'),
      survey: { version: 1, holes: [{ hole: 4 }] },
    };
    let deep: unknown = 1;
    for (let i = 0; i < 50_000; i++) deep = [deep];
    given['benches'] = { version: 1, tests: [{ kind: 'step', values: { deep } }] };
    const { sections: read, unread } = readSections(given);
    expect(read).toEqual({ oiling: sections.oiling });
    expect(unread).toEqual(expect.arrayContaining(['power', 'strike', 'moonWork', 'survey', 'benches']));
  });

  it('is told in words: each list that has rows, each row with what leads it', () => {
    for (const [name, section] of Object.entries(sections)) {
      const told = tellSection(name as SectionName, section);
      const lists = Object.keys((SECTIONS as Record<string, Section>)[name]!.tables).filter((t) => t in section);
      expect(
        told.map((l) => l.rows.length > 0 && l.rows.every((r) => r.lead + r.rest !== '')),
        name,
      ).toEqual(lists.map(() => true));
      expect(JSON.stringify(told), name).not.toMatch(/undefined|null|NaN|\[object/);
    }
  });
});

/** What nobody types: Eclat’s own words, ids, and the names of who worked. */
const OWN = [
  /(\.|By$|[a-z]Id$|[a-z]Code$)(id|by|at|setBy|lookedBy|doneBy|key|check|hole|kind|grade|code|mark|caution|setter)?$/,
  /^\.(workings|measurements|looks|places|observations|cautions|rules)\b/,
  /^\.(findings\[\]\.cause|earlierWords\[\]\.of|power\[\]\.name|dryFits\[\]\.train|partConditions\[\]\.state)$/,
  /^\.movement\.(name|maker|marks)|^\.(heard\[\]\.warnings|oiled\[\]\.point|earlierOiled\[\]\.point)/,
];

describe('a word of the owner', () => {
  it('is found wherever a person may have typed it', () => {
    const paths = new Map<string, string>();
    const said = visitOfWords(wordFor(paths));
    const text = JSON.stringify(sectionsOf(said));
    const typed = typedWords(said)
      .map((t) => t.text)
      .join('\n');
    const missed = [...paths].filter(
      ([word, path]) =>
        word.startsWith('Zq') && text.includes(word) && !typed.includes(word) && !OWN.some((p) => p.test(path)),
    );
    expect(missed.map(([, path]) => path)).toEqual([]);
  });

  const owner = { name: 'Mrs Odile Tarrowby', phone: '', email: '', address: '' };
  it('is named with where it stands', () => {
    const plain = visitOfWords(() => '');
    const said: Visit = {
      ...plain,
      findings: [{ ...plain.findings[0]!, seen: 'Tarrowby’s own glue' }],
      oiled: [{ ...plain.oiled[0]!, product: 'Mr Tarrowby’s own oil' }],
      casework: [{ ...plain.casework[0]!, product: 'Wax of Tarrowby' }],
      stages: [{ ...plain.stages[0]!, why: 'Odile asked so' }],
    };
    expect(privateWordsIn(typedWords(said), owner).map((h) => `${h.word}: ${h.where}`)).toEqual([
      'odile: what was not done',
      'tarrowby: a finding',
      'tarrowby: work on the case',
      'tarrowby: an oil point',
    ]);
  });

  it.each(['Day', 'Bell', 'Steel', 'Case', 'Brown', 'Inside', 'Clock Society', 'Plates', 'Coil', 'Shop', 'Winder'])(
    'is not looked for in what Eclat says of its own accord: an owner called %s can be signed for',
    (name) => {
      const pressed = visitOfWords(() => '');
      expect(JSON.stringify(sectionsOf(pressed)).length).toBeGreaterThan(5000);
      expect(privateWordsIn(typedWords(pressed), { ...owner, name })).toEqual([]);
    },
  );
});
