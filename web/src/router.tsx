import { createBrowserRouter, isRouteErrorResponse, Link, useRouteError } from 'react-router';
import { Answer, Loading } from './ui/Answer.tsx';
import { Button } from './ui/Button.tsx';
import { Shell } from './Shell.tsx';

function Broken() {
  const error = useRouteError();
  const missing = isRouteErrorResponse(error) && error.status === 404;
  // A screen's script that is gone: the server was updated while this page was open.
  if (/dynamically imported module/i.test((error as Error | undefined)?.message ?? ''))
    return (
      <div className="mx-auto max-w-3xl p-8">
        <Answer tone="due" title="Eclat was updated while this page was open">
          <p>Load it again: what you typed is kept.</p>
          <Button look="main" className="mt-3" onClick={() => window.location.reload()}>
            Load again
          </Button>
        </Answer>
      </div>
    );
  return (
    <div className="mx-auto max-w-3xl p-8">
      <Answer tone="danger" title={missing ? 'There is nothing at this address' : 'This screen could not be shown'}>
        {missing ? null : <p>{(error as Error | undefined)?.message ?? 'Reload the page. What you typed is kept.'}</p>}
        <p className="mt-2">
          <Link className="font-semibold underline" to="/">
            To the bench
          </Link>
        </p>
      </Answer>
    </div>
  );
}

const HydrateFallback = () => <Loading what="Eclat" />;

/** Each screen is a piece of its own: the first one loads without the others. */
export const router = createBrowserRouter([
  // The owner's page stands by itself: nobody is signed in there.
  {
    path: 'for-owner/:token',
    HydrateFallback,
    errorElement: <Broken />,
    lazy: () => import('./forowner/OwnerPage.tsx'),
  },
  {
    element: <Shell />,
    HydrateFallback,
    errorElement: <Broken />,
    children: [
      { index: true, lazy: () => import('./bench/Bench.tsx') },
      { path: 'intake', lazy: () => import('./intake/Intake.tsx') },
      { path: 'movements', lazy: () => import('./movements/Movements.tsx') },
      { path: 'movements/:movementId', lazy: () => import('./movements/Book.tsx') },
      { path: 'workings', lazy: () => import('./workings/Workings.tsx') },
      { path: 'workings/checks', lazy: () => import('./workings/Checks.tsx') },
      { path: 'workings/:working', lazy: () => import('./workings/WorkingPage.tsx') },
      { path: 'rules', lazy: () => import('./rules/Rules.tsx') },
      { path: 'causes', lazy: () => import('./diagnose/Causes.tsx') },
      { path: 'compare/:movementId', lazy: () => import('./movements/Compare.tsx') },
      { path: 'stores', lazy: () => import('./stores/Stores.tsx') },
      { path: 'listen', lazy: () => import('./listen/Listen.tsx') },
      { path: 'on-test', lazy: () => import('./run/OnTest.tsx') },
      { path: 'after', lazy: () => import('./after/After.tsx') },
      { path: 'learn-strike', lazy: () => import('./strike/Learn.tsx') },
      { path: 'baths', lazy: () => import('./clean/BathBook.tsx') },
      { path: 'calendar', lazy: () => import('./people/Calendar.tsx') },
      { path: 'people', lazy: () => import('./people/People.tsx') },
      {
        path: 'visits/:visitId',
        lazy: () => import('./visit/VisitFrame.tsx'),
        children: [
          { index: true, lazy: () => import('./visit/ToNext.tsx') },
          { path: 'intake', lazy: () => import('./intake/Received.tsx') },
          { path: 'assess', lazy: () => import('./assess/Assess.tsx') },
          { path: 'diagnose', lazy: () => import('./diagnose/Diagnose.tsx') },
          { path: 'agree', lazy: () => import('./agree/Agree.tsx') },
          { path: 'power', lazy: () => import('./power/PowerDown.tsx') },
          { path: 'strip', lazy: () => import('./strip/Strip.tsx') },
          { path: 'clean', lazy: () => import('./clean/Clean.tsx') },
          { path: 'survey', lazy: () => import('./survey/Survey.tsx') },
          { path: 'fit', lazy: () => import('./fit/Fit.tsx') },
          { path: 'case', lazy: () => import('./casework/Casework.tsx') },
          { path: 'electric', lazy: () => import('./electric/ElectricBench.tsx') },
          { path: 'replace', lazy: () => import('./replace/Replace.tsx') },
          { path: 'listen', lazy: () => import('./listen/Listen.tsx') },
          { path: 'strike', lazy: () => import('./strike/Strike.tsx') },
          { path: 'deliver', lazy: () => import('./deliver/Deliver.tsx') },
          { path: 'assemble', lazy: () => import('./assemble/Assemble.tsx') },
          { path: 'oil', lazy: () => import('./oil/Oil.tsx') },
          { path: 'run', lazy: () => import('./run/Run.tsx') },
          { path: 'sign', lazy: () => import('./sign/Sign.tsx') },
        ],
      },
    ],
  },
]);
