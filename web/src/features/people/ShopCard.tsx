import type { ReplyOf } from '@eclat/contract';
import { useQuery } from '@tanstack/react-query';
import { Contact, Download, FileUp, ScanQrCode } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { Away, call } from '../../data/call.ts';
import { fetched } from '../../data/fetched.ts';
import { whyOf } from '../../data/outbox.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Failed, Loading } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { ChooseFile } from '../../ui/ChooseFile.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Scan } from '../../ui/Scan.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Thumbprint } from '../../ui/Thumbprint.tsx';

/** The card of this shop, to be shown, printed or sent: another shop knows the key by it. */
export function ShopCard() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <Contact className="size-5" aria-hidden />
        Shop card
      </Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title="Shop card"
        wide
        description="Another shop reads the code with its camera, or the file. Then it knows what this shop signs."
      >
        <CardShown />
      </Sheet>
    </>
  );
}

function CardShown() {
  const { data, error } = useQuery(fetched(api.movements.card));
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the card" />;
  const { card, said, code } = data;
  const file = `data:application/json,${encodeURIComponent(JSON.stringify({ format: said.format, card }))}`;
  return (
    <div className="grid gap-4 sm:grid-cols-[minmax(0,20rem)_minmax(0,1fr)]">
      <img src={code} alt="Code of the shop card" className="w-full rounded bg-white" />
      <div className="flex min-w-0 flex-col items-start gap-3">
        <p className="text-lg">
          <b className="block text-xl">{said.shop}</b>
          {said.place && <span className="block">{said.place}</span>}
          {said.address && <span className="block break-all">{said.address}</span>}
        </p>
        <Thumbprint of={said.key} />
        <a className={buttonClass('quiet')} href={file} download={`${said.shop}, shop card.json`}>
          <Download className="size-5" aria-hidden />
          Save as a file
        </a>
      </div>
    </div>
  );
}

type Read = ReplyOf<typeof api.movements.readCard> & { card: string };

/** The signed part of a card, at the end of the words of its code, or in its file. */
const JWS = /[\w-]{20,}\.[\w-]{20,}\.[\w-]{20,}/;

async function readFrom(text: string): Promise<Read | string> {
  const [card] = JWS.exec(text) ?? [];
  if (!card) return 'This is no shop card.';
  try {
    return { ...(await call(api.movements.readCard, { body: { card } })), card };
  } catch (error) {
    if (error instanceof Away) return 'The server is away: a card is read when it is back.';
    return error instanceof Error ? error.message : 'This card cannot be read.';
  }
}

/** Another shop is known by its card, once somebody has held its key against what that shop says. */
export function KnowByCard() {
  const [open, setOpen] = useState(false);
  if (useMe()?.role !== 'owner-of-shop') return null;
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <ScanQrCode className="size-5" aria-hidden />
        Know a shop by its card
      </Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title="Know a shop by its card"
        description={
          'From its screen, or paper in your hand. A card that came by mail or from an address may be anybody’s: ' +
          'compare its key by phone.'
        }
      >
        <ReadCard onDone={() => setOpen(false)} />
      </Sheet>
    </>
  );
}

function ReadCard({ onDone }: { onDone: () => void }) {
  const [scanning, setScanning] = useState(false);
  const [read, setRead] = useState<Read | null>(null);
  const [trouble, setTrouble] = useState('');
  const take = async (text: string) => {
    const found = await readFrom(text);
    if (typeof found === 'string') return setTrouble(found);
    setTrouble('');
    setScanning(false);
    setRead(found);
  };
  if (read) return <IsTheirs read={read} onDone={onDone} onOther={() => setRead(null)} />;
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap gap-2">
        <ChooseFile
          variant="main"
          accept=".json,application/json,text/plain"
          onFiles={([file]) => void file.text().then(take)}
        >
          <FileUp className="size-5" aria-hidden />
          Choose its file
        </ChooseFile>
        {!scanning && (
          <Button onClick={() => setScanning(true)}>
            <ScanQrCode className="size-5" aria-hidden />
            Scan its code
          </Button>
        )}
      </div>
      <FromAddress onCard={take} onTrouble={setTrouble} />
      {scanning && <Scan of="card" onCode={(text) => text !== null && void take(text)} />}
      {trouble && (
        <p role="alert" className="font-semibold text-danger">
          {trouble}
        </p>
      )}
    </div>
  );
}

/** The card as it stands at the shop’s own address. */
function FromAddress({
  onCard,
  onTrouble,
}: {
  onCard: (card: string) => Promise<void>;
  onTrouble: (why: string) => void;
}) {
  const [typed, setTyped] = useState('');
  const [busy, setBusy] = useState(false);
  const fetchIt = async () => {
    setBusy(true);
    // A host by itself is meant as one.
    const address = /^\w+:\/\//.test(typed.trim()) ? typed.trim() : `https://${typed.trim()}`;
    try {
      const said = await call(api.exchange.cardAt, { body: { address } });
      if (said.found === 'card') await onCard(said.card);
      else onTrouble(said.why);
    } catch (error) {
      onTrouble(error instanceof Away ? 'The server is away: a card is fetched when it is back.' : whyOf(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        onTrouble('');
        void fetchIt();
      }}
    >
      <TextField
        className="min-w-56 flex-1"
        label="Or its web address"
        inputMode="url"
        placeholder="millhouse.example"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
      <Button type="submit" busy={busy} disabled={typed.trim() === ''}>
        Fetch its card
      </Button>
    </form>
  );
}

function IsTheirs({ read, onDone, onOther }: { read: Read; onDone: () => void; onOther: () => void }) {
  const { shop, place, address, key, known, card } = read;
  const [name, setName] = useState(shop);
  const [wrong, setWrong] = useState('');
  const know = useCommand(api.movements.knowKey, {
    what: 'Key',
    onSent: onDone,
    onDone: (k) => say(`${k.shop} is known here.`),
    onFields: ([first]) => setWrong(first?.message ?? ''),
  });
  return (
    <div className="flex flex-col gap-3">
      <p className="text-lg">
        <b className="block text-xl">{shop}</b>
        {[place, address].filter(Boolean).join(' · ')}
      </p>
      <Thumbprint of={key} />
      <TextField
        label="Known here as"
        value={name}
        onChange={(e) => setName(e.target.value)}
        error={wrong || undefined}
      />
      {known && <p className="text-soft">This key is known here. What the card says is kept with it.</p>}
      <div className="flex flex-wrap gap-3">
        <Button
          autoFocus
          variant="main"
          busy={know.isPending}
          disabled={name.trim() === ''}
          onClick={() => {
            setWrong('');
            know.mutate({ params: {}, body: { key, shop: name, card } });
          }}
        >
          It is theirs
        </Button>
        <Button onClick={onOther}>Another card</Button>
      </div>
    </div>
  );
}
