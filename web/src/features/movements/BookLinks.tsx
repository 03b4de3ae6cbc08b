import { Download } from 'lucide-react';
import { Link } from 'react-router';
import { buttonClass } from '../../ui/Button.tsx';

/** The visit that a book is open for now, if there is one. */
export const InTheShop = ({ visit }: { visit: { visitId: string; claim: string } | null }) =>
  visit && (
    <Link to={`/visits/${visit.visitId}`} className={buttonClass('main')}>
      In the shop now: {visit.claim}
    </Link>
  );

/** The book as a file. @param of address of the book, from /api/ on @param says what is in it */
export const BookFile = ({ of, says }: { of: string; says: string }) => (
  <a className={buttonClass('quiet')} href={`/api/${of}/book.zip`} download title={says}>
    <Download className="size-5" aria-hidden />
    Book file
  </a>
);
