// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AgreementScreen } from '../agreement/AgreementScreen.tsx';
import { signedIn } from '../../../test/stage.tsx';
import { sent, show, standIn } from '../../../test/stage.tsx';
import { visitOf } from '../../../test/visit.ts';
import { TimeButton } from './TimeButton.tsx';

const person = userEvent.setup();
beforeEach(() => standIn());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const entry = {
  id: 't1',
  stage: 'strip' as const,
  by: 'Ines',
  startedAt: '2026-05-01T09:00:00.000Z',
  endedAt: '2026-05-01T10:30:00.000Z',
};

describe('bench time', () => {
  it('begins by one press on the stage that is open, and ends by one', async () => {
    const queries = new QueryClient();
    signedIn(queries, { name: 'Ines' });
    const at = (time: (typeof entry | (Omit<typeof entry, 'endedAt'> & { endedAt: null }))[]) => (
      <QueryClientProvider client={queries}>
        <TimeButton visit={visitOf('fusee', { time })} stage="survey" />
      </QueryClientProvider>
    );
    const { rerender } = render(at([entry]));
    await person.click(screen.getByRole('button', { name: 'Start my time' }));
    await waitFor(() =>
      expect(sent[0]).toMatchObject({ method: 'POST', url: '/api/visits/v1/time', body: { stage: 'survey' } }),
    );
    rerender(at([{ ...entry, id: 't2', stage: 'strip', endedAt: null }]));
    await person.click(screen.getByRole('button', { name: /Stop my time: Strip/ }));
    await waitFor(() => expect(sent[1]).toMatchObject({ method: 'PUT', url: '/api/visits/v1/time/stopped' }));
  });
  it('stands against what was written, with its price', () => {
    const visit = visitOf('fusee', { time: [entry] });
    visit.agreement.prices.hourlyRate = '50';
    show(AgreementScreen, visit);
    expect(screen.getByRole('heading', { name: 'Worked so far' }).closest('section')!.textContent).toContain(
      '1.5 hAt 50 an hour: 75.00',
    );
  });
});
