import { KeyRound } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Thumbprint } from '../../ui/Thumbprint.tsx';

const HOW =
  'Ask that shop, by phone or on paper, not by the file itself: theirs stands under People of the shop. ' +
  'Compare every group.';

/** A key that nobody here knows: the owner of the shop holds it against what the other shop says, and knows it then. */
export function KnowKey({ thumbprint, shop }: { thumbprint: string; shop: string }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState(shop);
  const [wrong, setWrong] = useState('');
  const know = useCommand(api.movements.knowKey, {
    what: 'Key',
    onSent: () => setOpen(false),
    onDone: (k) => say(`The key of ${k.shop} is known here.`),
    onFields: ([first]) => setWrong(first?.message ?? ''),
  });
  if (useMe()?.role !== 'owner-of-shop') return null;
  return (
    <>
      <Button variant="plain" className="no-print -ml-4" onClick={() => setOpen(true)}>
        <KeyRound className="size-4" aria-hidden />
        Know this key
      </Button>
      <Sheet open={open} onClose={() => setOpen(false)} title="Whose key is this?" description={HOW}>
        <form
          className="flex flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            setWrong('');
            know.mutate({ params: {}, body: { key: thumbprint, shop: name } });
          }}
        >
          <Thumbprint of={thumbprint} />
          <TextField
            label="The shop whose key it is"
            value={name}
            onChange={(e) => setName(e.target.value)}
            error={wrong || undefined}
          />
          <div className="flex gap-3">
            <Button type="submit" variant="main" disabled={name.trim() === ''} busy={know.isPending}>
              It is theirs
            </Button>
            <Button onClick={() => setOpen(false)}>Not yet</Button>
          </div>
        </form>
      </Sheet>
    </>
  );
}
