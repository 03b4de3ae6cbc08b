import type { Movement } from '@eclat/contract';
import { counted } from '@eclat/core/units';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { bringPhotos } from './bring-photos.ts';
import { readRecord, type ReadRecord } from './record-file.ts';
import { ChooseRecord, WhatComes } from './RecordFile.tsx';

/** That a record is of this movement: the same id, an entry that both have, or a mark that both carry. */
function meets({ book, checked }: ReadRecord, movement: Movement): boolean {
  const marks = new Set(movement.marks.map((m) => m.text.toLowerCase()));
  return (
    book.movement.id === movement.id ||
    checked.here.includes(true) ||
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
  const title =
    fresh === 0
      ? 'All of it stands here already'
      : `${counted(fresh, 'entry', 'entries')} would come in, ${entries.length - fresh} here already`;
  const photos = record.photos.good.length;
  const same = meets(record, movement);
  return (
    <>
      <WhatComes record={record} title={title} />
      {!same && (
        <p className="font-semibold text-danger">
          Nothing shows that this record is of {movement.code}: no entry, no mark and no id is the same. It belongs to
          {` ${of.code}, ${of.name}`}.
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

/** The movement was at another shop: what was written there joins its book here. */
export function BringSheet({ movement, onClose }: { movement: Movement; onClose: () => void }) {
  const queries = useQueryClient();
  const [record, setRecord] = useState<ReadRecord | null>(null);
  const [trouble, setTrouble] = useState('');
  const [reading, setReading] = useState('');
  const [coming, setComing] = useState<number | null>(null);
  const photos = () => {
    setComing(0);
    void bringPhotos(queries, movement.id, record!.photos, setComing).then(onClose);
  };
  const bring = useCommand(api.movements.bringRecord, {
    what: 'Record',
    atOnce: true,
    onSent: () => (record!.photos.good.length > 0 ? photos() : onClose()),
    onDone: () => say('What was written elsewhere stands in this book now.'),
    onFields: ([first]) => setTrouble(first?.message ?? ''),
  });
  const take = async (file: File) => {
    setTrouble('');
    setRecord(null);
    setReading('Reading it …');
    const read = await readRecord(file, movement.id, setReading);
    setReading('');
    if (typeof read === 'string') setTrouble(read);
    else setRecord(read);
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Bring a record of ${movement.code}`}
      description="From another shop, a museum or an owner. What is new is added; nothing is changed or lost."
    >
      <div className="flex flex-col gap-4">
        {coming === null && (
          <div>
            <ChooseRecord trouble={trouble} busy={reading} first onFile={(file) => void take(file)}>
              {record ? 'Another file' : 'Choose the file'}
            </ChooseRecord>
          </div>
        )}
        {record && coming !== null && <Coming done={coming} of={record.photos.good.length} />}
        {record && coming === null && (
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
        )}
      </div>
    </Sheet>
  );
}
