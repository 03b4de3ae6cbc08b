// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useForm } from 'react-hook-form';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { useDraft } from './useDraft.ts';

function Form({ name }: { name: string }) {
  const form = useForm({ defaultValues: { seen: '', place: 'case' } });
  const draft = useDraft(form, name);
  return (
    <form>
      <input aria-label="seen" {...form.register('seen')} />
      <input aria-label="place" {...form.register('place')} />
      <button
        type="button"
        onClick={() => {
          form.reset();
          draft.clear();
        }}
      >
        sent
      </button>
    </form>
  );
}
const value = (label: string) => (screen.getByLabelText(label) as HTMLInputElement).value;
const person = userEvent.setup();
beforeEach(() => localStorage.clear());
afterEach(cleanup);

describe('a half-filled form', () => {
  it('is there again when the page is', async () => {
    render(<Form name="finding.v1" />);
    await person.type(screen.getByLabelText('seen'), 'Half a sen');
    cleanup(); // the tab is closed, the battery dies
    render(<Form name="finding.v1" />);
    expect(value('seen')).toBe('Half a sen');
    expect(value('place')).toBe('case');
  });
  it('is not mixed up with another', async () => {
    render(<Form name="finding.v1" />);
    await person.type(screen.getByLabelText('seen'), 'of the first clock');
    cleanup();
    render(<Form name="finding.v2" />);
    expect(value('seen')).toBe('');
  });
  it('is forgotten once it is sent', async () => {
    render(<Form name="finding.v1" />);
    await person.type(screen.getByLabelText('seen'), 'done');
    await person.click(screen.getByRole('button', { name: 'sent' }));
    cleanup();
    render(<Form name="finding.v1" />);
    expect(value('seen')).toBe('');
  });
});
