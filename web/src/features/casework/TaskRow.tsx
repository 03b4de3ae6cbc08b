import type { CaseTask } from '@eclat/contract';
import { taskCaution, taskStands, type TaskStands } from '@eclat/core/casework';
import { ArrowDown, ArrowUp, Check, GripVertical, Hourglass, Pencil, Trash2, type LucideIcon } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { say } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { countdown, dayTime } from '../../ui/dates.ts';
import { SortableRow } from '../../ui/Sortable.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** The tasks before and after one that is still to do. */
export interface Beside {
  before: CaseTask | undefined;
  after: CaseTask | undefined;
}
interface Props {
  task: CaseTask;
  now: number;
  onEdit: () => void;
  /** null: its place in the order is not chosen. */
  beside: Beside | null;
  onMove: (where: CaseTask) => void;
}

export function TaskRow({ task, now, onEdit, beside, onMove }: Props) {
  const visit = useThisVisit();
  const [asking, setAsking] = useState(false);
  const did = useCommand(api.casework.setTime, {
    what: task.what,
    onDone: (t, _sent, undo) => {
      setAsking(false);
      say(`${t.what}: ${t.times > 1 ? `${t.log.length} of ${t.times}` : 'written'}.`, 'good', undo);
    },
  });
  const stands = taskStands(task, now);
  return (
    <SortableRow
      id={task.id}
      name={`Move ${task.what}`}
      grip={<GripVertical className="size-5" aria-hidden />}
      gripClass="grid size-11 place-items-center rounded-lg hover:bg-steel-wash"
      disabled={beside === null || visit.closedAt !== null}
      className="flex flex-wrap items-center gap-x-5 gap-y-2 py-3"
    >
      {(grip) => (
        <>
          <span className="flex w-full items-center gap-2 text-center sm:grid sm:w-24 sm:place-items-center sm:gap-0">
            <Standing stands={stands} task={task} now={now} />
          </span>
          <TaskWords task={task} stands={stands} />
          {!visit.closedAt && <TaskTools task={task} setAsking={setAsking} did={did} stands={stands} onEdit={onEdit} />}
          {!visit.closedAt && beside && (
            <span className="flex items-center">
              <Step to={beside.before} name={`Earlier: ${task.what}`} icon={ArrowUp} onMove={onMove} />
              <Step to={beside.after} name={`Later: ${task.what}`} icon={ArrowDown} onMove={onMove} />
              {grip}
            </span>
          )}
          {asking && <SureSheet setAsking={setAsking} did={did} task={task} />}
        </>
      )}
    </SortableRow>
  );
}

function Step({
  to,
  name,
  icon: Icon,
  onMove,
}: {
  to: CaseTask | undefined;
  name: string;
  icon: LucideIcon;
  onMove: Props['onMove'];
}) {
  return (
    <button
      type="button"
      aria-label={name}
      disabled={!to}
      className="grid size-11 place-items-center rounded-lg hover:bg-steel-wash disabled:opacity-30"
      onClick={() => to && onMove(to)}
    >
      <Icon className="size-5" aria-hidden />
    </button>
  );
}

function Standing({ stands, task, now }: { stands: TaskStands; task: CaseTask; now: number }) {
  if (stands === 'done') return <Check className="size-8 text-good" aria-label="done" />;
  if (stands === 'waiting')
    return (
      <>
        <Hourglass className="size-6 text-steel" aria-hidden />
        <b className="tabular-nums">{countdown(Date.parse(task.waitEndsAt!) - now)}</b>
      </>
    );
  return (
    <b
      className={
        stands === 'to do'
          ? 'text-soft'
          : 'rounded-lg border-2 border-dashed border-brass-fill bg-brass-wash px-2 text-brass'
      }
    >
      {standingWords(stands)}
    </b>
  );
}

function standingWords(stands: 'to do' | 'once more' | 'ready') {
  if (stands === 'to do') return 'to do';
  if (stands === 'ready') return 'dry';
  return 'once more';
}

