// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DeviceMark } from './DeviceMark.tsx';
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
  beforeEach(() => useAppState.setState({ unsent: [], onDevice: null, liveOk: true }));
  const show = () =>
    render(
      <QueryClientProvider client={new QueryClient()}>
        <DeviceMark personId="p1" />
      </QueryClientProvider>,
    );
  const mark = () => document.querySelector('[data-device]')!.textContent;

  it('is said in a few words, and only mine; nothing is said while all is well', () => {
    show();
    expect(mark()).toBe('');
    act(() => useAppState.setState({ liveOk: false }));
    expect(mark()).toBe('Server away: what you enter is kept');
    act(() => useAppState.setState({ unsent: [unsent(), unsent({ key: 'k2', personId: 'p2' })] }));
    expect(mark()).toBe('Server away: 1 change kept here');
  });

  it('can be read, tried again and thrown away when the server refused it', async () => {
    useAppState.setState({ unsent: [unsent({ refused: 'This visit is signed and closed.' })] });
    show();
    fireEvent.click(screen.getByRole('button', { name: '1 change not taken' }));
    expect(await screen.findByText('Door sags.', undefined, { timeout: 10_000 })).toBeTruthy();
    expect(screen.getByText('This visit is signed and closed.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(useAppState.getState().unsent[0]!.refused).toBeUndefined();
    fireEvent.click(screen.getByRole('button', { name: 'Throw it away' }));
    expect(useAppState.getState().unsent).toEqual([]);
  });

  it('is a choice where somebody else changed it as well: mine goes on top of theirs', async () => {
    const current = { seen: 'Door hangs.', version: 7 };
    const labels = { seen: 'What was seen' };
    useAppState.setState({ unsent: [unsent({ refused: 'Somebody changed this as well.', current, labels })] });
    show();
    fireEvent.click(screen.getByRole('button', { name: '1 change not taken' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Choose' }, { timeout: 10_000 }));
    const { conflict } = useAppState.getState();
    expect(conflict!.fields).toEqual([
      { name: 'seen', label: 'What was seen', mine: 'Door sags.', theirs: 'Door hangs.' },
    ]);
    act(() => conflict!.keepMine());
    expect(useAppState.getState().unsent).toMatchObject([{ body: { seen: 'Door sags.', version: 7 } }]);
    expect(useAppState.getState().unsent[0]!.refused).toBeUndefined();
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
      fireEvent.click(screen.getByRole('button', { name: 'Save the reading' }));
    });
    expect(sent).toEqual([{ readAt: new Date(2031, 4, 2, 10, 11, 59, 0).toISOString(), errorS: 61, celsius: null }]);
  });
});
