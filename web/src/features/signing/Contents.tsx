import { api } from '../../data/api.ts';
import { serviceRecord } from '@eclat/core/history';
import { sectionsOf } from '@eclat/core/record';
import { FileText, QrCode } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useCommand } from '../../data/useCommand.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Tick } from '../../ui/Field.tsx';
import { SectionsOf } from '../movements/SectionsOf.tsx';
import { RecordOf } from '../movements/RecordOf.tsx';
import { DocumentLink } from '../documents/Documents.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What the entry will say, before it is signed. */
export function Contents({ note = '', waiver = '' }: { note?: string; waiver?: string }) {
  const visit = useThisVisit();
  const [all, setAll] = useState(false);
  const sections = useMemo(() => sectionsOf(visit), [visit]);
  return (
    <Panel
      title="What goes into the movement’s history"
      aside={
        <Button variant="plain" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'In short' : 'All of it'}
        </Button>
      }
    >
      <RecordOf
        record={serviceRecord(visit, new Date(visit.closedAt ?? Date.now()), waiver, note)}
        sections={sections}
      />
      {note && <p className="mt-2 text-lg">{note}</p>}
      {all && <SectionsOf sections={sections} />}
    </Panel>
  );
}

/** Each thing that came is ticked as it goes home; what was declined stands beside it. */
export function GoesHome() {
  const visit = useThisVisit();
  const give = useCommand(api.reception.returnReceived, { what: 'Thing received' });
  const declined = visit.agreement.lines.filter((l) => l.state === 'declined');
  return (
    <Panel
      title="Goes home with it"
      aside={
        <span className="flex flex-wrap gap-2">
          <DocumentLink document="return">
            <FileText className="size-5" aria-hidden />
            Return sheet
          </DocumentLink>
          <DocumentLink document="slip">
            <QrCode className="size-5" aria-hidden />
            Slip for inside
          </DocumentLink>
        </span>
      }
    >
      {visit.received.length === 0 ? (
        <Empty>Nothing came with it.</Empty>
      ) : (
        visit.received.map((r) => (
          <Tick
            key={r.id}
            label={`${r.count > 1 ? `${r.count} × ` : ''}${r.what}${r.condition ? `, ${r.condition}` : ''}`}
            checked={r.returnedAt !== null}
            onChange={(e) =>
              give.mutate({ params: { visitId: visit.id, receivedId: r.id }, body: { returned: e.target.checked } })
            }
          />
        ))
      )}
      {declined.length > 0 && (
        <p className="mt-2">
          Declined, and left as it was: <b>{declined.map((l) => l.what).join('; ')}</b>
        </p>
      )}
    </Panel>
  );
}
