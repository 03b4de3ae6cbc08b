import type { Visit } from '@eclat/contract';
import { priceOfRoute, routeName, ROUTES, type RouteId } from '@eclat/core/estimate';
import clsx from 'clsx';
import { CircleCheck, Pencil, Plus } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextArea } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import type { Given } from './AgreementScreen.tsx';

type OfferedRoute = Visit['agreement']['routes'][number];

/** How far to go, side by side: what each means for originality, guarantee and price. */
export function Alternatives({ given }: { given: Given }) {
  const visit = useThisVisit();
  const { routes } = visit.agreement;
  const params = { visitId: visit.id };
  const offer = useCommand(api.agreement.offerRoute, { what: 'Alternative' });
  const [editing, setEditing] = useState<RouteId | null>(null);
  const open = !visit.closedAt;
  const more = ROUTES.filter((r) => !routes.some((x) => x.route === r.id));
  return (
    <Panel title="How far to go">
      {routes.length === 0 && (
        <Empty>
          Offer alternatives where there is a choice: cure the fault and stop, a partial service, an overhaul, another
          movement. They stand side by side.
        </Empty>
      )}
      <ul className="grid gap-3 sm:grid-cols-[repeat(auto-fit,minmax(15rem,1fr))]">
        {routes.map((r) => (
          <Alternative key={r.route} offered={r} onWord={() => setEditing(r.route)} given={given} />
        ))}
      </ul>
      {open && more.length > 0 && (
        <div className="mt-3 flex flex-wrap gap-2">
          {more.map((r) => (
            <Button
              key={r.id}
              variant="plain"
              onClick={() =>
                offer.mutate({
                  params: { ...params, route: r.id },
                  body: { originality: r.originality, guarantee: r.guarantee },
                })
              }
            >
              <Plus className="size-5" aria-hidden />
              {r.name}
            </Button>
          ))}
        </div>
      )}
      {editing && <Wording key={editing} route={editing} onClose={() => setEditing(null)} />}
    </Panel>
  );
}

function Alternative({ offered: r, onWord, given }: { offered: OfferedRoute; onWord: () => void; given: Given }) {
  const visit = useThisVisit();
  const { chosen, lines, prices } = visit.agreement;
  const params = { visitId: visit.id };
  const open = !visit.closedAt;
  const choose = useCommand(api.agreement.chooseRoute, { what: 'The owner’s choice' });
  const { without, withOptions } = priceOfRoute(lines, r.route, prices);
  const is = chosen?.route === r.route;
  return (
    <li
      className={clsx('flex flex-col gap-2 rounded-xl border-2 p-4', is ? 'border-steel bg-steel-wash' : 'border-line')}
    >
      <p className="flex items-start justify-between gap-2 text-lg font-bold">
        {routeName(r.route)}
        {open && (
          <button
            type="button"
            aria-label={`Word it: ${routeName(r.route)}`}
            className="-mt-2 -mr-2 grid size-11 shrink-0 place-items-center rounded-lg hover:bg-sunk"
            onClick={onWord}
          >
            <Pencil className="size-5" />
          </button>
        )}
      </p>
      <p className="text-2xl font-bold tabular-nums">
        {without.gross} <span className="text-base font-semibold">{prices.currency}</span>
      </p>
      {withOptions.gross !== without.gross && (
        <p className="-mt-2 text-sm text-soft">{withOptions.gross} with all options</p>
      )}
      <p>
        <span className="block text-sm text-soft">What stays original</span>
        {r.originality}
      </p>
      <p className="flex-1">
        <span className="block text-sm text-soft">Guarantee</span>
        {r.guarantee}
      </p>
      {is ? (
        <p className="flex min-h-12 items-center gap-2 font-semibold text-steel">
          <CircleCheck className="size-6 shrink-0" aria-hidden />
          Chosen, {chosen.how}, by {chosen.who}
        </p>
      ) : (
        open && (
          <Button
            onClick={() => choose.mutate({ params, body: { route: r.route, seen: without.gross, ...given } })}
            disabled={given.who.trim() === ''}
          >
            The owner chose this
          </Button>
        )
      )}
    </li>
  );
}

function Wording({ route, onClose }: { route: RouteId; onClose: () => void }) {
  const visit = useThisVisit();
  const now = visit.agreement.routes.find((r) => r.route === route)!;
  const [words, setWords, forget] = useKept(`route.${visit.id}.${route}`, {
    originality: now.originality,
    guarantee: now.guarantee,
  });
  const params = { visitId: visit.id, route };
  const offer = useCommand(api.agreement.offerRoute, { what: 'Alternative', onSent: () => (forget(), onClose()) });
  const remove = useCommand(api.agreement.removeRoute, { what: 'Alternative', onSent: () => (forget(), onClose()) });
  return (
    <Sheet
      open
      onClose={onClose}
      title={routeName(route)}
      description="What it means, in the words that the owner reads."
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          offer.mutate({ params, body: words });
        }}
      >
        <TextArea
          label="What stays original"
          rows={2}
          value={words.originality}
          onChange={(e) => setWords({ ...words, originality: e.target.value })}
        />
        <TextArea
          label="Guarantee"
          rows={2}
          value={words.guarantee}
          onChange={(e) => setWords({ ...words, guarantee: e.target.value })}
        />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" variant="main" busy={offer.isPending}>
            Save
          </Button>
          <Button onClick={() => remove.mutate({ params })}>Stop offering it</Button>
        </div>
      </form>
    </Sheet>
  );
}
