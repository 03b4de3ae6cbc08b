import type { ReactNode } from 'react';

/** What is usual, to be put into a field by one press. */
export const Chip = ({ onPress, children }: { onPress: () => void; children: ReactNode }) => (
  <button
    type="button"
    className="min-h-11 rounded-full border border-line px-3 text-sm font-semibold hover:bg-steel-wash"
    onClick={onPress}
  >
    {children}
  </button>
);
