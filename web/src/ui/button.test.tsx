// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { Button } from './Button.tsx';

afterEach(cleanup);

it('a busy button keeps the focus, and neither a press nor Enter sends anything twice', async () => {
  const person = userEvent.setup();
  const sent = vi.fn();
  const form = (busy: boolean) => (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        sent();
      }}
    >
      <input aria-label="words" />
      <Button type="submit" busy={busy}>
        Save
      </Button>
    </form>
  );
  const { rerender } = render(form(false));
  await person.click(screen.getByRole('button'));
  rerender(form(true));
  expect(document.activeElement).toBe(screen.getByRole('button'));
  await person.keyboard('{Enter}');
  await person.type(screen.getByLabelText('words'), 'more{Enter}');
  expect(sent).toHaveBeenCalledTimes(1);
  rerender(form(false));
  await person.type(screen.getByLabelText('words'), '{Enter}');
  expect(sent).toHaveBeenCalledTimes(2);
});
