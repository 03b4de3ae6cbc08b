// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Button } from './Button.tsx';
import { LengthField } from './LengthField.tsx';

afterEach(cleanup);

function Page({ sent }: { sent: () => void }) {
  return (
    <>
      <section>
        <input aria-label="plate" inputMode="decimal" />
        <button>Take it out</button>
        <select aria-label="found">
          <option>by eye</option>
        </select>
        <LengthField name="pivot" label="pivot" value="1,2 parsecs" onChange={() => undefined} />
        <input aria-label="last" inputMode="decimal" defaultValue="3" />
        <Button>Other</Button>
        <Button variant="main">Save</Button>
      </section>
      <section>
        <input aria-label="lone" />
        <Button>Take out</Button>
      </section>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          sent();
        }}
      >
        <section>
          <input aria-label="bore" inputMode="decimal" data-figure />
          <input aria-label="note" />
          <input aria-label="outside" inputMode="decimal" data-figure />
          <input aria-label="degrees, where known" inputMode="decimal" />
          <button type="submit">Write it</button>
        </section>
      </form>
    </>
  );
}

describe('Enter in a field', () => {
  const begin = () => {
    const sent = vi.fn();
    render(<Page sent={sent} />);
    const person = userEvent.setup();
    const here = () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent;
    return { sent, person, here };
  };
  it('leads from figure to figure and to the main button, past what takes out; not from what is wrong', async () => {
    const { person, here } = begin();
    await person.click(screen.getByLabelText('plate'));
    await person.keyboard('2.5{Enter}');
    expect(here()).toBe('found');
    await person.click(screen.getByLabelText('pivot'));
    await person.keyboard('{Enter}');
    expect(document.activeElement).toBe(screen.getByLabelText('pivot'));
    await person.click(screen.getByLabelText('last'));
    await person.keyboard('{Enter}');
    expect(here()).toBe('Save');
    await person.click(screen.getByLabelText('lone'));
    await person.keyboard('{Enter}');
    expect(here()).toBe('lone');
  });
  it('sends a form, from whatever field, once its lengths are measured', async () => {
    const { sent, person, here } = begin();
    await person.click(screen.getByLabelText('bore'));
    await person.keyboard('2{Enter}');
    expect([here(), sent.mock.calls.length]).toEqual(['outside', 0]);
    await person.keyboard('4{Enter}');
    expect(sent.mock.calls.length).toBe(1);
    await person.clear(screen.getByLabelText('outside'));
    for (const field of ['note', 'degrees, where known']) {
      await person.click(screen.getByLabelText(field));
      await person.keyboard('{Enter}');
    }
    expect(sent.mock.calls.length).toBe(3);
  });
});
