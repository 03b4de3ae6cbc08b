import type { Visit } from '@eclat/contract';
import { stageName, type StageId } from '@eclat/core/workflow';
import { Play, Square } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { countdown } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';

/** One press begins a person's time on the stage that is open, one press ends it. */
export function TimeButton({ visit, stage }: { visit: Visit; stage: StageId }) {
  const person = useMe();
  const start = useCommand(api.benchTime.start, {
    what: 'Bench time',
    onDone: ({ left }) => {
      if (left) say(`Your time on ${left} has ended.`);
    },
  });
  const stop = useCommand(api.benchTime.stop, { what: 'Bench time' });
  if (visit.closedAt || !person || person.role === 'counter') return null;
  const params = { visitId: visit.id };
  const running = visit.time.find((t) => t.endedAt === null && t.by === person.name);
  const look = 'flex min-h-11 items-center gap-2 rounded-full border-2 px-4 font-semibold';
  return running ? (
    <button
      type="button"
      className={`${look} border-steel bg-steel text-steel-ink`}
      onClick={() => stop.mutate({ params })}
    >
      <Square className="size-4 fill-current" aria-hidden />
      <span className="sr-only">Stop my time: </span>
      {stageName(running.stage)} <Ticking since={running.startedAt} />
    </button>
  ) : (
    <button
      type="button"
      title="Start my time"
      className={`${look} border-line bg-enamel hover:bg-steel-wash`}
      onClick={() => start.mutate({ params, body: { stage } })}
    >
      <Play className="size-4 fill-current" aria-hidden />
      <span className="max-2xl:sr-only">Start my time</span>
    </button>
  );
}

/** Ticks by itself: the stage around it is not drawn anew each second. */
function Ticking({ since }: { since: string }) {
  return <span className="tabular-nums">{countdown(useNow() - Date.parse(since))}</span>;
}
