import { isAssembled, type Depth } from '@eclat/core/workflow';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { useHeldUp } from './useHeldUp.ts';

/**
 * At a door to the inside of the movement: what stands in the way of opening it so deep, the way to safety, and a
 * reason that lets through. Nothing where it is safe.
 * @param entered it may be entered afterwards: once it is assembled again nothing is opened by writing it down
 */
export function UnderPower({ opens, entered = false }: { opens: Depth; entered?: boolean }) {
  const visit = useThisVisit();
  const unsafe = useHeldUp(opens);
  const [asking, setAsking] = useState(false);
  const [opened, setOpened] = useState(false);
  const open = useCommand(api.powerDown.open, {
    what: 'Open under power',
    onSent: () => {
      setAsking(false);
      setOpened(true);
    },
  });
  const assembled = isAssembled(visit.stages);
  if (opened && unsafe.length === 0) return <Opened />;
  if (unsafe.length === 0 || visit.closedAt || (entered && assembled)) return null;
  return (
    <section aria-label="Under power" className="my-3 rounded-xl border-2 border-danger bg-danger-wash p-4">
      <p className="text-xl font-bold text-danger">The {unsafe.join(', the ')}</p>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Link
          className="inline-flex min-h-12 items-center font-semibold text-steel underline"
          to={`/visits/${visit.id}/power`}
        >
          Make it safe first
        </Link>
        {!asking && (
          <Button variant="plain" onClick={() => setAsking(true)}>
            Open it anyway, with a reason
          </Button>
        )}
      </div>
      {asking && (
        <WhyUnderPower
          busy={open.isPending}
          onReason={(reason) => open.mutate({ params: { visitId: visit.id }, body: { opens, reason } })}
          onClose={() => setAsking(false)}
        />
      )}
    </section>
  );
}

/** Stands where the reason was asked, and has the focus: the next key goes on from here. */
const Opened = () => (
  <p ref={takeFocus} tabIndex={-1} className="my-3 rounded-lg bg-sunk px-4 py-2 font-semibold">
    You may open it this far. Your reason is saved with your name.
  </p>
);
const takeFocus = (line: HTMLParagraphElement | null) => line?.focus();

/** Allowed words with the name and the time of whoever opens it under power. It may stand within another form. */
export function WhyUnderPower({
  busy,
  onReason,
  onClose,
}: {
  busy: boolean;
  onReason: (reason: string) => void;
  onClose: () => void;
}) {
  const [reason, setReason] = useState('');
  const send = () => {
    if (reason.trim() !== '') onReason(reason);
  };
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <TextField
        className="min-w-72 flex-1"
        label="Why it is opened under power"
        hint="The reason is kept with your name and the time."
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        onKeyDown={(e) => {
          if (e.key !== 'Enter') return;
          e.preventDefault();
          if (!busy) send();
        }}
        autoFocus
      />
      <Button variant="danger" disabled={reason.trim() === ''} busy={busy} onClick={send}>
        Open under power
      </Button>
      <Button variant="plain" onClick={onClose}>
        Cancel
      </Button>
    </div>
  );
}
