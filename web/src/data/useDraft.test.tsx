// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { useContractForm } from './useContractForm.ts';
import { useKept } from './useDraft.ts';

const fields = z.object({ seen: z.string(), place: z.string() });

function Form({ name, place = 'case', version = 1 }: { name: string | null; place?: string; version?: number }) {
  const form = useContractForm(fields, { seen: '', place, version }, name);
  return (
    <form>
      <input aria-label="seen" {...form.register('seen')} />
      <input aria-label="place" {...form.register('place')} />
      <output>{form.watch('version')}</output>
      <button
        type="button"
        onClick={() => {
          form.forget();
          form.reset();
        }}
      >
        sent
      </button>
    </form>
  );
}

function Small({ name, start }: { name: string; start: string }) {
  const [typed, setTyped, clear] = useKept(name, start);
  return (
    <>
      <input aria-label="seen" value={typed} onChange={(e) => setTyped(e.target.value)} />
      <button onClick={clear}>sent</button>
    </>
  );
}

const value = (label: string) => (screen.getByLabelText(label) as HTMLInputElement).value;
const person = userEvent.setup();
afterEach(cleanup);

describe('a half-filled form', () => {
  it('is there again when the page is', async () => {
    render(<Form name="finding.v1" />);
    await person.type(screen.getByLabelText('seen'), 'Half a sen');
    cleanup(); // the tab is closed, the battery dies
    render(<Form name="finding.v1" />);
    expect([value('seen'), value('place')]).toEqual(['Half a sen', 'case']);
  });
  it('follows what others changed meanwhile, and holds on to the version it was typed against', async () => {
    render(<Form name="finding.v1" />);
    await person.type(screen.getByLabelText('seen'), 'Half');
    cleanup();
    render(<Form name="finding.v1" place="hood" version={2} />);
    expect([value('seen'), value('place'), screen.getByRole('status').textContent]).toEqual(['Half', 'hood', '1']);
  });
  it('is not mixed up with another', async () => {
    render(<Form name="finding.v1" />);
    await person.type(screen.getByLabelText('seen'), 'of the first clock');
    cleanup();
    render(<Form name="finding.v2" />);
    expect(value('seen')).toBe('');
  });
  it('is forgotten once it is sent, or put back as it was', async () => {
    render(<Form name="finding.v1" />);
    await person.type(screen.getByLabelText('seen'), 'done');
    await person.click(screen.getByRole('button', { name: 'sent' }));
    expect(localStorage).toHaveLength(0);
    await person.type(screen.getByLabelText('seen'), 'x{Backspace}');
    expect(localStorage).toHaveLength(0);
  });
  it('leaves nothing on the device where it may not: a passphrase', async () => {
    render(<Form name={null} />);
    await person.type(screen.getByLabelText('seen'), 'brass lark');
    expect(localStorage).toHaveLength(0);
  });
});

describe('a small form', () => {
  it('is there again, each of its own clock, until it is sent', async () => {
    const { rerender } = render(<Small name="why.v1" start="" />);
    await person.type(screen.getByLabelText('seen'), 'strike runs on');
    rerender(<Small name="why.v2" start="as it was" />);
    expect(value('seen')).toBe('as it was');
    cleanup();
    render(<Small name="why.v1" start="" />);
    expect(value('seen')).toBe('strike runs on');
    await person.click(screen.getByRole('button'));
    cleanup();
    render(<Small name="why.v1" start="" />);
    expect(value('seen')).toBe('');
  });
});
