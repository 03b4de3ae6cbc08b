// @vitest-environment jsdom
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import { SectionsOf } from './SectionsOf.tsx';

afterEach(cleanup);
const person = userEvent.setup();
const by = { by: 'Ines Calloway', at: '2031-04-02T09:00:00.000Z' };
const sections = {
  survey: {
    version: 1,
    holes: [
      { hole: 'T2 centre wheel, back plate', verdict: 'bush', pivotMm: 1.6, wearDeg: 135, spins: false, ...by },
      { hole: 'T3 third wheel, back plate', verdict: 'sound', pivotMm: 0.048, spins: true, ...by },
    ],
  },
  power: { version: 1, said: [{ source: 'Going train', state: 'let down', turns: 4.5, ...by }] },
};

describe('all that was recorded', () => {
  it('opens a feature under its name with one press, by keyboard too, and shuts it again', async () => {
    render(<SectionsOf sections={sections} unread={['moonWork']} />);
    expect(screen.queryByRole('region')).toBeNull();
    const button = screen.getByRole('button', { name: /^Holes/ });
    await person.tab();
    await person.tab();
    if (document.activeElement !== button) await person.tab({ shift: true });
    await person.keyboard('{Enter}');
    const said = within(screen.getByRole('region', { name: 'Holes, pivots, teeth' }));
    const [worn, sound] = said.getAllByRole('listitem').map((li) => li.textContent);
    expect(worn).toBe(
      'T2 centre wheel, back plate · bush, pivot 1.60\u00a0mm, worn towards 135°, does not spin freely',
    );
    expect(sound).toBe('T3 third wheel, back plate · sound, pivot 0.048\u00a0mm, spins freely');
    expect(said.getByText('Ines Calloway, 2031-04-02')).toBeTruthy();
    await person.keyboard('{Enter}');
    expect(screen.queryByRole('region')).toBeNull();
    expect(screen.getByText(/later version of Eclat.*moonWork/)).toBeTruthy();
  });

  it('says nothing where nothing was recorded', () => {
    const { container } = render(<SectionsOf sections={{}} />);
    expect(container.innerHTML).toBe('');
  });
});
