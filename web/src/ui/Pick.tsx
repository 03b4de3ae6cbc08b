import type { ReactNode } from 'react';

/** One of many, where its label is said by what stands in it. */
export function Pick({
  label,
  value,
  onPick,
  children,
}: {
  label: string;
  value: string;
  onPick: (value: string) => void;
  children: ReactNode;
}) {
  return (
    <select
      aria-label={label}
      className="min-h-12 w-full rounded-lg border border-line bg-enamel px-3"
      value={value}
      onChange={(e) => onPick(e.target.value)}
    >
      {children}
    </select>
  );
}
