import type { Visit } from '@eclat/contract';
import { shapeById, termsName } from '@eclat/core/workflow';
import { lazy, useState } from 'react';
import { Late } from '../../ui/Late.tsx';

const JobSheet = lazy(() => import('./JobSheet.tsx'));

/** What is agreed; pressed, it can be changed. */
export function JobLine({ visit }: { visit: Visit }) {
  const [open, setOpen] = useState(false);
  const { shape, terms, ownStock } = visit.job;
  const words = [shapeById(shape).name, terms !== 'guaranteed' && termsName(terms), ownStock && 'shop’s own']
    .filter(Boolean)
    .join(' · ');
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label={`What is agreed: ${words}`}
        className="min-h-11 rounded-full border border-line px-4 font-semibold hover:bg-steel-wash"
        onClick={() => setOpen(true)}
      >
        {words}
      </button>
      {open && (
        <Late>
          <JobSheet visit={visit} onClose={() => setOpen(false)} />
        </Late>
      )}
    </>
  );
}
