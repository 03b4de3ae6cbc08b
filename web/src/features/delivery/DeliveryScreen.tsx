import { FileText, QrCode } from 'lucide-react';
import { Checks, leftOf } from '../assembly/Checks.tsx';
import { Answer } from '../../ui/Answer.tsx';
import { DocumentLink } from '../documents/Documents.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** On site: where it stands, set going, and shown to the owner. Before the signature, so that the record has it. */
export function DeliveryScreen() {
  return (
    <>
      <DeliveryAnswer />
      <Cautions stage="deliver" />
      <div className="no-print flex flex-wrap gap-3">
        <DocumentLink document="return">
          <FileText className="size-5" aria-hidden />
          Return sheet
        </DocumentLink>
        <DocumentLink document="slip">
          <QrCode className="size-5" aria-hidden />
          Slip for inside the case
        </DocumentLink>
      </div>
      <Checks place="deliver" title="On site" />
      <StageFoot stage="deliver" />
    </>
  );
}

function DeliveryAnswer() {
  const visit = useThisVisit();
  const { open, failed } = leftOf(visit, 'deliver');
  const left =
    `${open.length} to look at where it stands. A clock that is fetched here needs none of this: show ` +
    'it at the counter.';
  const words = open.length > 0 ? left : 'The record can be signed.';
  const said = visit.closedAt ? 'This visit is closed.' : words;
  if (failed.length > 0)
    return (
      <Answer tone="danger" title={`Not right yet: ${failed.map((c) => c.what).join('; ')}`}>
        {said}
      </Answer>
    );
  return (
    <Answer
      tone={open.length === 0 ? 'good' : 'info'}
      title={open[0] ? `Next: ${open[0].what}` : 'Delivered and shown'}
    >
      {said}
    </Answer>
  );
}
