import type { Entry } from '@eclat/contract';
import { api } from '../../data/api.ts';
import { dateInWords } from '@eclat/core/history';
import { answeredFor, chapterTitle, ENTRY_WORDS, photosShown, proofInWords, whereWritten } from '@eclat/core/record';
import {
  ArrowLeftRight,
  ChevronDown,
  Merge,
  PackageMinus,
  PenLine,
  ScrollText,
  Shield,
  ShieldAlert,
  ShieldCheck,
  ShieldQuestion,
  Stamp,
} from 'lucide-react';
import { useState } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { useCommand } from '../../data/useCommand.ts';
import { useMaySign } from '../../data/queries.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { TextArea, TextField } from '../../ui/Field.tsx';
import { dayTime } from '../../ui/dates.ts';
import { DateOf } from './DateOf.tsx';
import { KnowKey } from './KnowKey.tsx';
import { RecordOf } from './RecordOf.tsx';
import { PhotosOf } from './PhotosOf.tsx';
import { Reading } from './Reading.tsx';
import { SectionsOf } from './SectionsOf.tsx';

const ICONS = {
  visit: Stamp,
  inscription: ScrollText,
  amendment: PenLine,
  merger: Merge,
  donor: PackageMinus,
  replacement: ArrowLeftRight,
} as const;

interface PageProps {
  entry: Entry;
  amendments: Entry[];
  marked: boolean;
  /** Hashes of photos that are not here. */
  away: readonly string[];
}

/** One entry. One that cannot be shown, whatever is wrong with it, hides none of the others. */
export function Page(props: PageProps) {
  return (
    <ErrorBoundary fallback={<Unreadable entry={props.entry} />}>
      <WholePage {...props} />
    </ErrorBoundary>
  );
}

function Unreadable({ entry }: { entry: Entry }) {
  return (
    <li className="border-t border-line py-4 first:border-t-0">
      <p className="text-lg font-bold">An entry of this book cannot be shown</p>
      <p className="text-soft">It stands as it is; this is what is in it:</p>
      <pre className="mt-2 max-h-60 overflow-auto rounded-lg bg-sunk p-3 text-sm whitespace-pre-wrap">
        {JSON.stringify(entry, null, 1)}
      </pre>
    </li>
  );
}

const SHIELDS = {
  proved: [ShieldCheck, 'text-soft'],
  'unknown shop': [ShieldQuestion, 'font-semibold text-brass'],
  unsigned: [Shield, 'text-soft'],
  changed: [ShieldAlert, 'font-semibold text-danger'],
  'page missing': [ShieldAlert, 'font-semibold text-danger'],
} as const;

export function ProofOf({ entry }: { entry: Entry }) {
  const { proof, signature, shop } = entry;
  const [Icon, look] = SHIELDS[proof];
  return (
    <div className="flex flex-col items-start text-sm">
      <p className={`flex items-start gap-2 ${look}`}>
        <Icon className="mt-0.5 size-4 shrink-0" aria-hidden />
        <span>{proofInWords(entry)}</span>
      </p>
      {signature && proof === 'unknown shop' && <KnowKey thumbprint={signature.key} shop={shop} />}
    </div>
  );
}

/** What it says, and where; photos and hands stand with the thing that it is written on. */
function Inscription({ entry }: { entry: Entry }) {
  const where = whereWritten(entry);
  return (
    <>
      <p className="border-l-4 border-brass-fill pl-3 text-lg italic">
        <Reading text={entry.text} />
      </p>
      {where && <p className="text-soft">{where}</p>}
      <SectionsOf sections={{}} unread={entry.unread} />
    </>
  );
}

function Chapter({ entry, away }: Pick<PageProps, 'entry' | 'away'>) {
  const { single, pairs } = photosShown(entry.sections);
  const pictured = single.length + pairs.length > 0;
  return (
    <>
      <div className={pictured ? 'grid gap-x-6 lg:grid-cols-[minmax(0,1fr)_17.5rem]' : ''}>
        <div className="min-w-0">
          <h3 className="text-xl">{entry.title}</h3>
          {entry.text && <p className="text-lg">{entry.text}</p>}
          {entry.place && <p className="text-soft">On the {entry.place}.</p>}
          {entry.record && <RecordOf record={entry.record} sections={entry.sections} />}
        </div>
        {pictured && (
          <div className="lg:-mt-2">
            <PhotosOf named={single} pairs={pairs} away={away} />
          </div>
        )}
      </div>
      <Behind entry={entry} />
    </>
  );
}

