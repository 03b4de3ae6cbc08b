import { describe, expect, it } from 'vitest';
import { photosShown, shownOnce } from './index.ts';
import { tellRecord } from './story.ts';

const hash = (c: string) => c.repeat(64);
const photos = { photos: [hash('a'), hash('b'), hash('c')].map((h) => ({ caption: `Of ${h[0]}`, hash: h })) };

describe('photos of an entry', () => {
  it('stand as pairs where both are named, and each once', () => {
    const pairs = { pairs: [{ shows: 'Hole', before: hash('a'), after: hash('c') }] };
    const { pairs: both, single } = photosShown({ photos, pairs });
    expect(both).toEqual([{ said: 'Hole', before: hash('a'), after: hash('c') }]);
    expect(single.map((p) => p.said)).toEqual(['Of b']);
  });

  it('are all shown, whatever a stranger’s pairs say', () => {
    for (const pairs of [
      { pairs: [{ before: hash('a'), after: hash('f') }] }, // a photo that the entry does not name
      { pairs: [{ before: '../../etc', after: 4 }, null, 'x', { shows: {} }] },
      { pairs: 'many' },
      {},
    ] as Record<string, unknown>[]) {
      const { pairs: both, single } = photosShown({ photos, pairs });
      expect([both.length, single.length]).toEqual([0, 3]);
    }
  });
});

describe('the story of an entry', () => {
  const record = {
    condition: [],
    causes: [],
    cleaned: [],
    bushes: [],
    parts: [],
    oiled: [],
    test: { verdict: 'Ran.' },
  };
  const told = (conservation: unknown) =>
    tellRecord({ record: record as never, sections: { conservation } }).find((p) => p.name === 'Decided')?.lines;

  it('says what was chosen and why, not what was only considered', () => {
    const row = { about: 'Gilt', undone: 'no', why: 'The owner lives with it' };
    expect(
      told({
        version: 1,
        ways: [
          { ...row, way: 'Gild anew', stands: 'chosen' },
          { ...row, way: 'Tone it', stands: 'rejected' },
        ],
      }),
    ).toEqual(['Gilt: Gild anew, which cannot be undone. The owner lives with it']);
    expect(told({ ways: [{ ...row, way: 'Tone it', stands: 'considered' }] })).toBeUndefined();
    expect(told({ ways: [{ stands: 'chosen', about: {}, way: 7 }] })).toBeUndefined();
    expect(told('loud')).toBeUndefined();
  });
});

it('an original that is kept apart hides no copy of it', () => {
  const copy = { id: 'b', amends: null, copyOf: 'a' };
  expect(shownOnce([copy])).toEqual([copy]);
  expect(shownOnce([{ id: 'a', amends: null, copyOf: null }, copy]).map((e) => e.id)).toEqual(['a']);
});
