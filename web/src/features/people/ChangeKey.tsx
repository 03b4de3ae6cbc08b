import { KeyRound } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { PassphraseSheet } from '../../ui/PassphraseSheet.tsx';

/** A new key for the shop: when the old one may have been seen, or its log was forked by an old backup. */
export function ChangeKey() {
  const [open, setOpen] = useState(false);
  const [wrong, setWrong] = useState('');
  const close = () => {
    setOpen(false);
    setWrong('');
  };
  const change = useCommand(api.movements.changeKey, {
    what: 'Key',
    atOnce: true,
    onDone: () => {
      close();
      say('The shop signs with its new key from now on.');
    },
    onFields: ([first]) => setWrong(first?.message ?? ''),
  });
  if (useMe()?.role !== 'owner-of-shop') return null;
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <KeyRound className="size-5" aria-hidden />
        Change the key
      </Button>
      <PassphraseSheet
        open={open}
        title="Change the key of the shop"
        description={
          'When somebody may have seen it, or this server was put back from an old backup. What was signed stays ' +
          'proved; whoever knows the old key knows the new one by the next book file, for both sign the change. The ' +
          'old one signs nothing any more. It cannot be undone.'
        }
        yes="Change it"
        no="Not now"
        busy={change.isPending}
        wrong={wrong}
        onClose={close}
        onSign={(passphrase) => {
          setWrong('');
          change.mutate({ params: {}, body: { passphrase } });
        }}
      />
    </>
  );
}