/** Everything behind the story, by one press. */
function Behind({ entry: { sections, unread } }: Pick<PageProps, 'entry'>) {
  const [open, setOpen] = useState(false);
  const any = Object.values(sections).some((s) => s !== undefined);
  if (!any) return <SectionsOf sections={{}} unread={unread} />;
  return (
    <>
      <button
        type="button"
        data-fold
        aria-expanded={open}
        className="no-print mt-1 flex min-h-11 items-center gap-2 text-steel"
        onClick={() => setOpen(!open)}
      >
        <ChevronDown className={`size-5 ${open ? '' : '-rotate-90'}`} aria-hidden />
        All that was recorded
      </button>
      {open && <SectionsOf sections={sections} unread={unread} />}
    </>
  );
}

function WholePage({ entry, amendments, marked, away }: PageProps) {
  const [amending, setAmending] = useState(false);
  const maySign = useMaySign();
  const Icon = ICONS[entry.kind];
  return (
    <li
      id={entry.id}
      className={
        'grid gap-x-5 gap-y-1 border-t border-line py-6 first:border-t-0 first:pt-2 ' +
        'sm:grid-cols-[8.5rem_minmax(0,1fr)] ' +
        (marked ? 'bg-steel-wash' : '')
      }
    >
      <div>
        <DateOf date={entry.date} />
        <p className="flex items-center gap-2 text-sm text-soft">
          <Icon className="size-4" aria-hidden />
          {ENTRY_WORDS[entry.kind]}
        </p>
      </div>
      <div className="min-w-0">
        {chapterTitle(entry) === entry.title ? <Chapter entry={entry} away={away} /> : <Inscription entry={entry} />}
        <p className="mt-1 text-sm text-soft">{answeredFor(entry)}</p>
        <ProofOf entry={entry} />
        {entry.takenOver && (
          <p className="text-sm text-soft">
            Came in {entry.takenOver.from || 'a file'}, taken in by {entry.takenOver.by}, {dayTime(entry.takenOver.at)}
            {entry.signature && entry.proof !== 'unsigned' && `; signed there for ${entry.signature.movement}`}.
          </p>
        )}
        {amendments.map((a) => (
          <div key={a.id} id={a.id} className="mt-3 border-l-4 border-steel pl-3">
            <p className="flex items-center gap-2 text-sm font-semibold text-steel">
              <PenLine className="size-4" aria-hidden />
              Amendment, {dateInWords(a.date)}, {a.signedBy}
            </p>
            <p className="text-lg">{a.text}</p>
            <ProofOf entry={a} />
          </div>
        ))}
        {amending && <Amend entry={entry} onClose={() => setAmending(false)} />}
        {!amending && maySign && entry.proof !== 'changed' && (
          <Button variant="plain" className="no-print -ml-4" onClick={() => setAmending(true)}>
            Add an amendment
          </Button>
        )}
      </div>
    </li>
  );
}

export function Amend({ entry, onClose }: { entry: Entry; onClose: () => void }) {
  const [text, setText, forgetText] = useKept(`amendment.${entry.id}`, '');
  const [keep, setKeep, forgetKeep] = useKept(`amendment.${entry.id}.keep`, '');
  const [passphrase, setPassphrase] = useState('');
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const amend = useCommand(api.movements.amend, {
    what: 'Amendment',
    atOnce: true,
    onSent: () => (forgetText(), forgetKeep(), onClose()),
    onDone: () => say('The amendment stands beside the entry.'),
    onFields: (fields) => setWrong(Object.fromEntries(fields.map((f) => [f.path, f.message]))),
  });
  return (
    <form
      className="mt-2 flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        amend.mutate({ params: { entryId: entry.id }, body: { text, keep, passphrase } });
      }}
    >
      <TextArea
        label="What is to be added or put right"
        hint="It stands beside the entry for ever; the entry itself stays as it is."
        value={text}
        onChange={(e) => setText(e.target.value)}
        autoFocus
      />
      {(wrong['keep'] !== undefined || keep !== '') && (
        <TextField
          autoFocus
          label="Why it stays"
          error={wrong['keep']}
          value={keep}
          onChange={(e) => setKeep(e.target.value)}
        />
      )}
      <TextField
        label="Your passphrase, to sign it"
        type="password"
        autoComplete="current-password"
        value={passphrase}
        onChange={(e) => setPassphrase(e.target.value)}
        error={wrong['passphrase']}
      />
      <div className="flex gap-3">
        <Button type="submit" variant="main" disabled={text.trim() === '' || passphrase === ''} busy={amend.isPending}>
          Sign and add it
        </Button>
        <Button variant="plain" onClick={onClose}>
          Close
        </Button>
      </div>
    </form>
  );
}
