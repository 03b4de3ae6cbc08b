// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react';
import { expect, it } from 'vitest';
import { z } from 'zod';
import { useContractForm } from './useContractForm.ts';

const step = z.object({ what: z.string(), place: z.string() });
const EMPTY = { what: '', place: '' };

it('holds what was typed since the press once it is taken; what the next begins with stays whole', async () => {
  const { result } = renderHook(() => useContractForm<z.input<typeof step>>(step, EMPTY, null));
  const type = (fields: Partial<typeof EMPTY>) =>
    Object.entries(fields).forEach(([name, words]) => result.current.setValue(name as 'what', words));
  const send = () => act(() => result.current.handleSubmit(() => undefined)());
  const taken = () => act(() => result.current.taken({ ...EMPTY, place: result.current.getValues('place') }));
  type({ what: 'bell', place: 'tray A' });
  await send();
  taken();
  expect(result.current.getValues()).toEqual({ what: '', place: 'tray A' });
  for (const [typedOn, left] of [
    ['bell screwhammer', 'hammer'], // typed on
    ['gathering pallet', 'gathering pallet'], // typed over it
  ] as const) {
    type({ what: 'bell screw' });
    await send();
    type({ what: typedOn, place: 'tray AB' });
    taken();
    expect(result.current.getValues()).toEqual({ what: left, place: 'tray AB' });
  }
});
