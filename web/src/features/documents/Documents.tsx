import type { DocumentKind } from '@eclat/contract';
import type { ReactNode } from 'react';
import { buttonClass } from '../../ui/Button.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** A document as PDF, made anew from what is recorded now. */
export function DocumentLink({ document, children }: { document: DocumentKind; children: ReactNode }) {
  const visit = useThisVisit();
  return (
    <a
      className={buttonClass('quiet')}
      href={`/api/visits/${visit.id}/papers/${document}.pdf`}
      target="_blank"
      rel="noreferrer"
    >
      {children}
      <span className="sr-only"> as PDF</span>
    </a>
  );
}
