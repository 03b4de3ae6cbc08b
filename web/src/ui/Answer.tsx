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
    <div role="status" className={clsx('flex items-start gap-3 rounded-xl border-2 px-3 py-2 sm:px-4 sm:py-2.5', look)}>
      <Icon aria-label={word} className="mt-0.5 size-6 shrink-0 sm:size-7" strokeWidth={2.2} />
      <div className="flex min-w-0 flex-wrap items-baseline gap-x-4 gap-y-1">
        <p className="text-lg leading-tight font-bold sm:text-xl md:text-2xl">{title}</p>
        {children && <div className="min-w-0 text-sm text-ink sm:text-base">{children}</div>}
      </div>
    </div>
  );
}

export function Panel({
  title,
  aside,
  children,
  className,
  bare = false,
}: {
  title?: ReactNode;
  aside?: ReactNode;
  children: ReactNode;
  className?: string;
  /** Where what is around it is its box. */
  bare?: boolean;
}) {
  return (
    <section className={clsx('min-w-0', !bare && 'rounded-xl border border-line bg-enamel p-4 md:p-5', className)}>
      {title && (
        <div className={clsx('flex flex-wrap items-center justify-between gap-3', bare ? 'mb-2' : 'mb-3 md:mb-4')}>
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
