import type { CaseTask } from '@eclat/contract';
import { CASE_PLACES, taskStands, type TaskStands } from '@eclat/core/casework';
import { byCount } from '@eclat/core/units';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { BigAction } from '../../ui/BigAction.tsx';
import { Button } from '../../ui/Button.tsx';
import { countdown } from '../../ui/dates.ts';
import { Sortable } from '../../ui/Sortable.tsx';
import { useNow } from '../../ui/useNow.ts';
import { Decisions } from '../conservation/Decisions.tsx';
import { Missing } from '../reception/Missing.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { TaskForm } from './TaskForm.tsx';
import { TaskRow, type Beside } from './TaskRow.tsx';

const FIRST: TaskStands[] = ['once more', 'ready', 'to do', 'waiting', 'done'];

/** What is done to case, dial and glass, with its waits, beside the work on the movement. */
export function CaseworkScreen() {
  const visit = useThisVisit();
  const now = useNow();
  const [adding, setAdding] = useState(false);
  const [editing, setEditing] = useState<string | null>(null);
  const at = (t: CaseTask) => taskStands(t, now);
  return (
    <>
      <CaseworkAnswer at={at} now={now} />
      {CASE_PLACES.map((place) => {
        const tasks = visit.casework
          .filter((t) => t.place === place)
          .sort((a, b) => FIRST.indexOf(at(a)) - FIRST.indexOf(at(b)));
        return tasks.length === 0 ? null : (
          <Panel key={place} title={<span className="first-letter:uppercase inline-block">{place}</span>}>
            <Tasks tasks={tasks} now={now} editing={editing} setEditing={setEditing} />
          </Panel>
        );
      })}
      {!visit.closedAt && (adding || visit.casework.length === 0) && (
        <Panel title={adding ? 'New task' : 'Tasks'}>
          {adding ? (
            <TaskForm task={null} onClose={() => setAdding(false)} />
          ) : (
            <Empty>
              Joints glued, finish renewed, glass fitted: each with its product, its coats and its time to dry.
            </Empty>
          )}
        </Panel>
      )}
      <Decisions />
      <Missing short />
      {!visit.closedAt && !adding && (
        <BigAction>
          <Button variant="main" aria-label="Add a task" className="whitespace-nowrap" onClick={() => setAdding(true)}>
            <span>
              <span className="max-sm:hidden">Add a task</span>
              <span className="sm:hidden">Task</span>
            </span>
          </Button>
        </BigAction>
      )}
    </>
  );
}

/** What is still to do stands in the order it is to be done, and that is the person's. */
function Tasks({
  tasks,
  now,
  editing,
  setEditing,
}: {
  tasks: CaseTask[];
  now: number;
  editing: string | null;
  setEditing: (id: string | null) => void;
}) {
  const visit = useThisVisit();
  const moving = useCommand(api.casework.move, { what: 'Task' });
  const move = (task: CaseTask, where: CaseTask) =>
    moving.mutate({
      params: { visitId: visit.id, taskId: task.id },
      body: { position: visit.casework.findIndex((t) => t.id === where.id) },
    });
  const todo = tasks.filter((t) => taskStands(t, now) === 'to do');
  return (
    <Sortable rows={tasks} nameOf={(t) => t.what} busy={moving.isPending} onMove={move}>
      {(sorted) => (
        <ul className="divide-y divide-line">
          {sorted.map((t) =>
            editing === t.id ? (
              <li key={t.id} className="py-4">
                <TaskForm task={t} onClose={() => setEditing(null)} />
              </li>
            ) : (
              <TaskRow
                key={t.id}
                task={t}
                now={now}
                onEdit={() => setEditing(t.id)}
                beside={todo.length > 1 && todo.includes(t) ? besides(todo, t) : null}
                onMove={(where) => move(t, where)}
              />
            ),
          )}
        </ul>
      )}
    </Sortable>
  );
}

/** Those before and after it. */
const besides = (tasks: readonly CaseTask[], task: CaseTask): Beside => {
  const at = tasks.indexOf(task);
  return { before: tasks[at - 1], after: tasks[at + 1] };
};

function CaseworkAnswer({ at, now }: { at: (t: CaseTask) => TaskStands; now: number }) {
  const visit = useThisVisit();
  const of = (s: TaskStands) => visit.casework.filter((t) => at(t) === s);
  const [ready, todo, waiting] = [[...of('once more'), ...of('ready')], of('to do'), of('waiting')];
  const soonest = waiting.map((t) => Date.parse(t.waitEndsAt!)).sort((a, b) => a - b)[0];
  if (ready.length > 0)
    return (
      <Answer tone="due" title={`Dry: ${ready.map((t) => t.what.toLowerCase()).join(', ')}`}>
        Go on with {byCount(ready.length, 'it', 'them')}; the movement need not wait for this.
      </Answer>
    );
  if (waiting.length > 0)
    return (
      <Answer tone="info" title={`Waiting: ${countdown(soonest! - now)} more`}>
        {todo.length > 0 ? `${todo.length} more to do.` : 'The work on the movement goes on meanwhile.'}
      </Answer>
    );
  if (todo.length > 0)
    return (
      <Answer tone="info" title={`${todo.length} to do on case, dial and glass`}>
        These go beside the work on the movement.
      </Answer>
    );
  return (
    <Answer
      tone="good"
      title={
        visit.casework.length > 0 ? 'Case, dial and glass are done' : 'Nothing is to be done to case, dial or glass'
      }
    />
  );
}
