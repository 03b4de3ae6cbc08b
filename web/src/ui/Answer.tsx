import clsx from 'clsx';
import { CircleCheck, CircleDot, Clock3, TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';

const TONES = {
  danger: ['border-danger bg-danger-wash text-danger', TriangleAlert, 'Danger'],
  due: ['border-brass-fill bg-brass-wash text-brass', Clock3, 'Attention'],
  good: ['border-good bg-good-wash text-good', CircleCheck, 'Good'],
  info: ['border-steel bg-steel-wash text-steel', CircleDot, 'Now'],
} as const;

/** The one thing this screen has to say, first and large. */
export function Answer({
  tone,
  title,
  children,
}: {
  tone: keyof typeof TONES;
  title: ReactNode;
  children?: ReactNode;
}) {
  const [look, Icon, word] = TONES[tone];
  return (
    <div role="status" className={clsx('flex items-start gap-4 rounded-xl border-2 px-5 py-4', look)}>
      <Icon aria-label={word} className="mt-0.5 size-8 shrink-0" strokeWidth={2.2} />
      <div className="min-w-0">
        <p className="text-2xl font-bold leading-tight">{title}</p>
        {children && <div className="mt-1 text-base text-ink">{children}</div>}
      </div>
    </div>
  );
}

export function Panel({
  title,
  aside,
  children,
  className,
}: {
  title?: ReactNode;
  aside?: ReactNode;
  children: ReactNode;
  className?: string;
}) {
  return (
    <section className={clsx('min-w-0 rounded-xl border border-line bg-enamel p-5', className)}>
      {title && (
        <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
          <h2 className="text-xl">{title}</h2>
          {aside}
        </div>
      )}
      {children}
    </section>
  );
}

/** An empty place says what will be there. */
export const Empty = ({ children }: { children: ReactNode }) => (
  <p className="rounded-lg border border-dashed border-line px-4 py-6 text-center text-soft">{children}</p>
);
export const Loading = ({ what }: { what: string }) => (
  <p role="status" className="p-8 text-center text-lg text-soft">
    Loading {what} …
  </p>
);
export const Failed = ({ error }: { error: Error }) => (
  <div className="p-6">
    <Answer tone="danger" title="This could not be loaded">
      {error.message}
    </Answer>
  </div>
);
