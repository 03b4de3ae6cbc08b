import { describe, expect, it } from 'vitest';
import { SECTIONS } from './sections.data.ts';
import { inscribedThings, inscriptionSection, lettersOf, readingOf, whereWritten, type HowItStands } from './index.ts';

const HASH = (n: number) => n.toString(16).padStart(64, '0');
const stands = (said: Partial<HowItStands> = {}): HowItStands => ({
  ...{ carrier: 'back board', which: '', how: 'pencil', sameHandAs: null, likely: false, ownHand: false },
  ...said,
});
const entry = (n: number, date: string, said: Partial<HowItStands> | null = {}, place = '') => ({
  ...{ hash: HASH(n), kind: 'inscription', date, place, text: `text ${n}` },
  sections: said ? inscriptionSection(stands(said)) : {},
});

describe('a transcription', () => {
  // Square brackets for what is lost: common practice among epigraphers (Leiden conventions).
  it('tells what is sure from what is doubtful and what is lost, line by line', () => {
    expect(readingOf('J. Ock[ham?]\nclnd 189[...] & […]')).toEqual([
      { is: 'sure', text: 'J. Ock' },
      { is: 'doubtful', text: 'ham' },
      { is: 'sure', text: '\nclnd 189' },
      { is: 'gap', text: '…' },
      { is: 'sure', text: ' & ' },
      { is: 'gap', text: '…' },
    ]);
  });

  it('leaves brackets and question marks that stand on the clock itself as they are', () => {
    for (const text of ['[sic]', 'who?', '[a\nb?]', '[[?]', '[?]', 'a]b[c', '']) expect(lettersOf(text)).toBe(text);
    expect(readingOf('[掛時計?]')).toEqual([{ is: 'doubtful', text: '掛時計' }]);
  });
});

describe('what is written on a clock', () => {
  const board = [
    entry(1, '1826-05', { which: 'oak' }),
    entry(2, '1840', { which: 'Oak ', sameHandAs: HASH(1), likely: true }),
    entry(3, 'XXXX', { carrier: 'front plate', how: 'scratched', sameHandAs: HASH(2) }),
    entry(4, '191X', { carrier: 'front plate' }),
    entry(5, '1899', null, 'back cock'),
  ];

  it('is told thing by thing, with the hands told apart through the whole book, in whatever order it came', () => {
    const told = (of: typeof board) =>
      inscribedThings(of).map((t) => [t.title, t.lines.map((l) => [l.entry.hash.at(-1), l.hand, l.likely])]);
    const expected = [
      [
        'back board: oak',
        [
          ['1', 'A', false],
          ['2', 'A', true],
        ],
      ],
      ['back cock', [['5', 'B', false]]],
      [
        'front plate',
        [
          ['4', 'C', false],
          ['3', 'A', false],
        ],
      ],
    ];
    expect(told(board)).toEqual(expected);
    expect(told([...board].reverse())).toEqual(expected);
  });

  it('holds against entries of strangers: hands that name each other, nobody, or no hash', () => {
    const strange = [
      entry(1, '1900', { sameHandAs: HASH(2) }),
      entry(2, '1901', { sameHandAs: HASH(1) }),
      entry(3, '1902', { sameHandAs: HASH(3) }),
      entry(4, '1903', { sameHandAs: HASH(99) }),
      { ...entry(5, '1904'), sections: { inscription: { read: 'loud' } } },
      { ...entry(6, '1905'), sections: { inscription: { read: [{ carrier: 7, sameHandAs: { a: 1 } }] } } },
    ];
    const hands = inscribedThings(strange).flatMap((t) => t.lines.map((l) => l.entry.hash.at(-1)! + l.hand));
    expect(hands.sort()).toEqual(['1A', '2A', '3B', '4C', '5D', '6E']);
  });

  it('has a letter for each hand beyond the twenty-sixth', () => {
    const many = Array.from({ length: 54 }, (_, i) => entry(i + 1, String(1800 + i)));
    const hands = inscribedThings(many)[0]!.lines.map((l) => l.hand);
    expect([hands[25], hands[26], hands[52], hands[53]]).toEqual(['Z', 'AA', 'BA', 'BB']);
  });

  it('says where it stands as a sentence, also of what was read before things were named', () => {
    const said = (of: Partial<HowItStands> | null, place: string) => whereWritten(entry(1, '1900', of, place));
    expect(said({ which: 'old one' }, 'lower left')).toBe('On the back board (old one), lower left; in pencil.');
    expect(said({ carrier: 'something else', which: 'winding key', how: 'stamped' }, '')).toBe(
      'On the winding key; stamped.',
    );
    expect(said(null, 'back plate, rubbed')).toBe('On the back plate, rubbed.');
    expect(said(null, '')).toBe('');
  });

  it('doubts no hand that is not said to be another’s', () => {
    expect(inscriptionSection(stands({ likely: true })).inscription).toMatchObject({
      version: SECTIONS.inscription.version,
      read: [{ likely: false }],
    });
  });
});
