import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById } from '../movement/index.ts';
import { careOf, dueAgain } from './index.ts';

const text = (family: string) =>
  careOf(familyById(family).traits)
    .flatMap((c) => c.says)
    .join(' ');
describe('what the owner is told', () => {
  // Common practice: what can harm is said to whom it concerns, and to nobody else.
  it('is of this clock', () => {
    expect(text('longcase')).toContain('Weights off first, then the pendulum');
    expect(text('longcase')).not.toContain('Hold the key until you feel the click');
    expect(text('quarter-chime')).toContain('each quarter');
    expect(text('torsion')).toContain('lock it first');
    expect(text('torsion')).toMatch(/towards F is faster.*Level it by its feet/);
    const learnt = careOf(familyById('torsion').traits, { setter: 'adjuster', perUnit: 126 });
    expect(learnt.find((c) => c.heading === 'Faster or slower')!.says).toContain(
      'One turn of the adjuster makes about 2.1 min a day.',
    );
    expect(text('synchronous')).toMatch(/never open it.*licensed/);
    expect(text('synchronous')).not.toMatch(/Winding|pendulum/i);
  });
  it('says to every family how to treat it and never to oil it', () => {
    for (const f of FAMILIES) expect(text(f.id), f.id).toContain('No oil, and no spray');
  });
  it(
    'and when it is due: oil after three years, an overhaul after eight; a leap day falls on the last ' + 'of February',
    () =>
      expect(dueAgain(familyById('mantel-barrels').traits, '2028-02-29')).toEqual({
        oil: '2031-02-28',
        overhaul: '2036-02-29',
      }),
  );
});
