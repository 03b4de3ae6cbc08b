import type { Visit } from '@eclat/contract';
import { counted } from '@eclat/core/units';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link2, Unlink } from 'lucide-react';
import { useState } from 'react';
import { call } from '../../data/call.ts';
import { api } from '../../data/api.ts';
import { afterCommand } from '../../data/refresh.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextArea } from '../../ui/Field.tsx';
import { SecretAddress } from '../../ui/SecretAddress.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const DAYS = 21;

/**
 * The owner's page: an address nobody can guess, that ends by itself or by a press. It is shown once, when it is made.
 */
export function OwnerPageLink() {
  const visit = useThisVisit();
  const queries = useQueryClient();
  const { link, questions } = visit.agreement;
  const params = { visitId: visit.id };
  const [address, setAddress] = useState('');
  const make = useMutation({
    mutationFn: () => call(api.agreement.makeLink, { params, body: { days: DAYS } }),
    onSuccess: ({ token }) => {
      setAddress(`${window.location.origin}/for-owner/${token}`);
      afterCommand(queries, api.agreement.makeLink, params, null);
    },
    onError: (error) => say(error.message, 'danger'),
    networkMode: 'always',
  });
  const end = useCommand(api.agreement.removeLink, {
    what: 'Owner’s page',
    onDone: () => {
      setAddress('');
      say('The address no longer works.');
    },
  });
  return (
    <Panel title="The owner’s page">
      {link ? (
        <p>
          Open until <b>{dayTime(link.expiresAt)}</b>, made by {link.by}.
        </p>
      ) : (
        <p className="text-soft">
          The estimate with the marked photos, to accept or decline line by line and to ask. No sign-in, and nothing
          else of the shop.
        </p>
      )}
      {address && (
        <SecretAddress label="Address of the owner’s page" address={address}>
          Send this address now: it is not shown again.
        </SecretAddress>
      )}
      {!visit.closedAt && (
        <div className="mt-3 flex flex-wrap gap-2">
          <Button
            variant={link ? 'quiet' : 'main'}
            busy={make.isPending}
            disabled={visit.agreement.lines.length === 0}
            onClick={() => make.mutate()}
          >
            <Link2 className="size-5" aria-hidden />
            {link ? 'A new address' : 'Create the page'}
          </Button>
          {link && (
            <Button onClick={() => end.mutate({ params })}>
              <Unlink className="size-5" aria-hidden />
              End it
            </Button>
          )}
        </div>
      )}
      {questions.length > 0 && (
        <ul className="mt-4 flex flex-col gap-3">
          {questions.map((q) => (
            <Question key={q.id} {...q} />
          ))}
        </ul>
      )}
      {link && link.uses.length > 0 && <LinkUses link={link} />}
    </Panel>
  );
}

function LinkUses({ link }: { link: NonNullable<Visit['agreement']['link']> }) {
  return (
    <details className="mt-4">
      <summary className="min-h-11 cursor-pointer font-semibold">Used {counted(link.uses.length, 'time')}</summary>
      <ul className="text-sm text-soft">
        {link.uses.map((u) => (
          <li key={u.at + u.what}>
            {dayTime(u.at)}: {u.what}
          </li>
        ))}
      </ul>
    </details>
  );
}

function Question({
  id,
  text,
  at,
  answer,
  answeredBy,
}: {
  id: string;
  text: string;
  at: string;
  answer: string;
  answeredBy: string;
}) {
  const visit = useThisVisit();
  const [words, setWords, forget] = useKept(`answer.${id}`, '');
  const send = useCommand(api.agreement.answer, { what: 'Answer', onSent: forget });
  return (
    <li className="rounded-lg border border-line p-3">
      <p className="font-semibold">{text}</p>
      <p className="text-sm text-soft">asked {dayTime(at)}</p>
      {answer ? (
        <p className="mt-1 border-l-4 border-steel pl-3">
          {answer} <span className="text-sm text-soft">{answeredBy}</span>
        </p>
      ) : (
        !visit.closedAt && (
          <form
            className="mt-2 flex flex-col gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              send.mutate({ params: { visitId: visit.id, questionId: id }, body: { answer: words } });
            }}
          >
            <TextArea label="Answer" rows={2} value={words} onChange={(e) => setWords(e.target.value)} />
            <Button type="submit" className="self-start" disabled={words.trim() === ''} busy={send.isPending}>
              Answer
            </Button>
          </form>
        )
      )}
    </li>
  );
}
