import { describe, expect, it } from 'vitest';
import {
  answeredFirst,
  FAMILIES,
  familyById,
  replacementChecks,
  replacementObstacles,
  type CheckAnswer,
} from './index.ts';

const ids = (family: string) => replacementChecks(familyById(family).traits, 'oiled before fitting').map((c) => c.id);

// Common practice: type with its suffix, hand shaft, pendulum or none, chime layout, is it still made; what moves over;
// what must come off.
describe('a movement in another’s place', () => {
  it('is asked for what its traits need', () => {
    expect(ids('quarter-chime')).toEqual(
      expect.arrayContaining([
        'type',
        'made',
        'shaft',
        'pendulum',
        'chime',
        'selector',
        'posts',
        'hand-nut',
        'suspension',
        'one-nut',
        'oil',
      ]),
    );
    expect(ids('lever-platform')).toContain('no-pendulum');
    expect(ids('lever-platform')).not.toContain('chime');
    expect(ids('quarter-chime')).not.toContain('moon-stub');
    const { traits } = familyById('quarter-chime');
    expect(
      replacementChecks({ ...traits, fittings: [...traits.fittings, 'moon work'] }, '').map((c) => c.id),
    ).toContain('moon-stub');
    for (const f of FAMILIES) expect(new Set(ids(f.id)).size).toBe(ids(f.id).length);
  });
  it('asks how the springs stand before the plates are reached, and not of weights', () => {
    const checks = replacementChecks(familyById('quarter-chime').traits, '');
    expect(checks.findIndex((c) => c.id === 'springs')).toBeLessThan(checks.findIndex((c) => c.id === 'one-nut'));
    expect(answeredFirst('one-nut', checks, {})).toContain('springs stand');
    expect(answeredFirst('one-nut', checks, { springs: { answer: 'yes', note: '' } })).toBeNull();
    expect(answeredFirst('oil', checks, {})).toBeNull();
    expect(answeredFirst('one-nut', replacementChecks(familyById('longcase').traits, ''), {})).toBeNull();
    const all = Object.fromEntries(checks.map((c) => [c.id, { answer: 'yes' as CheckAnswer, note: '' }]));
    const wound = (note: string) => ({ ...all, springs: { answer: 'no' as CheckAnswer, note } });
    expect([replacementObstacles(checks, wound('')).length, replacementObstacles(checks, wound('x')).length]).toEqual([
      1, 0,
    ]);
  });
  it('waits for every answer, and for words where something does not match', () => {
    const checks = replacementChecks(familyById('torsion').traits, '');
    const all = (answer: CheckAnswer, note = '') => Object.fromEntries(checks.map((c) => [c.id, { answer, note }]));
    expect(replacementObstacles(checks, {})).toEqual([`${checks.length} points are not answered`]);
    expect(replacementObstacles(checks, all('yes'))).toEqual([]);
    expect(replacementObstacles(checks, { ...all('yes'), shaft: { answer: 'no', note: '' } })).toEqual([
      expect.stringContaining('say how it is met'),
    ]);
    expect(
      replacementObstacles(checks, {
        ...all('yes'),
        shaft: { answer: 'no', note: 'bush turned for the hand' },
        posts: { answer: 'no', note: '' },
      }),
    ).toEqual([]);
  });
});
