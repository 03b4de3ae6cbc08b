import { describe, expect, it } from 'vitest';
import { privateWordsIn } from './private-words.ts';

const owner = {
  name: 'Mrs Odile Tarrowby',
  phone: '0555 010 442',
  email: 'odile@tarrowby.example',
  address: '4 Cooper’s Yard\nAldermere',
};
const hits = (note: string, of = owner) => privateWordsIn([{ where: 'the note', text: note }], of);

describe('the owner’s own words in what was typed', () => {
  it('are found wherever they slipped in', () => {
    expect(hits('Chain sound.')).toEqual([]);
    expect(hits('Ring 0555-010442 first')).toEqual([{ word: '0555 010 442', where: 'the note' }]);
    expect(hits('the mrs of the house')).toEqual([]);
  });

  // Facts of writing: plurals, country codes, accents left out, inflected names, scripts without spaces.
  it.each([
    ['Odile Tarrowby', 'for the Tarrowbies', 'tarrowby'],
    ['Jonas Lehmann', 'the Lehmanns’ clock', 'lehmann'],
    ['Ada Hess', 'asked by the Hesses', 'hess'],
    ['Jan Dvořák', 'Dvorak wants it so', 'dvořák'],
    ['Ng Li', 'Ng brings the key', 'Ng'],
    ['Ольга Щербак', 'ключ от Щербака', 'щербак'],
    ['王小明', '王小明的钟', '王小明'],
    ['Ada Smith-Rowe', 'Rowe fetches it', 'rowe'],
  ])('of %s are found in “%s”', (name, note, word) =>
    expect(hits(note, { ...owner, name })).toEqual([{ word, where: 'the note' }]),
  );
  it.each(['+44 555 010 442', '00 44 (0)555-010442', '0555/010442'])(
    'a telephone is one however it is written: %s',
    (phone) => expect(hits(`Ring ${phone}.`)).toEqual([{ word: owner.phone, where: 'the note' }]),
  );
  it('are not found where an expert would laugh', () => {
    expect(hits('Pivot 0.555, bore 0.10, 442 teeth, 010 442 left')).toEqual([]);
    expect(hits('li sat in ng form', { ...owner, name: 'Ng Li' })).toEqual([]);
    expect(hits('Bobbin and pendulum bob', { ...owner, name: 'Al Bo' })).toEqual([]);
    expect(hits('Dayton hands, Bells of steel', { ...owner, name: 'Kit Day' })).toEqual([]);
  });

  it('are found in a word that means something else, once a place, for the signer to keep', () =>
    expect(hits('Steel pinion. The steel is sound.', { ...owner, name: 'Ada Steel' })).toEqual([
      { word: 'steel', where: 'the note' },
    ]));
});
