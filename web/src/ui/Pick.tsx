import type { ReactNode } from 'react';

/** One of many, where its label is said by what stands in it. */
export function Pick({
  label,
  value,
  onPick,
  className = '',
  children,
}: {
  label: string;
  value: string;
  onPick: (value: string) => void;
  className?: string;
  children: ReactNode;
}) {
  return (
    <label className={className}>
      <span className="sr-only">{label}</span>
      <select
        className="min-h-12 w-full rounded-lg border border-line bg-enamel px-3"
        value={value}
        onChange={(e) => onPick(e.target.value)}
      >
        {children}
      </select>
    </label>
  );
}
