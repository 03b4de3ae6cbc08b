import { useState } from 'react';

/**
 * The first of a long list, and the others by one press.
 * @returns what is shown, and the line that shows the rest (null where all is shown)
 */
export function useFew<T>(list: readonly T[], first: number, what: string) {
  const [all, setAll] = useState(false);
  const hidden = list.length - first;
  // One more line would take the room of the press that shows it.
  if (hidden <= 1) return [list, null] as const;
  return [
    all ? list : list.slice(0, first),
    <button
      key="rest"
      type="button"
      data-fold
      aria-expanded={all}
      className="no-print min-h-11 self-start font-semibold text-steel underline"
      onClick={() => setAll(!all)}
    >
      {all ? `Fewer ${what}` : `All ${list.length} ${what}`}
    </button>,
  ] as const;
}
