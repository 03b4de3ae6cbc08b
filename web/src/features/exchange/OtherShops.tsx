import type { Movement, ReplyOf } from '@eclat/contract';
import { counted } from '@eclat/core/units';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import clsx from 'clsx';
import { MessageCircleQuestion, Send } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { Away, call } from '../../data/call.ts';
import { fetched, keyOf } from '../../data/fetched.ts';
import { whyOf } from '../../data/outbox.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Empty, Failed, Loading } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { Tick } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { sendPhotos } from '../movements/bring-photos.ts';
import { NO_PHOTOS, type ReadRecord } from '../movements/record-file.ts';
import { TakeIn } from '../movements/TakeIn.tsx';
import { wantInWords } from './words.ts';

type Shops = ReplyOf<typeof api.exchange.shops>;
type Shop = Shops['shops'][number];
type Asked = ReplyOf<typeof api.exchange.ask>;
type Like = Extract<Asked, { found: 'like' }>['like'];

interface Props {
  movement: Movement;
  onClose: () => void;
}

/** What other shops have of this movement, what they lack, and which of them may ask for its book. */
export function OtherShops({ movement, onClose }: Props) {
  const { data, error } = useQuery(fetched(api.exchange.shops, { params: { movementId: movement.id } }));
  return (
    <Sheet
      open
      onClose={onClose}
      wide
      title="Other shops"
      description="No owner and no prices go along. What comes stands in the book when somebody here takes it in."
    >
      {error && !data && <Failed error={error} />}
      {!error && !data && <Loading what="the shops" />}
      {data && <ListOfShops data={data} movement={movement} onClose={onClose} />}
    </Sheet>
  );
}

function ListOfShops({ data, movement, onClose }: Props & { data: Shops }) {
  const { shops, everyShop, answers } = data;
  if (shops.length === 0)
    return (
      <Empty>
        No other shop is known here yet: know one by its card, under{' '}
        <Link className="font-semibold text-steel underline" to="/people">
          People
        </Link>
        .
      </Empty>
    );
  return (
    <div className="flex flex-col gap-3">
      {answers === 'nothing' && (
        <p className="rounded-lg bg-brass-wash px-3 py-2">
          This shop answers no other shop yet: a tick below has no effect. The owner of the shop allows it under{' '}
          <Link className="font-semibold text-steel underline" to="/people">
            People
          </Link>
          .
        </p>
      )}
      <ul className="flex flex-col divide-y divide-line border-y border-line">
        {shops.map((shop) => (
          <OneShop key={shop.key} shop={shop} everyShop={everyShop} movement={movement} onClose={onClose} />
        ))}
      </ul>
      <MayAsk movement={movement} shop={null} shared={everyShop} label="Every shop that is known here may ask for it" />
    </div>
  );
}

interface ShareProps {
  movement: Movement;
  /** Null: every shop. */
  shop: string | null;
  shared: boolean;
  label: string;
  disabled?: boolean;
}

function MayAsk({ movement, shop, shared, label, disabled = false }: ShareProps) {
  const share = useCommand(api.exchange.share, { what: 'Sharing' });
  return (
    <Tick
      label={label}
      checked={shared}
      disabled={disabled || share.isPending}
      onChange={(e) =>
        share.mutate({ params: { movementId: movement.id }, body: { key: shop, shared: e.target.checked } })
      }
    />
  );
}

/** What came of asking or sending. */
type Came =
  | { what: 'record'; record: ReadRecord; more: number }
  | { what: 'like'; like: Like }
  | { what: 'words'; words: string; wrong: boolean };

const said = (words: string, wrong = false): Came => ({ what: 'words', words, wrong });

function cameOf(asked: Asked, { shop, key }: Shop): Came {
  switch (asked.found) {
    case 'book': {
      const { book, checked, more } = asked;
      if (book.entries.length === 0) return said(`${shop} has nothing of it that is not here.`);
      const photos = { ...NO_PHOTOS, good: checked.photosAway, from: key };
      return { what: 'record', record: { book, checked, photos, from: shop }, more };
    }
    case 'like':
      return { what: 'like', like: asked.like };
    case 'none':
      return said(`${shop} shares no book of this movement with this shop. Ask them to, by phone.`);
    case 'failed':
      return said(asked.why, true);
  }
}

const AWAY = 'The server of this shop is away: ask again when it is back.';
const SENT_NOTHING = 'They have all that is here.';

