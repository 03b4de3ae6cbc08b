// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { standIn } from '../../test/stage.tsx';
import { CALIPER, METER, typeInto } from './typing.ts';
import { SimulatedPrinter } from './printer.ts';

const person = userEvent.setup();

beforeEach(() => standIn());

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('devices', () => {
  it(
    'type into the field that waits, and press Enter once the page has it; a form is sent as by a ' + 'finger',
    async () => {
      const heard: string[] = [];
      function Field({ alone }: { alone?: boolean }) {
        const [value, setValue] = useState('');
        return (
          <input
            aria-label={alone ? 'alone' : 'in a form'}
            value={value}
            onChange={(e) => setValue(e.target.value)}
            onKeyDown={(e) => {
              if (alone && e.key === 'Enter') {
                e.preventDefault();
                heard.push(value);
              }
            }}
          />
        );
      }
      function Sends() {
        return (
          <>
            <Field alone />
            <form
              onSubmit={(e) => {
                e.preventDefault();
                heard.push(`sent ${(e.currentTarget[0] as HTMLInputElement).value}`);
              }}
            >
              <Field />
            </form>
            <button
              type="button"
              onClick={() =>
                ['alone', 'in a form'].forEach((f) => typeInto(screen.getByLabelText(f), CALIPER.reads(1.2449)))
              }
            >
              Send
            </button>
          </>
        );
      }
      render(<Sends />);
      await person.click(screen.getByRole('button', { name: 'Send' }));
      await waitFor(() => expect(heard).toEqual(['1.24 mm', 'sent 1.24 mm']));
      expect(typeInto(document.body, '1')).toBe(false);
    },
  );
  it('show no more than they can resolve', () =>
    expect([CALIPER.reads(3.999), METER.reads(12.34), METER.reads(112.4)]).toEqual(['4.00 mm', '12.3', '112']));
  it('a simulated printer keeps what it printed', async () => {
    const kept: string[] = [];
    await new SimulatedPrinter(
      (p) => kept.push(p.picture),
      () => Promise.resolve(),
    ).print({ picture: 'label', copies: 1 });
    expect(kept).toEqual(['label']);
  });
});
