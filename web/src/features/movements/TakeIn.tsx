import type { Movement } from '@eclat/contract';
import { counted } from '@eclat/core/units';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { bringPhotos } from './bring-photos.ts';
import type { ReadRecord } from './record-file.ts';
import { WhatComes } from './RecordFile.tsx';

/** That a record is of this movement: the same id, an entry that joins it to this book, or a mark that both carry. */
function meets({ book, checked }: ReadRecord, movement: Movement): boolean {
  const marks = new Set(movement.marks.map((m) => m.text.toLowerCase()));
  return (
    book.movement.id === movement.id ||
    checked.joins ||
    book.movement.marks.some((m) => marks.has(m.text.toLowerCase()))
  );
}

interface FoundProps {
  record: ReadRecord;
  movement: Movement;
  busy: boolean;
  onBring: () => void;
  onPhotos: () => void;
}

/** What the file holds, and whether it is of this movement; then it is brought in, or nothing of it is new. */
function Found({ record, movement, busy, onBring, onPhotos }: FoundProps) {
  const { entries, movement: of } = record.book;
  const fresh = entries.filter((_, i) => record.checked.here[i] !== true).length;
  const known = entries.length - fresh;
  const comes = `${counted(fresh, 'entry', 'entries')} would come in${known > 0 ? `, ${known} here already` : ''}`;
  const title = fresh === 0 ? 'All of it is here already' : comes;
  const photos = record.photos.good.length;
  const same = meets(record, movement);
  return (
    <>
      <WhatComes record={record} title={title} />
      {!same && (
        <p className="font-semibold text-danger">
          Nothing shows that this record is of {movement.code}: no entry, mark or id is the same. It belongs to{' '}
          <span className="whitespace-nowrap">{of.code}</span>, {of.name}.
        </p>
      )}
      {fresh === 0 && photos > 0 && (
        <Button variant="main" className="self-start" onClick={onPhotos}>
          Bring its {counted(photos, 'photo')}
        </Button>
      )}
      {fresh > 0 && (
        <Button variant="main" className="self-start" busy={busy} onClick={onBring}>
          {same ? 'Bring it in' : 'It is the same movement: bring it in'}
        </Button>
      )}
    </>
  );
}

/** Photos on their way. */
function Coming({ done, of }: { done: number; of: number }) {
  return (
    <div>
      <p role="status">
        {done} of {counted(of, 'photo')}
      </p>
      <progress className="h-3 w-full accent-steel" value={done} max={of} aria-label="Photos brought" />
      <p className="text-soft">It goes on when this is closed. Leave this page open until it is done.</p>
    </div>
  );
}

interface Props {
  record: ReadRecord;
  movement: Movement;
  /** While photos come, nothing else is chosen. */
  onBusy?: () => void;
  /** It stands in the book now. */
  onTaken?: () => void;
  onClose: () => void;
}

/** A record that was read, from a file or another shop: what it would bring, then it is joined into the book. */
export function TakeIn({ record, movement, onBusy, onTaken, onClose }: Props) {
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState('');
  const [coming, setComing] = useState<number | null>(null);
  const photos = () => {
    onBusy?.();
    setComing(0);
    void bringPhotos(queries, movement.id, record.photos, setComing).then(onClose);
  };
  const bring = useCommand(api.movements.bringRecord, {
    what: 'Record',
    atOnce: true,
    onSent: () => (record.photos.good.length > 0 ? photos() : onClose()),
    onDone: () => {
      onTaken?.();
      say('What was written elsewhere stands in this book now.');
    },
    onFields: ([first]) => setTrouble(first?.message ?? ''),
  });
  if (coming !== null) return <Coming done={coming} of={record.photos.good.length} />;
  return (
    <>
      {trouble && (
        <p className="font-semibold text-danger" role="alert">
          {trouble}
        </p>
      )}
      <Found
        record={record}
        movement={movement}
        busy={bring.isPending}
        onPhotos={photos}
        onBring={() =>
          bring.mutate({
            params: { movementId: movement.id },
            body: { history: record.book.entries, logs: record.book.logs ?? [], historyFrom: record.from },
          })
        }
      />
    </>
  );
}