function TaskWords({ task, stands }: { task: CaseTask; stands: TaskStands }) {
  const { what, product, origin, donorName, times, waitHours, note } = task;
  return (
    <span className="min-w-56 flex-1">
      <b className="block text-lg">
        {what}
        {times > 1 && (
          <span className="font-normal text-soft">
            , {task.log.length} of {times}
          </span>
        )}
      </b>
      <span className="block text-soft">
        {[product, origin, donorName, waitHours > 0 && `${waitHours} h after ${times > 1 ? 'each' : 'it'}`, note]
          .filter(Boolean)
          .join(', ')}
      </span>
      {stands !== 'done' && taskCaution(what) && (
        <span className="mt-1 block border-l-4 border-brass-fill pl-2 text-sm">{taskCaution(what)}</span>
      )}
      {task.log.length > 0 && (
        <span className="block text-sm text-soft">
          {task.log.map((l) => `${l.by}, ${dayTime(l.at)}`).join('; ')}
          {task.doneAt && `. Done by ${task.doneBy}`}
        </span>
      )}
    </span>
  );
}

function TaskTools({
  task,
  setAsking,
  did,
  stands,
  onEdit,
}: {
  task: CaseTask;
  setAsking: (next: boolean) => void;
  did: ReturnType<typeof useCommand<typeof api.casework.setTime>>;
  stands: TaskStands;
  onEdit: () => void;
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, taskId: task.id };
  const { what, times, once } = task;
  const end = useCommand(api.casework.setDone, { what: task.what });
  const remove = useTakeOut(api.casework.remove, 'Task');
  const press = () => {
    if (once && task.log.length === 0) setAsking(true);
    else did.mutate({ params, body: { did: true, version: task.version } });
  };
  return (
    <span className="flex flex-wrap items-center gap-2">
      {stands === 'done' ? (
        <Button onClick={() => end.mutate({ params, body: { done: false } })}>Take it up again</Button>
      ) : (
        <>
          {stands !== 'ready' && stands !== 'waiting' && (
            <Button variant="main" busy={did.isPending} onClick={press}>
              {times > 1 ? `Coat or time ${task.log.length + 1}` : 'Did it'}
            </Button>
          )}
          {task.log.length > 0 && (
            <Button
              variant={stands === 'ready' ? 'main' : 'quiet'}
              busy={end.isPending}
              onClick={() => end.mutate({ params, body: { done: true } })}
            >
              Done
            </Button>
          )}
          <Button aria-label={`Correct ${what}`} onClick={onEdit}>
            <Pencil className="size-5" aria-hidden />
          </Button>
          {task.log.length === 0 && (
            <Button variant="plain" aria-label={`Take out: ${what}`} onClick={() => remove({ params })}>
              <Trash2 className="size-5" aria-hidden />
            </Button>
          )}
        </>
      )}
    </span>
  );
}

function SureSheet({
  setAsking,
  did,
  task,
}: {
  setAsking: (next: boolean) => void;
  did: ReturnType<typeof useCommand<typeof api.casework.setTime>>;
  task: CaseTask;
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, taskId: task.id };
  const { what } = task;
  return (
    <Sheet
      open
      onClose={() => setAsking(false)}
      title={`${what}: it cannot be undone`}
      description="What is sanded, stained, refinished, silvered or drilled does not come back."
    >
      <p className="text-lg">
        {visit.notWanted ? (
          <>
            The owner does not want: <b>{visit.notWanted}</b>.
          </>
        ) : (
          'The owner’s yes comes first: is it agreed?'
        )}
      </p>
      <div className="mt-4 flex gap-3">
        <Button
          variant="danger"
          busy={did.isPending}
          onClick={() => did.mutate({ params, body: { did: true, version: task.version } })}
        >
          It is agreed, and done
        </Button>
        <Button variant="plain" onClick={() => setAsking(false)}>
          Not yet
        </Button>
      </div>
    </Sheet>
  );
}
