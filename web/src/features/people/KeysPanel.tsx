import { useQuery } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useRemove } from '../../data/useRemove.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { day } from '../../ui/dates.ts';
import { Thumbprint } from '../../ui/Thumbprint.tsx';
import { ChangeKey } from './ChangeKey.tsx';
import { KnowByCard, ShopCard } from './ShopCard.tsx';

/** By which key this shop signs, to be read to another shop; and those of others that are known here. */
export function KeysPanel() {
  const { data } = useQuery(fetched(api.movements.keys));
  const forget = useRemove(api.movements.forgetKey, api.movements.knowKey, 'Key');
  if (!data) return null;
  return (
    <Panel title="Key of the shop">
      {data.own ? (
        <>
          <p className="mb-2 text-soft">
            Entries are signed by it since {day(data.own.since)}. Another shop compares it with what it finds in a file.
          </p>
          <Thumbprint of={data.own.key} />
          {data.earlier.map(({ key, since }) => (
            <p key={key} className="mt-1 text-sm break-all text-soft">
              Before, from {day(since)}: {key.match(/.{1,4}/g)!.join(' ')}
            </p>
          ))}
          <div className="mt-3 flex flex-wrap gap-2">
            <ShopCard />
            <KnowByCard />
            <ChangeKey />
          </div>
        </>
      ) : (
        <p className="text-soft">There is none yet: it is made when the server starts.</p>
      )}
      {data.known.length > 0 && (
        <>
          <h3 className="mt-4 mb-1 text-lg">Keys of other shops that are known here</h3>
          <ul className="divide-y divide-line">
            {data.known.map(({ key, shop, place, address, card, by, at }) => (
              <li key={key} className="flex items-center gap-3 py-2">
                <span className="min-w-0 flex-1">
                  <b className="block">{[shop, place].filter(Boolean).join(', ')}</b>
                  {address && <span className="block break-all">{address}</span>}
                  <span className="block text-sm break-all text-soft">
                    {key.match(/.{1,4}/g)!.join(' ')} · {by}, {day(at)}
                  </span>
                </span>
                <Button
                  variant="plain"
                  aria-label={`Forget the key of ${shop}`}
                  onClick={() =>
                    forget({ params: { key } }, { params: {}, body: { key, shop, ...(card && { card }) } })
                  }
                >
                  <Trash2 className="size-5" aria-hidden />
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </Panel>
  );
}
