import { byCount, counted } from '@eclat/core/units';
import { Contents, GoesHome } from './Contents.tsx';
import { api } from '../../data/api.ts';
import { typedWords } from '@eclat/core/record';
import { signFacts } from '@eclat/core/visit';
import { signObstacles, stagesIn, type Obstacle } from '@eclat/core/workflow';
import { BookOpen, FileText, PenLine, QrCode } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { dayTime, shopDay } from '../../ui/dates.ts';
import { TextArea, TextField } from '../../ui/Field.tsx';
import { PassphraseSheet } from '../../ui/PassphraseSheet.tsx';
import { leftOf } from '../assembly/Checks.tsx';
import { DocumentLink } from '../documents/Documents.tsx';
import { Inscribe, photosOfVisit } from '../movements/Inscribe.tsx';
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

/** What stands in the way, judged as it is typed: the owner's name in the note, or a waiver, count at once. */
function useObstacles(note: string, waiver: string) {
  const visit = useThisVisit();
  const now = new Date(useNow(10_000));
  const typed = typedWords(visit, waiver, note);
  const assembled = !stagesIn(visit.stages, 'not in this job').includes('assemble');
  return {
    left: signObstacles(signFacts(visit, now, typed, waiver)),
    waivable: signObstacles(signFacts(visit, now, typed)).some((o) => o.waivable),
    unchecked: assembled ? leftOf(visit, 'assemble').open.length : 0,
  };
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
  const { left, waivable, unchecked } = useObstacles(note, waiver);
  return (
    <>
      <InTheWay left={left} />
      <KeptWords />
      <TrialEnd visit={visit} />
      <Prognosis key={`${visit.prognosis} ${visit.lookAgainOn}`} visit={visit} />
      {unchecked > 0 && <Unchecked unchecked={unchecked} />}
      <GoesHome />
      <Contents note={note} waiver={waiver} />
      <Words
        {...{ note, waiver, waivable, setNote, setWaiver }}
        blocked={left.length > 0}
        busy={sign.isPending}
        onSign={() => setSure(true)}
      />
      <PassphraseSheet
        open={sure}
        title="Sign and close this visit?"
        description="Once only: after this, nothing of it can be changed or deleted. Amendments can be added."
        yes="Sign"
        no="Not yet"
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

interface WordsProps {
  note: string;
  waiver: string;
  waivable: boolean;
  setNote: (note: string) => void;
  setWaiver: (waiver: string) => void;
  blocked: boolean;
  busy: boolean;
  onSign: () => void;
}

function Words({ note, waiver, waivable, setNote, setWaiver, blocked, busy, onSign }: WordsProps) {
  const [writing, setWriting] = useState(false);
  return (
    <>
      <Panel title="Your signature">
        <form
          className="flex flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            onSign();
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
          <div className="flex flex-wrap gap-3">
            <Button type="submit" variant="main" className="px-8 text-lg" disabled={blocked} busy={busy}>
              Sign and close
            </Button>
            {!writing && (
              <Button variant="plain" onClick={() => setWriting(true)}>
                <PenLine className="size-5" aria-hidden />
                Enter what you wrote in the clock
              </Button>
            )}
          </div>
        </form>
      </Panel>
      {writing && <OwnHand onClose={() => setWriting(false)} />}
    </>
  );
}

/** Whoever signs inside the clock too says what stands there, and where: the next one will look for it. */
function OwnHand({ onClose }: { onClose: () => void }) {
  const visit = useThisVisit();
  return (
    <Panel title="What you wrote in the clock">
      <Inscribe
        movementId={visit.movement.id}
        photos={photosOfVisit(visit)}
        ownHand={{ date: shopDay() }}
        onClose={onClose}
      />
    </Panel>
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
      {byCount(unchecked, 'has', 'have')} no answer. That does not hold the signature up.
    </p>
  );
}
