import { ArrowLeft } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { useBook } from '../../../data/queries.ts';
import { Answer, Failed, Loading } from '../../../ui/Answer.tsx';
import { useThisVisit } from '../../visit/useThisVisit.ts';
import { Describe } from './Describe.tsx';
import { TitleOf } from '../../../ui/TitleOf.tsx';

/** From a visit: the movement that is on the bench. */
export function DescriptionOfVisit() {
  const visit = useThisVisit();
  if (visit.closedAt)
    return (
      <Answer tone="info" title="This visit is signed">
        It keeps the description that it was signed under.{' '}
        <Link className="font-semibold underline" to={`/movements/${visit.movement.id}/description`}>
          How the movement is described today
        </Link>
      </Answer>
    );
  return <Describe movement={visit.movement} visitId={visit.id} />;
}

/** From its book, whether it is in the shop or not. */
export function DescriptionOfBook() {
  const { movementId } = useParams();
  const { data, error } = useBook(movementId!);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the movement" />;
  const { movement } = data;
  return (
    <div className="mx-auto flex max-w-5xl flex-col gap-5 px-4 py-5 md:px-6">
      <div>
        <Link
          to={`/movements/${movement.id}`}
          className="inline-flex min-h-11 items-center gap-2 font-semibold text-steel"
        >
          <ArrowLeft className="size-5" aria-hidden />
          {movement.code}
        </Link>
        <TitleOf screen={`Description · ${movement.name}`} />
        <h1 className="text-3xl">{movement.name}</h1>
      </div>
      <Describe movement={movement} {...(data.inTheShop && { visitId: data.inTheShop.visitId })} />
    </div>
  );
}
