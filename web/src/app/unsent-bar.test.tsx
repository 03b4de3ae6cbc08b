// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { UnsentBar } from './UnsentBar.tsx';
import { ReadNow } from '../features/test-run/ReadNow.tsx';
import { useAppState, type Unsent } from '../data/app-state.ts';

const unsent = (change: Partial<Unsent> = {}): Unsent => ({
  key: 'k1',
  method: 'POST',
  url: '/api/x',
  body: { seen: 'Door sags.', version: 2 },
  what: 'Finding',
  personId: 'p1',
  madeAt: 0,
  ...change,
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('what is kept on this device', () => {
  beforeEach(() => useAppState.setState({ unsent: [] }));

  it('is said in words, and only mine', () => {
    useAppState.setState({ unsent: [unsent(), unsent({ key: 'k2', personId: 'p2' })] });
    render(<UnsentBar personId="p1" />);
    expect(screen.getByRole('status').textContent).toContain(
      'One change is kept on this device and will be sent when the server is back',
    );
  });
  it('can be read, tried again and thrown away when the server refused it', async () => {
    useAppState.setState({ unsent: [unsent({ refused: 'This visit is signed and closed.' })] });
    render(<UnsentBar personId="p1" />);
    expect(screen.getByRole('status').textContent).toContain('the server refused 1');
    fireEvent.click(screen.getByRole('button', { name: 'Look' }));
    expect(await screen.findByText('Door sags.', undefined, { timeout: 10_000 })).toBeTruthy();
    expect(screen.getByText('This visit is signed and closed.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(useAppState.getState().unsent[0]!.refused).toBeUndefined();
    fireEvent.click(screen.getByRole('button', { name: 'Throw it away' }));
    expect(useAppState.getState().unsent).toEqual([]);
  });
});

describe('a reading by one press', () => {
  it('holds the moment of the press, by the server’s clock, however long the typing takes', async () => {
    vi.useFakeTimers();
    vi.setSystemTime(new Date(2031, 4, 2, 10, 11, 58, 0));
    useAppState.setState({ clockOffset: 1_000 }); // this computer is a second slow
    const sent: Record<string, unknown>[] = [];
    vi.stubGlobal('fetch', async (_url: string, init: RequestInit) => {
      sent.push(JSON.parse(init.body as string) as Record<string, unknown>);
      return new Response('{}', { status: 201 });
    });
    const router = createMemoryRouter([{ index: true, element: <ReadNow setAt={0} visitId="v1" /> }]);
    render(
      <QueryClientProvider client={new QueryClient()}>
        <RouterProvider router={router} />
      </QueryClientProvider>,
    );
    fireEvent.click(screen.getByRole('button', { name: /^Now/ }));
    const shown = screen.getByLabelText('What the hands showed') as HTMLInputElement;
    expect(shown.value).toBe('10:12:00'); // the mark that was met is most likely the nearest minute
    expect(screen.getByText('1.0 s ahead')).toBeTruthy();
    vi.setSystemTime(new Date(2031, 4, 2, 10, 15, 0, 0));
    fireEvent.change(shown, { target: { value: '10:13:00' } });
    expect(screen.getByText('61 s ahead')).toBeTruthy();
    await act(async () => {
      fireEvent.click(screen.getByRole('button', { name: 'Keep the reading' }));
    });
    expect(sent).toEqual([{ readAt: new Date(2031, 4, 2, 10, 11, 59, 0).toISOString(), errorS: 61, celsius: null }]);
  });
});
