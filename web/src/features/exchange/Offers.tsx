import type { Movement, Offered as Shape } from '@eclat/contract';
import { counted } from '@eclat/core/units';
import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { Inbox } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { say } from '../../data/app-state.ts';
import { useMaySign } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Failed, Loading } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { NO_PHOTOS } from '../movements/record-file.ts';
import { TakeIn } from '../movements/TakeIn.tsx';

const CAME = 'rounded-lg border-2 border-brass-fill bg-brass-wash px-4 py-2';
const whatCame = ({ shop, entries }: Shape) => `${shop} sent ${counted(entries, 'entry', 'entries')}`;

/** What other shops sent of this movement, and nobody has looked at yet. */
export function Offered({ movement }: { movement: Movement }) {
  const { data } = useQuery(fetched(api.exchange.shops, { params: { movementId: movement.id } }));
  const [looking, setLooking] = useState<Shape | null>(null);
  const maySign = useMaySign();
  return (
    <>
      {data?.offered.map((o) => (
        <div key={o.id} className={clsx(CAME, 'flex flex-wrap items-center justify-between gap-3')}>
          <p className="text-lg">
            <b>{whatCame(o)}</b> <span className="text-soft">{dayTime(o.at)}</span>
          </p>
          {maySign && <Button onClick={() => setLooking(o)}>Look at it</Button>}
        </div>
      ))}
      {looking && <Look offered={looking} movement={movement} onClose={() => setLooking(null)} />}
    </>
  );
}

function Look({ offered, movement, onClose }: { offered: Shape; movement: Movement; onClose: () => void }) {
  const asked = { params: { offerId: offered.id }, query: { movementId: movement.id } };
  // As it stood when it was opened: taken in, all of it stands here already.
  const { data, error } = useQuery({ ...fetched(api.exchange.offer, asked), staleTime: Infinity, gcTime: 0 });
  const [opened, setOpened] = useState(data);
  if (data && !opened) setOpened(data);
  const { params } = asked;
  const again = useCommand(api.exchange.settle, { what: 'Record' });
  const settle = useCommand(api.exchange.settle, {
    what: 'Record',
    onDone: (_reply, { body }) => {
      if (body?.taken === false) say('Put aside.', 'good', () => again.mutate({ params, body: { taken: null } }));
    },
  });
  return (
    <Sheet open onClose={onClose} title={whatCame(offered)} description={`Of ${offered.movement.name}.`}>
      <div className="flex flex-col gap-4">
        {error && !opened && <Failed error={error} />}
        {!error && !opened && <Loading what="what was sent" />}
        {opened && (
          <TakeIn
            record={{
              ...{ book: opened.book, checked: opened.checked, from: opened.shop },
              photos: { ...NO_PHOTOS, good: opened.checked.photosAway, from: opened.key },
            }}
            movement={movement}
            onTaken={() => settle.mutate({ params, body: { taken: true } })}
            onClose={onClose}
          />
        )}
        <Button
          className="self-start"
          onClick={() => {
            settle.mutate({ params, body: { taken: false } });
            onClose();
          }}
        >
          Put it aside
        </Button>
      </div>
    </Sheet>
  );
}

/** What other shops sent, of whatever movement. */
export function AllOffered() {
  const { data = [] } = useQuery(fetched(api.exchange.offers));
  if (data.length === 0) return null;
  return (
    <section className={clsx(CAME, 'mb-4')}>
      <h2 className="flex items-center gap-2 text-lg">
        <Inbox className="size-5" aria-hidden />
        Sent by other shops
      </h2>
      <ul>
        {data.map((o) => (
          <li key={o.id} className="py-1">
            {o.movementId === null ? (
              <b>{o.movement.name}</b>
            ) : (
              <Link className="font-semibold text-steel underline" to={`/movements/${o.movementId}`}>
                {o.movement.name}
              </Link>
            )}
            , {o.movement.code} there. {whatCame(o)}, {dayTime(o.at)}.
            {o.movementId === null && ' No book here is of it yet: it waits for the clock.'}
          </li>
        ))}
      </ul>
    </section>
  );
}
