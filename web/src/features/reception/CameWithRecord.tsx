import { MARK_PLACES } from '@eclat/contract/movements';
import { FAMILIES } from '@eclat/core/movement';
import { byCount, counted } from '@eclat/core/units';
import { useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { useMaySign } from '../../data/queries.ts';
import { carryPhotos } from '../movements/bring-photos.ts';
import { NO_PHOTOS, NOT_CHECKED, readRecord, type ReadRecord } from '../movements/record-file.ts';
import { ChooseRecord, WhatComes } from '../movements/RecordFile.tsx';
import { KnownHere } from './KnownHere.tsx';
import { asKnown, type IntakeForm } from './form.ts';

const isPlace = (p: string): p is (typeof MARK_PLACES)[number] => (MARK_PLACES as readonly string[]).includes(p);

/** A movement that came with its book from another shop: what stands in it is shown, and goes on in the book here. */
export function CameWithRecord({ onBook }: { onBook: (id: string | null) => void }) {
  const form = useFormContext<IntakeForm>();
  const { setValue, watch, formState } = form;
  const mayTake = useMaySign();
  const refused = formState.errors.movement?.history?.message;
  const [trouble, setTrouble] = useState('');
  const [reading, setReading] = useState('');
  // A draft that comes back after a reload has its words only.
  const [{ checked, photos }, setRead] = useState<Pick<ReadRecord, 'checked' | 'photos'>>({
    checked: NOT_CHECKED,
    photos: NO_PHOTOS,
  });
  const history = watch('movement.history') ?? [];
  const take = async (file: File) => {
    setTrouble('');
    setReading('Reading it …');
    const read = await readRecord(file, undefined, setReading);
    setReading('');
    if (typeof read === 'string') return setTrouble(read);
    setRead(read);
    onBook(read.checked.book?.id ?? null);
    carryPhotos(read.photos);
    const { movement, entries, logs = [] } = read.book;
    setValue('movement', {
      name: movement.name,
      familyId: FAMILIES.some((f) => f.id === movement.familyId) ? movement.familyId : '',
      maker: movement.maker,
      fittings: [],
      marks: movement.marks.flatMap(({ place, text }) => (isPlace(place) ? [{ place, text }] : [])),
      history: entries,
      logs,
      historyFrom: read.from,
    });
  };
  if (!mayTake)
    return (
      <p className="text-sm text-soft sm:col-span-2">If it came with a record, somebody who may sign takes it in.</p>
    );
  return (
    <div className="sm:col-span-2">
      <ChooseRecord trouble={trouble || (refused ?? '')} busy={reading} onFile={(file) => void take(file)}>
        It came with a record
      </ChooseRecord>
      {history.length > 0 && checked.book && (
        <div className="mb-3">
          <KnownHere another text={checked.book.code} onTake={(id) => asKnown(form, id)} />
        </div>
      )}
      {history.length > 0 && (
        <WhatComes
          record={{ book: { entries: history }, checked, photos }}
          title={
            `${counted(history.length, 'entry', 'entries')} came with it and ` +
            `${byCount(history.length, 'goes', 'go')} on in its book here`
          }
        />
      )}
    </div>
  );
}
