import { counted } from '@eclat/core/units';
import { Contents, GoesHome } from './Contents.tsx';
import { api } from '../../data/api.ts';
import { typedWords } from '@eclat/core/record';
import { signFacts } from '@eclat/core/visit';
import { signObstacles, stagesIn, type Obstacle } from '@eclat/core/workflow';
import { BookOpen, FileText, QrCode } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextArea, TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { leftOf } from '../assembly/Checks.tsx';
import { DocumentLink } from '../documents/Documents.tsx';
import { useNow } from '../../ui/useNow.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { KeepWord, KeptWords } from './KeptWords.tsx';
import { Prognosis } from './Prognosis.tsx';
import { TrialEnd } from './TrialEnd.tsx';

export function SigningScreen() {
  const visit = useThisVisit();
  if (visit.closedAt) return <Closed />;
  return <ToSign />;
}

function Closed() {
  const visit = useThisVisit();
  return (
    <>
      <Answer tone="good" title={`Signed and closed, ${dayTime(visit.closedAt!)}`}>
        Nothing of it changes any more. A correction is added to the movement book as an amendment.
      </Answer>
      <Link
        to={`/movements/${visit.movement.id}#${visit.entryId}`}
        className={buttonClass('main', 'self-start text-lg')}
      >
        <BookOpen className="size-6" aria-hidden />
        To the movement book
      </Link>
      <div className="flex flex-wrap gap-2">
        <DocumentLink document="return">
          <FileText className="size-5" aria-hidden />
          Return sheet
        </DocumentLink>
        <DocumentLink document="slip">
          <QrCode className="size-5" aria-hidden />
          Slip for inside
        </DocumentLink>
      </div>
      <Contents />
    </>
  );
}

function ToSign() {
  const visit = useThisVisit();
  const go = useNavigate();
  const [note, setNote, forgetNote] = useKept(`sign.${visit.id}.note`, '');
  const [waiver, setWaiver, forgetWaiver] = useKept(`sign.${visit.id}.waiver`, '');
  const [sure, setSure] = useState(false);
  const [wrong, setWrong] = useState('');
  const sign = useCommand(api.signing.sign, {
    what: 'Signature',
    atOnce: true,
    onSent: () => (forgetNote(), forgetWaiver(), setSure(false)),
    onFields: ([first]) => setWrong(first?.message ?? ''),
    onDone: (entry) => {
      say('Signed. The history entry stands.');
      void go(`/movements/${visit.movement.id}#${entry.id}`);
    },
  });
  const now = useNow(10_000);
  // Judged as it is typed: the owner's name in the note, or a waiver, count at once.
  const typed = typedWords(visit, waiver, note);
  const left = signObstacles(signFacts(visit, new Date(now), typed, waiver));
  const assembled = !stagesIn(visit.stages, 'not in this job').includes('assemble');
  const unchecked = assembled ? leftOf(visit, 'assemble').open.length : 0;
  const waivable = signObstacles(signFacts(visit, new Date(now), typed)).some((o) => o.waivable);
  return (
    <>
      <InTheWay left={left} />
      <KeptWords />
      <TrialEnd visit={visit} />
      <Prognosis key={`${visit.prognosis} ${visit.lookAgainOn}`} visit={visit} />
      {unchecked > 0 && <Unchecked unchecked={unchecked} />}
      <GoesHome />
      <Contents note={note} waiver={waiver} />
      <Panel title="Your signature">
        <form
          className="flex flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            setSure(true);
          }}
        >
          <TextArea
            label="For the next repairer"
            hint="This goes into the movement’s history: no names, no addresses."
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
          {waivable && (
            <TextField
              label="Why the rest of the test is waived"
              value={waiver}
              onChange={(e) => setWaiver(e.target.value)}
              hint="Leave this empty to wait for the verdict."
            />
          )}
          <Button
            type="submit"
            variant="main"
            className="self-start px-8 text-lg"
            disabled={left.length > 0}
            busy={sign.isPending}
          >
            Sign and close
          </Button>
        </form>
      </Panel>
      <SureSheet
        open={sure}
        onClose={() => (setSure(false), setWrong(''))}
        busy={sign.isPending}
        wrong={wrong}
        onSign={(passphrase) => {
          setWrong('');
          sign.mutate({ params: { visitId: visit.id }, body: { note, waiver, passphrase } });
        }}
      />
    </>
  );
}

function InTheWay({ left }: { left: Obstacle[] }) {
  if (left.length === 0)
    return (
      <Answer tone="good" title="Ready to sign">
        Signing closes the visit. The entry in the movement book can never be changed, only added to.
      </Answer>
    );
  return (
    <Answer tone="due" title={`${counted(left.length, 'thing stands', 'things stand')} in the way`}>
      <ul className="mt-1 flex flex-col gap-1">
        {left.map((o) => (
          <li key={o.what} className="flex min-h-11 flex-wrap items-center gap-3">
            {o.at ? (
              <Link className="font-semibold underline" to={`../${o.at}`}>
                {o.what}
              </Link>
            ) : (
              o.what
            )}
            {o.word && <KeepWord word={o.word} />}
          </li>
        ))}
      </ul>
    </Answer>
  );
}

function Unchecked({ unchecked }: { unchecked: number }) {
  return (
    <p className="text-lg text-soft">
      <Link className="inline-flex min-h-11 items-center font-semibold text-steel underline" to="../assemble">
        {counted(unchecked, 'check')} of the assembly
      </Link>{' '}
      {unchecked === 1 ? 'has' : 'have'} no answer. That does not hold the signature up.
    </p>
  );
}

/** The passphrase is asked again: it is the person who signs, not a screen that was left open. */
function SureSheet({
  open,
  onClose,
  busy,
  wrong,
  onSign,
}: {
  open: boolean;
  onClose: () => void;
  busy: boolean;
  wrong: string;
  onSign: (passphrase: string) => void;
}) {
  const [passphrase, setPassphrase] = useState('');
  return (
    <Sheet
      open={open}
      onClose={() => (setPassphrase(''), onClose())}
      title="Sign and close this visit?"
      description="Once only: after this, nothing of it can be changed or deleted. Amendments can be added."
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          onSign(passphrase);
        }}
      >
        <TextField
          autoFocus
          label="Your passphrase"
          type="password"
          autoComplete="current-password"
          value={passphrase}
          onChange={(e) => setPassphrase(e.target.value)}
          error={wrong || undefined}
        />
        <div className="flex gap-3">
          <Button type="submit" variant="main" disabled={passphrase === ''} busy={busy}>
            Sign
          </Button>
          <Button onClick={() => (setPassphrase(''), onClose())}>Not yet</Button>
        </div>
      </form>
    </Sheet>
  );
}
