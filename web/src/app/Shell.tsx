import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { sessionQuery } from '../data/queries.ts';
import { Failed, Loading } from '../ui/Answer.tsx';
import { SignedIn } from './SignedIn.tsx';

const SignIn = lazy(() => import('../features/people/SignIn.tsx'));
const FirstRun = lazy(() => import('../features/people/FirstRun.tsx'));

/** Who is here decides what is shown: nobody yet, a new shop, or the shop at work. */
export function Shell() {
  const { data, error } = useQuery(sessionQuery);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="Eclat" />;
  if (data.person) return <SignedIn person={data.person} shop={data.shop ?? ''} />;
  return (
    <Suspense fallback={<Loading what="Eclat" />}>
      {data.firstRun ? <FirstRun /> : <SignIn shop={data.shop ?? ''} demo={data.demo} />}
    </Suspense>
  );
}