function sentInWords(entries: number, more: number): string {
  if (entries === 0) return SENT_NOTHING;
  const rest = more > 0 ? ` ${counted(more, 'more goes', 'more go')} when these stand there: send again then.` : '';
  return `${counted(entries, 'entry', 'entries')} sent: they look at it there.${rest}`;
}

function useShop(shop: Shop, movement: Movement) {
  const queries = useQueryClient();
  const [came, setCame] = useState<Came | null>(null);
  const [asking, setAsking] = useState(false);
  const params = { movementId: movement.id, key: shop.key };
  const ask = (as: string | null) => {
    setCame(null);
    setAsking(true);
    call(api.exchange.ask, { params, body: { as } })
      .then((asked) => setCame(cameOf(asked, shop)))
      .catch((error: unknown) => setCame(said(error instanceof Away ? AWAY : whyOf(error), true)))
      .finally(() => {
        setAsking(false);
        void queries.invalidateQueries({
          queryKey: keyOf(api.exchange.shops, { params: { movementId: movement.id } }),
        });
      });
  };
  const send = useCommand(api.exchange.send, {
    what: 'Book',
    atOnce: true,
    onDone: ({ failed, entries, more, photos, there }) => {
      if (failed) return setCame(said(failed, true));
      const words = sentInWords(entries, more);
      setCame(said(words));
      if (there === null || photos.length === 0) return;
      const progress = (n: number) => setCame(said(`${words} ${n} of ${counted(photos.length, 'photo')} …`));
      void sendPhotos({ ...params, there }, photos, progress).then((end) => setCame(said(`${words} ${end}`)));
    },
  });
  return { came, asking, ask, sending: send.isPending, send: () => send.mutate({ params }) };
}

interface ShopProps {
  shop: Shop;
  everyShop: boolean;
  movement: Movement;
  onClose: () => void;
}

function OneShop({ shop, everyShop, movement, onClose }: ShopProps) {
  const { came, asking, ask, sending, send } = useShop(shop, movement);
  const { place, address, last } = shop;
  return (
    <li className="flex flex-col gap-2 py-3">
      <div className="flex flex-wrap items-start justify-between gap-x-4 gap-y-2">
        <div className="min-w-0">
          <h3 className="text-xl">{[shop.shop, place].filter(Boolean).join(', ')}</h3>
          <p className={clsx('text-sm text-soft', address && 'break-all')}>
            {address || 'No web address is known: know it by a card that has one, or send the book file.'}
          </p>
          {last && (
            <p className="text-sm text-soft">
              {dayTime(last.at)}: {wantInWords(last)}
            </p>
          )}
        </div>
        {address && (
          <div className="flex flex-wrap gap-2">
            <Button busy={asking} onClick={() => ask(null)}>
              <MessageCircleQuestion className="size-5" aria-hidden />
              Ask what they have
            </Button>
            <Button busy={sending} onClick={send} title="From then on they may ask for this book">
              <Send className="size-5" aria-hidden />
              Send what they lack
            </Button>
          </div>
        )}
      </div>
      <MayAsk
        movement={movement}
        shop={shop.key}
        shared={shop.shared || everyShop}
        disabled={everyShop}
        label="They may ask for this book"
      />
      {came && <Answered came={came} movement={movement} onThis={ask} onClose={onClose} />}
    </li>
  );
}

interface AnsweredProps {
  came: Came;
  movement: Movement;
  onThis: (id: string) => void;
  onClose: () => void;
}

function Answered({ came, movement, onThis, onClose }: AnsweredProps) {
  if (came.what === 'words')
    return (
      <p role="status" className={came.wrong ? 'font-semibold text-danger' : 'font-semibold'}>
        {came.words}
      </p>
    );
  if (came.what === 'record')
    return (
      <div className="flex flex-col gap-3" role="status">
        <TakeIn record={came.record} movement={movement} onClose={onClose} />
        {came.more > 0 && (
          <p className="text-soft">
            {counted(came.more, 'more entry', 'more entries')} did not come at once: ask again when these stand here.
          </p>
        )}
      </div>
    );
  return (
    <div role="status">
      <p className="font-semibold">They have a movement with such a mark. Compare it, then take it:</p>
      <ul>
        {came.like.map(({ id, code, name, maker, marks }) => (
          <li key={id} className="flex flex-wrap items-center gap-3 py-1">
            <span className="min-w-0 flex-1">
              <b>{name}</b>, {code}
              {maker && `, ${maker}`} <span className="text-soft">{marks.join(', ')}</span>
            </span>
            <Button onClick={() => onThis(id)}>This one</Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
