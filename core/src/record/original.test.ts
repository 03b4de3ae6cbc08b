import { describe, expect, it } from 'vitest';
import { originalOf } from './index.ts';

const HOLES = ['T1.front', 'T1.back', 'T2.front', 'T2.back'].map((key) => ({ key, hole: `hole ${key}` }));
const entry = (id: string, date: string, sections: Record<string, unknown>, bushes: { hole: string }[] = []) => ({
  ...{ id, date, sections },
  record: { bushes },
});
const looked = (...holes: [key: string, past: string][]) => ({
  survey: { holes: holes.map(([key, past]) => ({ hole: `hole ${key}`, past })) },
});
const statesOf = (entries: ReturnType<typeof entry>[]) =>
  originalOf(entries, HOLES).holes.map((h) => [h.key, h.state, h.date]);

describe('what is left as it was made', () => {
  const history = [
    entry('a', '1998-05-01', looked(['T1.front', 'original'], ['T1.back', 'punched'], ['T2.front', 'factory bush'])),
    entry('b', '2012-01-03', { fitting: { bushes: [{ hole: 'hole T1.back' }] } }),
    // Later somebody takes the well made bush for the plate itself.
    entry('c', '2020-09-09', looked(['T1.back', 'original'], ['T1.front', 'original'])),
    entry('d', '2024-01-01', {}, [{ hole: 'hole T1.back' }, { hole: 'of another movement' }]),
  ];

  it('never counts a bushed hole as made again, and takes nothing for original that nobody looked at', () => {
    const expected = [
      ['T1.front', 'as made', ''],
      ['T1.back', 'later bush', '2024-01-01'],
      ['T2.front', 'as made', ''],
      ['T2.back', 'not known', ''],
    ];
    expect(statesOf(history)).toEqual(expected);
    expect(statesOf([...history].reverse())).toEqual(expected);
  });

  it('tells parts that came, what is of no origin here, what cannot be undone, and what is missing still', () => {
    const { parts, clock, work, missing } = originalOf(
      [
        entry('z', '2020', {
          fitting: {
            parts: [{ what: 'Hammer leather', source: 'made here', oldPart: 'kept with the movement' }],
            work: [
              { part: 'pallets', did: 'resurfaced', reversible: false },
              { part: 'hands', did: 'blued', reversible: true },
            ],
          },
          casework: {
            tasks: [
              { what: 'Foot turned', place: 'case', origin: 'new, a guess' },
              { what: 'Veneer glued back', place: 'case', origin: 'of this clock' },
              { what: 'Waxed', place: 'case' },
            ],
          },
          reception: {
            wanted: [
              { what: 'Finial', evidence: 'a clean patch' },
              { what: 'Key', ended: 'found' },
            ],
          },
        }),
      ],
      HOLES,
    );
    expect([parts, clock, work, missing].map((l) => l.map((c) => `${c.what}: ${c.how}`))).toEqual([
      ['Hammer leather: made here, old part kept with the movement'],
      ['case, Foot turned: new, a guess'],
      ['pallets: resurfaced'],
      ['Finial: a clean patch'],
    ]);
  });

  it('holds against what a stranger may have signed', () => {
    const strange = { survey: { holes: [null, 7, { hole: {}, past: 'constructor' }, { hole: 'hole T1.front' }] } };
    expect(statesOf([entry('s', '2030', strange)]).every(([, state]) => state === 'not known')).toBe(true);
    expect(originalOf([entry('s', '2030', { fitting: 'x', casework: { tasks: {} } })], HOLES).parts).toEqual([]);
  });
});
