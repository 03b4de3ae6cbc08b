import { describe, expect, it } from 'vitest';
import { SYMPTOM_IDS } from '../faults/index.ts';
import { FAMILIES, familyById } from '../movement/index.ts';
import { comesWith, isKey, mismatches, missingFor, QUESTIONS, questionsFor, toldBy, unproven } from './index.ts';

const traits = (id: string) => familyById(id).traits;

describe('numbers by place', () => {
  // Practice: a part whose number differs from the movement's was replaced, or the clock is a marriage.
  it.each([
    [
      'a balance from another',
      [
        ['case', '6438'],
        ['back plate', '6438'],
        ['balance', '3902'],
      ],
      ['balance'],
    ],
    [
      'all one',
      [
        ['case', 'No. 6438'],
        ['back plate', '6 438'],
        ['barrel', '6438'],
      ],
      [],
    ],
    [
      'the plates decide between two',
      [
        ['case', '8821'],
        ['back plate', '8812'],
      ],
      ['case'],
    ],
    [
      'two numbers on one place, one of them right',
      [
        ['back plate', '6438'],
        ['back plate', '55 120'],
        ['case', '6438'],
      ],
      [],
    ],
    [
      'a label’s voltage and a dial’s size are no serials',
      [
        ['label', '24 V, 0.22 A 240'],
        ['dial', '180 mm'],
        ['back plate', '6438'],
      ],
      [],
    ],
    [
      'short marks name nothing',
      [
        ['front plate', 'W.M. 3'],
        ['back plate', '90'],
        ['case', '6438'],
      ],
      [],
    ],
  ] as const)('%s', (_, marks, wrong) => {
    expect(mismatches(marks.map(([place, text]) => ({ place, text }))).map((m) => m.place)).toEqual(wrong);
  });
  it('says it neutrally, with both numbers', () =>
    expect(
      mismatches([
        { place: 'case', text: '6438' },
        { place: 'back plate', text: '6438' },
        { place: 'balance', text: '3902' },
      ])[0]!.seen,
    ).toBe('Number 3902 on the balance, 6438 on the case and back plate: balance from another.'));
});

describe('what is asked at the counter', () => {
  it('asks only what this clock can do', () => {
    expect(questionsFor(traits('synchronous')).map((q) => q.id)).not.toContain('stops-after');
    expect(questionsFor(traits('torsion')).map((q) => q.id)).not.toContain('strike');
    for (const q of QUESTIONS)
      for (const [, implies] of q.answers) for (const s of Object.keys(implies)) expect(SYMPTOM_IDS).toContain(s);
  });
  it('tells the diagnosis what was said, of this movement only', () => {
    const said = [
      { question: 'runs', answer: 'for a while' },
      { question: 'stops-after', answer: 'days, near the end of the wind' },
      { question: 'strike', answer: 'silent' },
      { question: 'last-hand', answer: 'a friend' },
    ];
    expect(toldBy(traits('mantel-barrels'), said)).toEqual({
      dead: 'absent',
      'stops-late': 'present',
      'no-strike': 'present',
    });
    expect(toldBy(traits('fusee'), said)).toEqual({ dead: 'absent', 'stops-late': 'present' });
  });
});

describe('what came and what is missing', () => {
  it('follows the traits', () => {
    expect(comesWith(traits('longcase'))).toEqual([
      'Pendulum',
      'Weight, left',
      'Weight, right',
      'Crank',
      'Case key',
      'Bag of loose trim',
    ]);
    expect(comesWith(traits('torsion'))).toContain('Dome');
    for (const f of FAMILIES) expect(missingFor(f.traits).length).toBeGreaterThan(3);
    expect(missingFor(traits('synchronous')).map((m) => m.what)).not.toContain('Suspension spring');
  });
  it('knows a key, and what a borrowed thing leaves unproven', () => {
    expect(['Winding key', 'Crank', 'Monkey'].map(isKey)).toEqual([true, true, false]);
    expect(unproven('a bob and a bench supply')).toEqual([
      'its rate with its own pendulum',
      'that it runs on its own supply and wiring',
    ]);
  });
});
