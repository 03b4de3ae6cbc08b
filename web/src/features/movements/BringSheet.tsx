import type { Movement } from '@eclat/contract';
import { counted } from '@eclat/core/units';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
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
}

/** What the file holds, and whether it is of this movement; then it is brought in, or nothing of it is new. */
function Found({ record, movement, busy, onBring }: FoundProps) {
  const { entries, movement: of } = record.book;
  const fresh = entries.filter((_, i) => record.checked.here[i] !== true).length;
  const title =
    fresh === 0
      ? 'All of it stands here already'
      : `${counted(fresh, 'entry', 'entries')} would come in, ${entries.length - fresh} here already`;
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
      {fresh > 0 && (
        <Button variant="main" className="self-start" busy={busy} onClick={onBring}>
          {same ? 'Bring it in' : 'It is the same movement: bring it in'}
        </Button>
      )}
    </>
  );
}

/** The movement was at another shop: what was written there joins its book here. */
export function BringSheet({ movement, onClose }: { movement: Movement; onClose: () => void }) {
  const [record, setRecord] = useState<ReadRecord | null>(null);
  const [trouble, setTrouble] = useState('');
  const bring = useCommand(api.movements.bringRecord, {
    what: 'Record',
    atOnce: true,
    onSent: onClose,
    onDone: () => say('What was written elsewhere stands in this book now.'),
    onFields: ([first]) => setTrouble(first?.message ?? ''),
  });
  const take = async (file: File) => {
    setTrouble('');
    setRecord(null);
    const read = await readRecord(file, movement.id);
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
        <div>
          <ChooseRecord trouble={trouble} first onFile={(file) => void take(file)}>
            {record ? 'Another file' : 'Choose the file'}
          </ChooseRecord>
        </div>
        {record && (
          <Found
            record={record}
            movement={movement}
            busy={bring.isPending}
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
