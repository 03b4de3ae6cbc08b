import { linesOf, money, Routes, Lines } from './EstimateLines.tsx';
import type { OwnerPage } from '@eclat/contract';
import { byCount } from '@eclat/core/units';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import { call, Refusal } from '../../data/call.ts';
import { api } from '../../data/api.ts';
import { useAppState } from '../../data/app-state.ts';
import { keyOf } from '../../data/fetched.ts';
import { Answer, Loading, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { useKept } from '../../data/useDraft.ts';
import { day, dayTime } from '../../ui/dates.ts';
import { TextArea } from '../../ui/Field.tsx';
import { MarkedPhoto } from '../photos/MarkedPhoto.tsx';
import { newId } from '../../data/new-id.ts';
import { TitleOf } from '../../ui/TitleOf.tsx';

/** What an owner sees behind the address they were sent: this estimate, and nothing else. */
export function OwnerPageScreen() {
  const token = useParams()['token']!;
  const { data, error } = useQuery({
    queryKey: keyOf(api.ownerPage.page, { params: { token } }),
    queryFn: async () => {
      const page = await call(api.ownerPage.page, { params: { token } });
      useAppState.getState().set({ zone: page.timeZone });
      return page;
    },
    staleTime: Infinity,
  });
  if (error && !data)
    return (
      <main className="mx-auto max-w-3xl p-6">
        <Answer
          tone="due"
          title={
            error instanceof Refusal && error.status === 404
              ? 'This address no longer works'
              : 'The page cannot be shown now'
          }
        >
          {error instanceof Refusal && error.status === 404
            ? 'It was for a time, or a newer one was sent. Please ask the shop.'
            : error.message}
        </Answer>
      </main>
    );
  if (!data) return <Loading what="the estimate" />;
  return <Page token={token} page={data} />;
}

function Page({ token, page }: { token: string; page: OwnerPage }) {
  const queries = useQueryClient();
  const [trouble, setTrouble] = useState('');
  const change = useMutation({
    mutationFn: (work: () => Promise<OwnerPage>) => work(),
    onSuccess: (next) => {
      setTrouble('');
      queries.setQueryData(keyOf(api.ownerPage.page, { params: { token } }), next);
    },
    onError: (error) => {
      setTrouble(error.message);
      // Somebody changed it meanwhile: here it is as it stands now.
      if (error instanceof Refusal && error.status === 409) void queries.invalidateQueries();
    },
    networkMode: 'always',
  });
  const busy = change.isPending;
  return (
    <main className="mx-auto flex max-w-5xl flex-col gap-5 p-4 md:p-6">
      <header>
        <p className="text-lg text-soft">
          {page.shop} · {page.claim}
        </p>
        <TitleOf screen={`${page.clock} · ${page.shop}`} />
        <h1 className="text-3xl">{page.clock}</h1>
        {page.complaint && <p className="mt-1 text-lg">You told us: “{page.complaint}”</p>}
      </header>
      {trouble && (
        <Answer tone="danger" title="That was not taken">
          {trouble}
        </Answer>
      )}
      <WhatNow page={page} />
      {page.routes.length > 0 && (
        <Routes
          page={page}
          busy={busy}
          onChoose={({ route, without }) =>
            change.mutate(() => call(api.ownerPage.choose, { params: { token }, body: { route, seen: without } }))
          }
        />
      )}
      <Lines
        page={page}
        busy={busy}
        onDecide={({ id: lineId, version }, state) =>
          change.mutate(() =>
            call(api.ownerPage.decide, { params: { token, lineId }, body: { state, version, prices: page.prices } }),
          )
        }
      />
      {page.photos.length > 0 && <Photos token={token} photos={page.photos} />}
      <Ask
        page={page}
        busy={busy}
        onAsk={(text, id, sent) =>
          change.mutate(() => call(api.ownerPage.ask, { params: { token, questionId: id }, body: { text } }), {
            onSuccess: sent,
          })
        }
      />
      <p className="text-sm text-soft">
        This page is for you alone. It is open until {dayTime(page.expiresAt)}; each time it is used is noted for the
        shop.
      </p>
    </main>
  );
}

function WhatNow({ page }: { page: OwnerPage }) {
  const open = linesOf(page).filter((l) => l.state === null).length;
  if (page.routes.length > 0 && page.chosen === null)
    return (
      <Answer tone="info" title="How far shall we go? Please choose">
        Nothing is done that you have not accepted. Then each line of what you chose waits for your word.
      </Answer>
    );
  if (open > 0)
    return (
      <Answer tone="info" title={`${byCount(open, 'One line waits', `${open} lines wait`)} for your word`}>
        Nothing is done that you have not accepted. Accepted so far: {money(page, page.agreed)}.
      </Answer>
    );
  return (
    <Answer tone="good" title={`Thank you. You accepted ${money(page, page.agreed)}`}>
      {page.promisedFor ? `Promised for ${day(page.promisedFor)}. ` : ''}You may still change your mind on what is not
      done yet: ask the shop.
    </Answer>
  );
}

function Photos({ token, photos }: { token: string; photos: OwnerPage['photos'] }) {
  return (
    <Panel title="What we saw">
      <ul className="grid gap-5 sm:grid-cols-2">
        {photos.map((p) => (
          <li key={p.id}>
            <MarkedPhoto src={`/api/for-owner/${token}/photos/${p.id}`} alt={p.caption || 'What we saw'} photo={p} />
            <p className="mt-1 font-semibold">{p.caption}</p>
            <ol>
              {p.marks.map((m) => (
                <li key={m.number}>
                  <b>{m.number}</b> {m.says}
                </li>
              ))}
            </ol>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

function Ask({
  page,
  busy,
  onAsk,
}: {
  page: OwnerPage;
  busy: boolean;
  onAsk: (text: string, id: string, sent: () => void) => void;
}) {
  const [text, setText] = useKept(`question.${window.location.pathname}`, '');
  const [id, setId] = useState(() => newId());
  return (
    <Panel title="Ask us">
      {page.questions.length > 0 && (
        <ul className="mb-3 flex flex-col gap-2">
          {page.questions.map((q) => (
            <li key={q.id} className="rounded-lg bg-sunk p-3">
              <p className="font-semibold">{q.text}</p>
              <p>{q.answer || <span className="text-soft">Not answered yet.</span>}</p>
            </li>
          ))}
        </ul>
      )}
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          onAsk(text, id, () => {
            setText('');
            setId(newId());
          });
        }}
      >
        <TextArea label="Your question" rows={2} value={text} onChange={(e) => setText(e.target.value)} />
        <Button type="submit" className="self-start" disabled={text.trim() === ''} busy={busy}>
          Send it
        </Button>
      </form>
    </Panel>
  );
}
