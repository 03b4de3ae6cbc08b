import { TEMPORARY_ENDS, TEMPORARY_KINDS } from '@eclat/contract/strip';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Kind = (typeof TEMPORARY_KINDS)[number];
const SAYS = {
  'put in': {
    title: 'Comes out again before it leaves',
    label: 'What was put in for now',
    usual: ['tie', 'jumper', 'packing', 'ink'],
  },
  'not final': {
    title: 'Not final yet',
    label: 'What is not final',
    usual: ['nuts finger-tight', 'hands not pinned', 'beat set roughly', 'hammer set roughly'],
  },
} as const satisfies Record<Kind, object>;

/**
 * Retainers, ties, packing, ink: each is taken out again or declared before signing. What is finger-tight, or set only
 * roughly: each is made final.
 */
export function Temporary() {
  return TEMPORARY_KINDS.map((kind) => <Register key={kind} kind={kind} />);
}

function Register({ kind }: { kind: Kind }) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const { title, label, usual } = SAYS[kind];
  const [what, setWhat] = useKept(`temporary.${kind}.${visit.id}`, '');
  const add = useCommand(api.strip.addTemporary, { what: title, labels: { what: label } });
  const end = useCommand(api.strip.endTemporary, { what: title });
  const all = visit.strip.temporary.filter((t) => t.kind === kind);
  const standing = all.filter((t) => t.ended === null);
  const note = (said: string) => add.mutate({ params, body: { what: said, kind } });
  return (
    <Fold
      title={title}
      says={standing.length > 0 && standing.length}
      open={kind === 'not final' && standing.length > 0}
    >
      <ul className="divide-y divide-line">
        {all.map((t) => (
          <li key={t.id} className="flex flex-col gap-1 py-2">
            <b>{t.what}</b>
            <Choice
              hideLabel
              label={`${t.what} is`}
              value={t.ended ?? ''}
              disabled={visit.closedAt !== null}
              onChange={(ended) => end.mutate({ params: { ...params, temporaryId: t.id }, body: { ended } })}
              onClear={() => end.mutate({ params: { ...params, temporaryId: t.id }, body: { ended: null } })}
              options={TEMPORARY_ENDS[kind].map((e) => [e, e] as const)}
            />
          </li>
        ))}
      </ul>
      {!visit.closedAt && (
        <>
          <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label={`Usually: ${title.toLowerCase()}`}>
            {usual
              .filter((u) => !standing.some((t) => t.what === u))
              .map((u) => (
                <Button key={u} onClick={() => note(u)}>
                  {u}
                </Button>
              ))}
          </div>
          <form
            className="mt-2 flex items-end gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              if (what.trim() === '') return;
              note(what.trim());
              setWhat('');
            }}
          >
            <TextField
              className="flex-1"
              label={label}
              maxLength={120}
              value={what}
              onChange={(e) => setWhat(e.target.value)}
            />
            <Button type="submit" disabled={what.trim() === ''} busy={add.isPending}>
              Note it
            </Button>
          </form>
        </>
      )}
    </Fold>
  );
}
