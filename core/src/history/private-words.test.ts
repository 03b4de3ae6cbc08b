import { describe, expect, it } from 'vitest';
import { finishedVisit as visit, now } from '../visit/sample.ts';
import { privateWordsIn, typedWords } from './private-words.ts';
import { serviceRecord } from './fromVisit.ts';

const owner = {
  name: 'Mrs Odile Tarrowby',
  phone: '0555 010 442',
  email: 'odile@tarrowby.example',
  address: '4 Cooper’s Yard\nAldermere',
};
const hits = (note: string, of = owner) => privateWordsIn(typedWords(visit, '', note), of);

describe('the owner’s own words in what was typed', () => {
  it('are found wherever they slipped in', () => {
    expect(hits('Chain sound.')).toEqual([]);
    expect(hits('Ring 0555-010442 first')).toEqual([{ word: '0555 010 442', where: 'the note' }]);
    expect(hits('the mrs of the house')).toEqual([]);
    const finding = { ...visit.findings[0]!, seen: 'Tarrowby’s own glue' };
    expect(privateWordsIn(typedWords({ ...visit, findings: [finding] }), owner)).toEqual([
      { word: 'tarrowby', where: 'a finding' },
    ]);
    const oiled = [{ ...visit.oiled[0]!, product: 'Mr Tarrowby’s own oil' }];
    const [coat] = visit.casework;
    const casework = [{ ...coat!, doneAt: '2031-05-02T09:00:00Z', product: 'Wax of Tarrowby' }];
    expect(privateWordsIn(typedWords({ ...visit, oiled, casework }), owner).map((h) => h.where)).toEqual([
      'an oil point',
      'work on the case',
    ]);
    const why = { ...visit.stages[0]!, state: 'left' as const, why: 'Odile asked so' };
    expect(privateWordsIn(typedWords({ ...visit, stages: [why] }), owner)).toEqual([
      { word: 'odile', where: 'what was not done' },
    ]);
  });

  it.each(['Day', 'Bell', 'Steel', 'Case', 'Brown', 'Inside', 'Clock Society', 'Plates', 'Coil', 'Shop'])(
    'are not looked for in what Eclat says of its own accord: an owner called %s can be signed for',
    (name) => {
      // What was only pressed, and what was typed, apart.
      const pressed = {
        ...visit,
        findings: [],
        cause: '',
        parts: [],
        work: [],
        agreement: { lines: [], chosen: null },
      };
      expect(JSON.stringify(serviceRecord(pressed, now)).length).toBeGreaterThan(500);
      expect(privateWordsIn(typedWords(pressed), { name })).toEqual([]);
    },
  );

  it('are found in a word that means something else, once a place, for the signer to keep', () =>
    expect(hits('Steel pinion. The steel is sound.', { ...owner, name: 'Ada Steel' })).toEqual([
      { word: 'steel', where: 'the note' },
    ]));
});
