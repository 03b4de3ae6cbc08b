// @vitest-environment jsdom
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { CleaningScreen } from '../cleaning/CleaningScreen.tsx';
import { PowerDownScreen } from './PowerDownScreen.tsx';
import { answer, sent, show, standIn } from '../../../test/stage.tsx';
import { by, visitOf } from '../../../test/visit.ts';

const person = userEvent.setup();

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('power down', () => {
  it('keeps the strip shut until all is safe and read', () => {
    show(PowerDownScreen, visitOf('mantel-barrels'));
    expect(answer()).toContain('Do not open the plates');
    expect((screen.getByRole('button', { name: 'Begin the strip' }) as HTMLButtonElement).disabled).toBe(true);
    cleanup();
    const safe = visitOf('mantel-barrels', { cautions: [{ caution: 'wound-spring', ...by }] });
    safe.power = safe.power.map((p) => ({ ...p, state: 'contained' }));
    show(PowerDownScreen, safe);
    expect(answer()).toContain('Safe to open');
    expect((screen.getByRole('button', { name: 'Begin the strip' }) as HTMLButtonElement).disabled).toBe(false);
  });

  it('opens under power only with words, which are sent', async () => {
    show(PowerDownScreen, visitOf('mantel-barrels', { cautions: [{ caution: 'wound-spring', ...by }] }));
    await person.click(screen.getByRole('button', { name: /anyway, with a reason/ }));
    const open = screen.getByRole('button', { name: 'Open under power' }) as HTMLButtonElement;
    await person.type(screen.getByLabelText('Why it is opened under power'), '   ');
    expect(open.disabled).toBe(true);
    await person.type(screen.getByLabelText('Why it is opened under power'), 'click broken');
    await person.click(open);
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ url: '/api/visits/v1/strip', body: { overrideReason: '   click broken' } }),
    );
  });

  it('stands at the bath as well: shut until it is safe, or a reason was given since the power changed', async () => {
    const visit = visitOf('mantel-barrels', { power: visitOf('mantel-barrels').power.map((p) => ({ ...p, ...by })) });
    const begin = () => screen.getByRole('button', { name: 'Begin the run' }) as HTMLButtonElement;
    const basket = async (thing: RegExp) => {
      cleanup();
      show(CleaningScreen, visit);
      await person.click(screen.getByRole('button', { name: thing }));
    };
    await basket(/^motion work/);
    expect(begin().disabled).toBe(false);
    await basket(/^plates/);
    expect(begin().disabled).toBe(true);
    await person.click(screen.getByRole('button', { name: /anyway, with a reason/ }));
    await person.type(screen.getByLabelText('Why it is opened under power'), 'click broken{Enter}');
    await waitFor(() =>
      expect(sent.at(-1)).toMatchObject({
        url: '/api/visits/v1/power-overrides',
        body: { opens: 'plates', reason: 'click broken' },
      }),
    );
    const later = new Date(Date.parse(by.at) + 60_000).toISOString();
    visit.overrides = [{ id: 'o', opens: 'plates', reason: 'click broken', ...by, at: later }];
    await basket(/^plates/);
    expect(begin().disabled).toBe(false);
    await basket(/^barrels/);
    expect(begin().disabled).toBe(true);
  });

  it('has nothing to let down where nothing is stored', () => {
    show(PowerDownScreen, visitOf('synchronous', { power: [] }));
    expect(screen.getByText(/Unplug it, lock it off/)).toBeTruthy();
    expect(screen.getByText(/licensed or trained people/)).toBeTruthy();
  });
});
