// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { useFew } from './Few.tsx';
import { Fold } from './Fold.tsx';

afterEach(cleanup);
const fold = () => screen.getByRole('button', { name: /^Phases/ });

it('what was opened is found open when one comes back to the page', () => {
  const phases = () => render(<Fold title="Phases">Warning wheel</Fold>);
  phases();
  expect(screen.queryByText('Warning wheel')).toBeNull();
  fireEvent.click(fold());
  expect(screen.getByText('Warning wheel')).toBeTruthy();
  cleanup();
  phases();
  expect(fold().getAttribute('aria-expanded')).toBe('true');
});

it('opens when something to do comes up, and stays open under the hand when it is done', () => {
  const { rerender } = render(<Fold title="Phases">Warning wheel</Fold>);
  rerender(
    <Fold title="Phases" open>
      Warning wheel
    </Fold>,
  );
  expect(screen.getByText('Warning wheel')).toBeTruthy();
  rerender(<Fold title="Phases">Warning wheel</Fold>);
  expect(screen.getByText('Warning wheel')).toBeTruthy();
});

function Steps({ n }: { n: number }) {
  const [shown, rest] = useFew(
    Array.from({ length: n }, (_, i) => i + 1),
    4,
    'steps',
  );
  return (
    <>
      <p>{shown.join(' ')}</p>
      {rest}
    </>
  );
}

it('a long list shows its first and says how many there are; one more is shown at once', () => {
  const { rerender } = render(<Steps n={5} />);
  expect(screen.getByText('1 2 3 4 5')).toBeTruthy();
  expect(screen.queryByRole('button')).toBeNull();
  rerender(<Steps n={7} />);
  fireEvent.click(screen.getByRole('button', { name: 'All 7 steps' }));
  expect(screen.getByText('1 2 3 4 5 6 7')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Fewer steps' }));
  expect(screen.getByText('1 2 3 4')).toBeTruthy();
});
