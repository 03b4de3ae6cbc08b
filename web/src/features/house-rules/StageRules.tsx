import type { Visit } from '@eclat/contract';
import { held, rulesFor, type RuleQuestion } from '@eclat/core/rules';
import type { StageId } from '@eclat/core/workflow';
import { Scale } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Question } from './HouseRulesScreen.tsx';

/** The house rules of this stage as they hold for this clock, and where it differs, why. */
export default function StageRules({ visit, stage }: { visit: Visit; stage: StageId | undefined }) {
  const [open, setOpen] = useState<RuleQuestion | null>(null);
  const list = stage ? rulesFor(stage) : [];
  return (
    <>
      {list.length === 0 && <p className="text-soft">No house rule is asked here.</p>}
      <ul>
        {list.map((r) => {
          const differs = visit.rules.differs.find((d) => d.question === r.id);
          const school = held(r.id, visit.rules.held);
          return (
            <li key={r.id} className="flex items-start justify-between gap-3 border-t border-line py-2">
              <span className="min-w-0">
                <span className="text-soft">{r.asks}</span> <b>{school.name}</b>
                {differs && (
                  <span className="block font-semibold text-brass">
                    differs here: {differs.reason} <span className="font-normal text-soft">{differs.by}</span>
                  </span>
                )}
              </span>
              {!visit.closedAt && (
                <Button
                  variant="plain"
                  className="-my-1 shrink-0"
                  aria-label={`Set for this clock: ${r.asks}`}
                  onClick={() => setOpen(r)}
                >
                  <Scale className="size-5" aria-hidden />
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      <Link className="inline-flex min-h-12 items-center font-semibold text-steel underline" to="/rules">
        All house rules
      </Link>
      {open && <Differ visit={visit} rule={open} onClose={() => setOpen(null)} />}
    </>
  );
}

function Differ({ visit, rule, onClose }: { visit: Visit; rule: RuleQuestion; onClose: () => void }) {
  const differs = visit.rules.differs.find((d) => d.question === rule.id);
  const [school, setSchool, forgetSchool] = useKept<string>(
    `differs.${visit.id}.${rule.id}.school`,
    held(rule.id, visit.rules.held).id,
  );
  const [reason, setReason, forgetReason] = useKept(`differs.${visit.id}.${rule.id}`, differs?.reason ?? '');
  const params = { visitId: visit.id, question: rule.id };
  const sent = () => (forgetSchool(), forgetReason(), onClose());
  const set = useCommand(api.houseRules.differ, { what: 'House rule', onSent: sent });
  const keep = useCommand(api.houseRules.keep, { what: 'House rule', onSent: sent });
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="For this clock only"
      description="The house rule itself stays as it is. The reason is kept with the visit."
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          set.mutate({ params, body: { school, reason } });
        }}
      >
        <Question rule={rule} chosen={school} disabled={false} onChoose={setSchool} />
        <TextField label="The reason" value={reason} maxLength={300} onChange={(e) => setReason(e.target.value)} />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" variant="main" disabled={reason.trim() === ''} busy={set.isPending}>
            Set for this clock
          </Button>
          {differs && <Button onClick={() => keep.mutate({ params })}>Follow the house rule</Button>}
        </div>
      </form>
    </Sheet>
  );
}
