import type { Movement } from '@eclat/contract';
import { ArrowLeftRight } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { readRecord, type ReadRecord } from './record-file.ts';
import { ChooseRecord } from './RecordFile.tsx';
import { TakeIn } from './TakeIn.tsx';

interface Props {
  movement: Movement;
  onClose: () => void;
  /** It is asked for instead of read from a file. */
  onAsk: () => void;
}

/** The movement was at another shop: what was written there joins its book here. */
export function BringSheet({ movement, onClose, onAsk }: Props) {
  const [record, setRecord] = useState<ReadRecord | null>(null);
  const [trouble, setTrouble] = useState('');
  const [reading, setReading] = useState('');
  const [busy, setBusy] = useState(false);
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
        {!busy && (
          <div>
            <ChooseRecord trouble={trouble} busy={reading} first onFile={(file) => void take(file)}>
              {record ? 'Another file' : 'Choose the file'}
            </ChooseRecord>
            {!record && (
              <Button variant="plain" className="-ml-4" onClick={onAsk}>
                <ArrowLeftRight className="size-5" aria-hidden />
                Ask another shop
              </Button>
            )}
          </div>
        )}
        {record && <TakeIn record={record} movement={movement} onBusy={() => setBusy(true)} onClose={onClose} />}
      </div>
    </Sheet>
  );
}
