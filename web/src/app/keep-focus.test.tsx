// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, expect, it } from 'vitest';
import { Sheet } from '../ui/Sheet.tsx';
import { useKeepFocus } from './useKeepFocus.ts';

const person = userEvent.setup();
afterEach(cleanup);

function Findings() {
  useKeepFocus();
  const [rows, setRows] = useState(['hood', 'dial', 'plinth']);
  const [form, setForm] = useState(false);
  const [busy, setBusy] = useState(false);
  return (
    <main tabIndex={-1}>
      <ul>
        {rows.map((r) => (
          <li key={r}>
            <input aria-label={`note on ${r}`} />
            <button>Correct {r}</button>
            <button onClick={() => setRows(rows.filter((x) => x !== r))}>Take back {r}</button>
          </li>
        ))}
      </ul>
      {form ? (
        <form>
          <button type="button" onClick={() => setForm(false)}>
            Close
          </button>
        </form>
      ) : (
        <button onClick={() => setForm(true)}>Add</button>
      )}
      <button
        disabled={busy}
        onClick={() => {
          setBusy(true);
          setTimeout(() => setBusy(false), 60);
        }}
      >
        Send
      </button>
      <p>words</p>
    </main>
  );
}
const inHand = (words: string) => waitFor(() => expect(document.activeElement?.textContent).toBe(words));
const show = () => {
  const root = document.createElement('div');
  root.id = 'root';
  document.body.append(root);
  render(<Findings />, { container: root });
};

it('a press that takes its own button away leaves the next one in hand, never a field', async () => {
  show();
  await person.click(screen.getByRole('button', { name: 'Take back dial' }));
  await inHand('Take back plinth');
  await person.keyboard('{Enter}');
  await inHand('Take back hood'); // the last of a list: the one before it
  await person.keyboard('{Enter}');
  await inHand('Add');
  await person.keyboard('{Enter}');
  await inHand('Close');
  await person.keyboard('{Enter}');
  await inHand('Add');
});
it('a button that rests while its change is sent is in hand again; a press beside it stays there', async () => {
  show();
  await person.click(screen.getByRole('button', { name: 'Send' }));
  document.body.focus();
  (document.activeElement as HTMLElement).blur(); // as browsers do with what is disabled
  await inHand('Send');
  await person.click(screen.getByRole('button', { name: 'Take back dial' }));
  await inHand('Take back plinth');
  await person.click(screen.getByText('words'));
  expect(document.activeElement?.tagName).toBe('MAIN');
});

it('a sheet that closes gives back what opened it', async () => {
  function Screen() {
    const [open, setOpen] = useState(false);
    return (
      <>
        <button onClick={() => setOpen(true)}>Prices</button>
        <Sheet open={open} onClose={() => setOpen(false)} title="Prices of the shop">
          <input aria-label="hour" />
        </Sheet>
      </>
    );
  }
  render(<Screen />);
  await person.click(screen.getByRole('button', { name: 'Prices' }));
  await waitFor(() => expect(screen.getByRole('dialog').contains(document.activeElement)).toBe(true));
  await person.keyboard('{Escape}');
  await inHand('Prices');
});
