import { FileText, QrCode } from 'lucide-react';
import { Checks, leftOf } from '../setup/Checks.tsx';
import { Answer } from '../ui/Answer.tsx';
import { PaperLink } from '../visit/Papers.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';

/** On site: where it stands, set going, and shown to the owner. Signed afterwards, so that the record has it. */
export function Component() {
  const visit = useThisVisit();
  const { open, failed } = leftOf(visit, 'deliver');
  return (
    <>
      <Answer tone={failed.length > 0 ? 'danger' : open.length === 0 ? 'good' : 'info'} title={failed.length > 0 ? `Not right yet: ${failed.map((c) => c.what).join('; ')}` : open.length === 0 ? 'Delivered and shown' : `Next: ${open[0]!.what}`}>
        {visit.closedAt ? 'This visit is closed.' : open.length > 0 ? `${open.length} to look at where it stands. Sign when it is delivered; a clock that is fetched from the shop needs none of this.` : 'Sign it now.'}
      </Answer>
      <div className="no-print flex flex-wrap gap-3"><PaperLink paper="return"><FileText className="size-5" aria-hidden />Return sheet</PaperLink><PaperLink paper="slip"><QrCode className="size-5" aria-hidden />Slip for inside the case</PaperLink></div>
      <Checks place="deliver" title="On site" />
    </>
  );
}
