import { dateInWords } from '@eclat/core/history';
import { counted } from '@eclat/core/units';
import { BookOpen } from 'lucide-react';
import type { ReactNode } from 'react';
import { ChooseFile } from '../../ui/ChooseFile.tsx';
import { checkedInWords, photosInWords, type ReadRecord } from './record-file.ts';

/** Chooses the file of a record; what is wrong with it stands below. */
export function ChooseRecord({
  children,
  trouble,
  busy = '',
  first = false,
  onFile,
}: {
  children: ReactNode;
  trouble: string;
  /** Said while the file is read. */
  busy?: string;
  /** It has the focus when it appears. */
  first?: boolean;
  onFile: (file: File) => void;
}) {
  return (
    <>
      <ChooseFile
        variant="plain"
        className="-ml-4"
        first={first}
        accept=".zip,.json,application/zip,application/json"
        onFiles={([file]) => onFile(file)}
      >
        <BookOpen className="size-5" aria-hidden />
        {children}
      </ChooseFile>
      {busy && (
        <p className="text-soft" role="status">
          {busy}
        </p>
      )}
      {trouble && (
        <p className="font-semibold text-danger" role="alert">
          {trouble}
        </p>
      )}
    </>
  );
}

const SHOWN = 5;

/** What a record would bring, and how it stands, before anything is written. */
export function WhatComes({
  record: { book, checked, photos },
  title,
}: {
  record: { book: Pick<ReadRecord['book'], 'entries'>; checked: ReadRecord['checked']; photos: ReadRecord['photos'] };
  title: string;
}) {
  const fresh = book.entries.filter((_, i) => checked.here[i] !== true);
  return (
    <div className="rounded-lg border-2 border-steel bg-steel-wash p-3">
      <p className="font-bold">{title}</p>
      <p>
        {checkedInWords(checked)} {photosInWords(photos)}
      </p>
      {[...checked.log, ...photos.troubles].map((words) => (
        <p key={words} className="font-semibold text-danger">
          {words}
        </p>
      ))}
      <ul>
        {fresh
          .slice(-SHOWN)
          .reverse()
          .map((e) => (
            <li key={e.hash}>
              <b>{dateInWords(e.date)}</b> {e.title}{' '}
              <span className="text-soft">
                {e.shop}, {e.signedBy}
              </span>
            </li>
          ))}
      </ul>
      {fresh.length > SHOWN && <p className="text-soft">and {counted(fresh.length - SHOWN, 'more', 'more')}, older.</p>}
    </div>
  );
}
