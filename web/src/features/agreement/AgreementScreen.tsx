import type { Line } from '@eclat/contract';
import {
  hoursOf,
  priceAccepted,
  priceOfRoute,
  priceRange,
  proposedLines,
  totals,
  unanswered,
  WAYS_GIVEN,
  type ProposedLine,
} from '@eclat/core/estimate';
import { counted } from '@eclat/core/units';
import { FileText, Plus } from 'lucide-react';
import { useState } from 'react';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Worked } from '../bench-time/Worked.tsx';
import { Decisions } from '../conservation/Decisions.tsx';
import { DocumentLink } from '../documents/Documents.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { LineForm } from './LineForm.tsx';
import { LineRow } from './LineRow.tsx';
import { OwnerPageLink } from './OwnerPageLink.tsx';
import { Prices } from './Prices.tsx';
import { Promise } from './Promise.tsx';
import { Alternatives } from './Alternatives.tsx';

/** How a word was given, and by whom: said once, and taken for every line that is pressed after it. */
export interface Given {
  how: (typeof WAYS_GIVEN)[number];
  who: string;
}

/** The owner decides, line by line, before the work. */
export function AgreementScreen() {
  const visit = useThisVisit();
  const { agreement } = visit;
  const { lines, chosen, prices } = agreement;
  const [given, setGiven] = useState<Given>({ how: 'in person', who: visit.owner.name });
  return (
    <>
      <Standing />
      <Alternatives given={given} />
      <div className="grid items-start gap-5 xl:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="flex min-w-0 flex-col gap-5">
          <LinesPanel given={given} setGiven={setGiven} />
        </div>
        <div className="flex min-w-0 flex-col gap-5">
          <Promise />
          <Worked
            writtenH={hoursOf(lines, chosen?.route ?? null)}
            hourlyRate={prices.hourlyRate}
            currency={prices.currency}
          />
          <OwnerPageLink />
          <Decisions short />
        </div>
      </div>
      <StageFoot stage="agree" />
    </>
  );
}

function LinesPanel({ given, setGiven }: { given: Given; setGiven: (next: Given) => void }) {
  const visit = useThisVisit();
  const { agreement } = visit;
  const { lines, prices } = agreement;
  const [editing, setEditing] = useState<Line | ProposedLine | 'new' | null>(null);
  const amounts = totals(lines, prices.taxPercent, prices.pricesIncludeTax).lines;
  const offered = visit.closedAt
    ? []
    : proposedLines(visit.movement.traits, visit.findings, visit.holes, visit.partConditions, lines, visit.rules.held);
  return (
    <Panel
      title="The work, line by line"
      aside={
        <div className="flex flex-wrap gap-2">
          <Prices />
          <DocumentLink document="estimate">
            <FileText className="size-5" aria-hidden />
            Estimate
          </DocumentLink>
        </div>
      }
    >
      {!visit.closedAt && lines.length > 0 && (
        <div className="mb-3 grid gap-3 rounded-lg bg-sunk p-3 sm:grid-cols-[auto_minmax(0,1fr)]">
          <Choice
            label="How the owner answered"
            value={given.how}
            onChange={(how) => setGiven({ ...given, how })}
            options={WAYS_GIVEN.filter((w) => w !== 'by link').map((w) => [w, w] as const)}
          />
          <TextField label="By whom" value={given.who} onChange={(e) => setGiven({ ...given, who: e.target.value })} />
        </div>
      )}
      {lines.length === 0 && (
        <Empty>
          Each line is a piece of work with its price. The owner accepts it, declines it, or wants to be asked when it
          is reached.
        </Empty>
      )}
      <ul className="flex flex-col divide-y divide-line">
        {lines.map((l, i) => (
          <LineRow
            key={l.id}
            line={l}
            amount={`${amounts[i]!} ${prices.currency}`}
            given={given}
            onEdit={() => setEditing(l)}
          />
        ))}
      </ul>
      {offered.length > 0 && <Offered offered={offered} setEditing={setEditing} />}
      {editing ? (
        <LineForm key={keyOf(editing)} line={editing} onClose={() => setEditing(null)} />
      ) : (
        !visit.closedAt && (
          <Button
            variant={lines.length === 0 && offered.length === 0 ? 'main' : 'quiet'}
            className="mt-4"
            onClick={() => setEditing('new')}
          >
            <Plus className="size-5" aria-hidden />
            Add a line
          </Button>
        )
      )}
    </Panel>
  );
}

function keyOf(editing: 'new' | Line | ProposedLine) {
  if (editing === 'new') return 'new';
  if ('id' in editing) return editing.id;
  return editing.what;
}

function Offered({
  offered,
  setEditing,
}: {
  offered: ProposedLine[];
  setEditing: (next: 'new' | Line | ProposedLine | null) => void;
}) {
  return (
    <div className="mt-4">
      <h3 className="text-lg">Suggested by the findings</h3>
      <ul className="mt-2 flex flex-wrap gap-2">
        {offered.map((p) => (
          <li key={p.findingId ?? p.what}>
            <Button onClick={() => setEditing(p)}>
              <Plus className="size-5 shrink-0" aria-hidden />
              <span className="text-left">{p.what}</span>
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The one thing to know of the agreement: what the owner asks, chooses or answers next, and what it comes to. */
function Standing() {
  const { lines, routes, chosen, questions, prices } = useThisVisit().agreement;
  const route = chosen?.route ?? null;
  const open = unanswered(lines, route).length;
  const sum = priceAccepted(lines, route, prices);
  const money = (t: string) => `${t} ${prices.currency}`;
  const asked = questions.find((q) => q.answer === '');
  if (lines.length === 0)
    return (
      <Answer tone="info" title="Write the estimate: the owner decides before the work">
        Lines are offered from the findings and the survey.
      </Answer>
    );
  const choose = routes.length > 0 && route === null;
  const [least, most] = priceRange(
    lines,
    routes.map((r) => r.route),
    prices,
  );
  const all = priceOfRoute(lines, route, prices).withOptions.gross;
  const accepted = open > 0 ? `Accepted so far ${money(sum.gross)}; with all that is open ${money(all)}.` : '';
  const waits = choose ? `How far to go is not chosen yet: ${least} to ${money(most)}.` : accepted;
  if (asked)
    return (
      <Answer tone="due" title={`The owner asks: “${asked.text}”`}>
        {waits}
      </Answer>
    );
  if (choose)
    return (
      <Answer tone="due" title="The owner has not chosen how far to go">
        {least} to {money(most)}.
      </Answer>
    );
  if (open > 0)
    return (
      <Answer tone="due" title={`The owner has ${counted(open, 'line')} to answer`}>
        {waits}
      </Answer>
    );
  return (
    <Answer tone="good" title={`Agreed: ${money(sum.gross)}`}>
      {prices.pricesIncludeTax ? `${sum.tax} of it is tax.` : `${sum.net} and ${sum.tax} tax.`}
    </Answer>
  );
}
