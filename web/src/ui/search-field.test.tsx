// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, expect, it } from 'vitest';
import { SearchField } from './SearchField.tsx';

afterEach(cleanup);

/** As the address of a page does it: what is told stands a while later. */
function Page() {
  const [told, setTold] = useState('');
  const tell = (v: string) => void setTimeout(() => setTold(v), 20);
  return (
    <>
      <SearchField label="Search" placeholder="" value={told} onChange={tell} />
      <p>Looked for: {told}</p>
      <button onClick={() => setTold('')}>All of it</button>
    </>
  );
}

it('keeps every letter of a scanner that is faster than the address, and is empty when it is emptied', async () => {
  const person = userEvent.setup({ delay: null });
  render(<Page />);
  const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Search' });
  await person.type(field, 'C-1020');
  expect(field.value).toBe('C-1020');
  await screen.findByText('Looked for: C-1020');
  expect(field.value).toBe('C-1020');
  await person.type(field, '{Backspace}1');
  await screen.findByText('Looked for: C-1021');
  expect(field.value).toBe('C-1021');
  await person.click(screen.getByRole('button', { name: 'All of it' }));
  expect(field.value).toBe('');
});
