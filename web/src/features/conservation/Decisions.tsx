import type { ConservationDecision } from '@eclat/contract';
import { chosenWay, unsaid, type Way } from '@eclat/core/conservation';
import { counted } from '@eclat/core/units';
import { CircleCheck, Pencil, Plus, Trash2 } from 'lucide-react';
import { lazy, useState } from 'react';
import { api } from '../../data/api.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { Late } from '../../ui/Late.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const DecisionSheet = lazy(() => import('./DecisionSheet.tsx').then((m) => ({ default: m.DecisionSheet })));

/**
 * What of an old thing is kept or changed: each with the ways considered, the one chosen, and why.
 * @param short where it stands beside other work: on one line until it is opened
 */
export function Decisions({ short = false }: { short?: boolean }) {
  const visit = useThisVisit();
  const [editing, setEditing] = useState<ConservationDecision | 'new' | null>(null);
  const all = visit.conservation;
  const open = !visit.closedAt;
  if (!open && all.length === 0) return null;
  const write = open && (
    <Button onClick={() => setEditing('new')}>
      <Plus className="size-5" aria-hidden />
      Add a decision
    </Button>
  );
  const list =
    all.length === 0 ? (
      <Empty>
        An old finish, a dial, a part of the maker’s: what could be done, what was chosen and why. Whoever opens it next
        reads it.
      </Empty>
    ) : (
      <ul className="divide-y divide-line">
        {all.map((d) => (
          <Decision key={d.id} decision={d} onEdit={() => setEditing(d)} />
        ))}
      </ul>
    );
  return (
    <>
      {short ? (
        <Fold title="Kept or changed" says={standing(all)}>
          {list}
          <div className="mt-3">{write}</div>
        </Fold>
      ) : (
        <Panel title="Kept or changed" aside={write}>
          {list}
        </Panel>
      )}
      {editing && (
        <Late>
          <DecisionSheet decision={editing === 'new' ? null : editing} onClose={() => setEditing(null)} />
        </Late>
      )}
    </>
  );
}

const standing = (all: readonly ConservationDecision[]): string => {
  const open = all.filter((d) => !chosenWay(d.ways)).length;
  if (all.length === 0) return 'nothing written';
  return open > 0 ? `${open} of ${all.length} to decide` : counted(all.length, 'decision');
};

/** What it says of coming back; nothing where it can be undone. */
const ONE_WAY = { yes: '', 'in part': 'can be undone in part', no: 'cannot be undone' } as const;

const wayWords = (w: Way) => [w.way, ONE_WAY[w.undone]].filter(Boolean).join(', ');

function Decision({ decision, onEdit }: { decision: ConservationDecision; onEdit: () => void }) {
  const visit = useThisVisit();
  const { id, about, ways, agreed } = decision;
  const remove = useTakeOut(api.conservation.remove, 'Decision');
  const chosen = chosenWay(ways);
  const others = ways.filter((w) => w !== chosen);
  const said = visit.closedAt ? [] : unsaid(ways);
  return (
    <li className="flex flex-wrap items-start gap-x-4 gap-y-1 py-3">
      <div className="min-w-48 flex-1">
        <b className="text-lg">{about}</b>
        {chosen && (
          <p className="flex items-start gap-2 font-semibold text-steel">
            <CircleCheck className="mt-0.5 size-5 shrink-0" aria-label="chosen" />
            <span>
              {wayWords(chosen)}
              {chosen.undone === 'no' && agreed && ', the owner agreed'}
              {chosen.why && <span className="font-normal text-ink">. {chosen.why}</span>}
            </span>
          </p>
        )}
        {others.length > 0 && (
          <p className="text-soft">
            {chosen ? 'Not chosen: ' : 'Considered: '}
            {others.map((w) => wayWords(w) + (w.why && ` (${w.why})`)).join('; ')}
          </p>
        )}
        {said.map((s) => (
          <p key={s} className="mt-1 border-l-4 border-brass-fill pl-2 text-sm">
            {s}
          </p>
        ))}
      </div>
      {!visit.closedAt && (
        <span className="flex gap-2">
          <Button
            variant={chosen ? 'quiet' : 'main'}
            aria-label={chosen ? `Correct ${about}` : `Decide ${about}`}
            onClick={onEdit}
          >
            {chosen ? <Pencil className="size-5" aria-hidden /> : 'Decide'}
          </Button>
          <Button
            variant="plain"
            aria-label={`Take out: ${about}`}
            onClick={() => remove({ params: { visitId: visit.id, decisionId: id } })}
          >
            <Trash2 className="size-5" aria-hidden />
          </Button>
        </span>
      )}
    </li>
  );
}
