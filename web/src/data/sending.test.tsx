// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { useSending } from './useSending.ts';

/** A change on its way, whose answers are given by hand. */
function sending(read: boolean) {
  const out: { resolve: (reply: string) => void; reject: (error: Error) => void }[] = [];
  const send = (_: object) => new Promise<string>((resolve, reject) => out.push({ resolve, reject }));
  const [onSuccess, onError] = [vi.fn(), vi.fn()];
  let drawn = 0;
  const { result } = renderHook(
    () => {
      drawn++;
      const it = useSending(send, { onSuccess, onError });
      return { mutate: it.mutate, isPending: read && it.isPending };
    },
    { wrapper: ({ children }) => <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider> },
  );
  return { out, onSuccess, onError, result, drawn: () => drawn };
}

/** What changes is told in a task of its own. */
const told = (change: () => void) =>
  act(async () => {
    change();
    await new Promise((later) => setTimeout(later, 5));
  });

it('goes out within the press, as often as it was pressed, and each answer comes once', async () => {
  const { out, onSuccess, onError, result } = sending(false);
  const same = {};
  result.current.mutate(same);
  result.current.mutate(same);
  expect(out.length).toBe(2);
  await act(async () => out[1]!.resolve('second'));
  await act(async () => out[0]!.reject(new Error('no')));
  expect(out.length).toBe(2);
  expect(onSuccess.mock.calls.map(([reply]) => reply)).toEqual(['second']);
  expect(onError.mock.calls.map(([error]) => (error as Error).message)).toEqual(['no']);
});

it('is drawn again only where somebody looks whether it is under way', async () => {
  for (const read of [true, false]) {
    const { out, result, drawn } = sending(read);
    const before = drawn();
    await told(() => result.current.mutate({}));
    expect([read, result.current.isPending]).toEqual([read, read]);
    await told(() => out[0]!.resolve('done'));
    expect([read, result.current.isPending]).toEqual([read, false]);
    expect([read, drawn() - before]).toEqual([read, read ? 2 : 0]);
  }
});
