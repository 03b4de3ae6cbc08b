import { findingWords } from '@eclat/core/assess';
import type { Visit } from '@eclat/contract';
import { dateInWords } from '@eclat/core/history';
import { stageOf, type StageId } from '@eclat/core/workflow';
import { Search } from 'lucide-react';
import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useAppState } from '../../data/app-state.ts';
import { useBook } from '../../data/queries.ts';
import { Failed, Loading } from '../../ui/Answer.tsx';
import { day } from '../../ui/dates.ts';
import { Button } from '../../ui/Button.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import StageRules from '../house-rules/StageRules.tsx';
import { Notes } from '../notes/Notes.tsx';
import { Photos } from '../photos/Photos.tsx';
import StageWorkings from '../workings/StageWorkings.tsx';
import { LOOK_UPS, type LookUpId } from './look-ups.ts';

interface Props {
  visit: Visit;
  stage: StageId | undefined;
  at: LookUpId;
  onAt: (next: LookUpId) => void;
  onClose: () => void;
}

/** What is looked up beside the work, at the edge of the screen: it opens, is read, and closes again. */
export default function LookUp({ visit, stage, at, onAt, onClose }: Props) {
  const bodies: Record<LookUpId, ReactNode> = {
    photos: <Photos bare stage={stage ?? stageOf(visit.stages)} />,
    findings: <FindingsOf visit={visit} />,
    workings: <StageWorkings key={stage} visit={visit} stage={stage} />,
    rules: <StageRules visit={visit} stage={stage} />,
    past: <PastOf visit={visit} />,
    notes: <Notes />,
  };
  return (
    <SideSheet title="Look up" side="right" onClose={onClose} first={['[role="tab"][data-state="active"]']}>
      {/* On a phone the bar of a clock has no room for it. */}
      <Button
        className="mx-4 mb-2 self-start sm:hidden"
        onClick={() => {
          onClose();
          useAppState.getState().set({ findOpen: true });
        }}
      >
        <Search className="size-5" aria-hidden />
        Find anything
      </Button>
      <Tabs.Root value={at} onValueChange={(next) => onAt(next as LookUpId)} className="flex min-h-0 flex-1 flex-col">
        <Tabs.List aria-label="What to look up" className="flex flex-wrap border-b-2 border-line px-3">
          {LOOK_UPS.map(({ id, name, count }) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className={
                '-mb-0.5 min-h-12 border-b-4 border-transparent px-2.5 font-semibold text-soft ' +
                'hover:text-ink data-[state=active]:border-steel data-[state=active]:text-ink'
              }
            >
              {name}
              {count(visit, stage) > 0 && (
                <span className="ml-1.5 font-normal text-soft tabular-nums">{count(visit, stage)}</span>
              )}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value={at} className="min-h-0 flex-1 overflow-y-auto p-5 outline-none">
          {bodies[at]}
        </Tabs.Content>
      </Tabs.Root>
    </SideSheet>
  );
}

function FindingsOf({ visit }: { visit: Visit }) {
  if (visit.findings.length === 0) return <p className="text-soft">Nothing was found yet.</p>;
  return (
    <ul className="divide-y divide-line">
      {visit.findings.map((f) => (
        <li key={f.id} className="py-2">
          <p className="text-lg">
            <b className="first-letter:uppercase">{f.place}</b>: {findingWords(f, visit.findings)}
          </p>
          <p className="text-soft">{[f.severity, f.doNotDisturb && 'do not disturb'].filter(Boolean).join(' · ')}</p>
        </li>
      ))}
    </ul>
  );
}

function PastOf({ visit }: { visit: Visit }) {
  const { data, error } = useBook(visit.movement.id);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="past visits" />;
  const past = data.entries.filter((e) => e.amends === null);
  return (
    <>
      {past.length === 0 && <p className="text-soft">Nothing is known of this movement before this visit.</p>}
      <ul className="divide-y divide-line">
        {past.map((e) => (
          <li key={e.id} className="py-2">
            <Link className="text-lg font-semibold underline" to={`/movements/${visit.movement.id}#${e.id}`}>
              {dateInWords(e.date)}: {e.title}
            </Link>
            <p className="text-soft">
              {[e.signedBy, e.shop].filter(Boolean).join(', ') || `entered ${day(e.writtenAt)}`}
            </p>
            {e.text && <p className="line-clamp-3">{e.text}</p>}
          </li>
        ))}
      </ul>
    </>
  );
}
