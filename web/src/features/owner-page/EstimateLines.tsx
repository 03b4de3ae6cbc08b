import type { OwnerPage } from '@eclat/contract';
import { inRoute, routeName } from '@eclat/core/estimate';
import clsx from 'clsx';
import { Check, CircleCheck, Clock3, X } from 'lucide-react';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';

export const linesOf = (page: OwnerPage) => page.lines.filter((l) => inRoute(l, page.chosen));

export const money = (page: OwnerPage, sum: string) => `${sum} ${page.currency}`;

export interface RoutesProps {
  page: OwnerPage;
  busy: boolean;
  onChoose: (route: OwnerPage['routes'][number]) => void;
}

/** The alternatives side by side: what each costs, what stays original, what is guaranteed. */
export function Routes({ page, busy, onChoose }: RoutesProps) {
  return (
    <Panel title="How far shall we go?">
      <ul className="grid gap-3 sm:grid-cols-[repeat(auto-fit,minmax(15rem,1fr))]">
        {page.routes.map((r) => (
          <li
            key={r.route}
            className={clsx(
              'flex flex-col gap-2 rounded-xl border-2 p-4',
              page.chosen === r.route ? 'border-steel bg-steel-wash' : 'border-line',
            )}
          >
            <p className="text-lg font-bold">{routeName(r.route)}</p>
            <p className="text-2xl font-bold tabular-nums">{money(page, r.without)}</p>
            {r.withOptions !== r.without && (
              <p className="-mt-2 text-sm text-soft">{money(page, r.withOptions)} with all options</p>
            )}
            <p>
              <span className="block text-sm text-soft">What stays original</span>
              {r.originality}
            </p>
            <p className="flex-1">
              <span className="block text-sm text-soft">Guarantee</span>
              {r.guarantee}
            </p>
            {page.chosen === r.route ? (
              <p className="flex min-h-12 items-center gap-2 font-semibold text-steel">
                <CircleCheck className="size-6" aria-hidden />
                You chose this
              </p>
            ) : (
              <Button busy={busy} onClick={() => onChoose(r)}>
                Choose this
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}

export const WORDS = [
  ['accepted', 'Accept', Check],
  ['declined', 'Decline', X],
  ['ask later', 'Ask me when you get there', Clock3],
] as const;

export interface LinesProps {
  page: OwnerPage;
  busy: boolean;
  onDecide: (line: OwnerPage['lines'][number], state: (typeof WORDS)[number][0]) => void;
}

/** Each piece of work with its price, and the owner's word on it. */
export function Lines({ page, busy, onDecide }: LinesProps) {
  return (
    <Panel title="The work, line by line">
      <ul className="flex flex-col divide-y divide-line">
        {linesOf(page).map((l) => (
          <li key={l.id} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-2 py-4">
            <div>
              <p className="text-lg font-bold">{l.what}</p>
              {l.seen && <p>{l.seen}</p>}
              <p className="text-sm text-soft">{remarksOn(l).join(' · ')}</p>
            </div>
            <p className="text-xl font-bold tabular-nums">{money(page, l.amount)}</p>
            <div className="col-span-2 flex flex-wrap gap-2" role="group" aria-label={l.what}>
              {WORDS.map(([state, text, Icon]) => (
                <Button
                  key={state}
                  variant={l.state === state ? 'main' : 'quiet'}
                  aria-pressed={l.state === state}
                  disabled={busy}
                  onClick={() => onDecide(l, state)}
                >
                  <Icon className="size-5" aria-hidden />
                  {text}
                </Button>
              ))}
            </div>
          </li>
        ))}
      </ul>
      <p className="mt-3 text-sm text-soft">
        {page.pricesIncludeTax
          ? `Prices include ${page.taxPercent} % tax.`
          : `Lines without tax; sums include ${page.taxPercent} % tax.`}
      </p>
    </Panel>
  );
}

export const remarksOn = (l: OwnerPage['lines'][number]): string[] => [
  l.kind,
  ...(l.optional ? ['optional'] : []),
  ...(l.noGuarantee ? ['cannot be guaranteed'] : []),
  ...(l.addition ? ['found during the work'] : []),
];
