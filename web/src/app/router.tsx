import { useEffect, useState } from 'react';
import { createBrowserRouter, isRouteErrorResponse, Link, useRouteError } from 'react-router';
import { Answer, Loading } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { Shell } from './Shell.tsx';

/**
 * A screen's script that did not come: the server is away, or it was updated while this page was open. The address is
 * the one that was pressed: it is shown as soon as the server answers.
 */
function NotFetched() {
  const [away, setAway] = useState<boolean | null>(null);
  useEffect(() => {
    let over = false;
    const ask = async () => {
      const there = await fetch('/', { method: 'HEAD', cache: 'no-store' }).then(
        (r) => r.ok,
        () => false,
      );
      if (over) return;
      // It was away and is back: what was pressed is made now.
      if (there && wasAway) window.location.reload();
      wasAway ||= !there;
      setAway(!there);
    };
    let wasAway = false;
    void ask();
    const timer = setInterval(() => void ask(), ASK_AGAIN_MS);
    return () => {
      over = true;
      clearInterval(timer);
    };
  }, []);
  if (away === null) return <Loading what="this screen" />;
  return (
    <div className="mx-auto max-w-3xl p-8">
      <Answer
        tone="due"
        title={
          away ? 'The server is away: this screen comes when it is back' : 'Eclat was updated while this page was open'
        }
      >
        <p>{away ? 'What you typed is kept.' : 'Load it again: what you typed is kept.'}</p>
        <Button variant="main" className="mt-3" onClick={() => window.location.reload()}>
          Load again
        </Button>
      </Answer>
    </div>
  );
}
const ASK_AGAIN_MS = 2_000;

function Broken() {
  const error = useRouteError();
  const missing = isRouteErrorResponse(error) && error.status === 404;
  if (/dynamically imported module/i.test((error as Error | undefined)?.message ?? '')) return <NotFetched />;
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
    lazy: () => import('../features/owner-page/OwnerPageScreen.tsx').then((m) => ({ Component: m.OwnerPageScreen })),
  },
  {
    element: <Shell />,
    HydrateFallback,
    errorElement: <Broken />,
    children: [
      {
        index: true,
        handle: { title: 'Bench' },
        lazy: () => import('../features/bench/BenchScreen.tsx').then((m) => ({ Component: m.BenchScreen })),
      },
      {
        path: 'intake',
        handle: { title: 'Take a clock in' },
        lazy: () => import('../features/reception/IntakeScreen.tsx').then((m) => ({ Component: m.IntakeScreen })),
      },
      {
        path: 'movements',
        handle: { title: 'Movement books' },
        lazy: () => import('../features/movements/MovementsScreen.tsx').then((m) => ({ Component: m.MovementsScreen })),
      },
      {
        path: 'movements/:movementId',
        lazy: () => import('../features/movements/BookScreen.tsx').then((m) => ({ Component: m.BookScreen })),
      },
      {
        path: 'clocks/:clockId',
        lazy: () => import('../features/movements/ClockScreen.tsx').then((m) => ({ Component: m.ClockScreen })),
      },
      {
        path: 'movements/:movementId/description',
        lazy: () =>
          import('../features/movements/description/DescriptionScreen.tsx').then((m) => ({
            Component: m.DescriptionOfBook,
          })),
      },
      {
        path: 'workings',
        handle: { title: 'Workings' },
        lazy: () => import('../features/workings/WorkingsScreen.tsx').then((m) => ({ Component: m.WorkingsScreen })),
      },
      {
        path: 'measure-photo',
        handle: { title: 'Measure on a photo' },
        lazy: () => import('../features/photos/MeasureScreen.tsx').then((m) => ({ Component: m.MeasureScreen })),
      },
      {
        path: 'workings/checks',
        handle: { title: 'What the workings are checked against' },
        lazy: () =>
          import('../features/workings/WorkingChecksScreen.tsx').then((m) => ({ Component: m.WorkingChecksScreen })),
      },
      {
        path: 'workings/:working',
        lazy: () => import('../features/workings/WorkingScreen.tsx').then((m) => ({ Component: m.WorkingScreen })),
      },
      {
        path: 'rules',
        handle: { title: 'House rules' },
        lazy: () =>
          import('../features/house-rules/HouseRulesScreen.tsx').then((m) => ({ Component: m.HouseRulesScreen })),
      },
      {
        path: 'causes',
        handle: { title: 'Causes and counts' },
        lazy: () => import('../features/diagnosis/CausesScreen.tsx').then((m) => ({ Component: m.CausesScreen })),
      },
      {
        path: 'compare/:movementId',
        handle: { title: 'Compare' },
        lazy: () => import('../features/movements/CompareScreen.tsx').then((m) => ({ Component: m.CompareScreen })),
      },
      {
        path: 'stores',
        handle: { title: 'Stores' },
        lazy: () => import('../features/stores/StoresScreen.tsx').then((m) => ({ Component: m.StoresScreen })),
      },
      {
        path: 'wanted',
        handle: { title: 'Wanted' },
        lazy: () => import('../features/reception/WantedScreen.tsx').then((m) => ({ Component: m.WantedScreen })),
      },
      {
        path: 'listen',
        handle: { title: 'Listen to a clock' },
        lazy: () => import('../features/listening/ListenScreen.tsx').then((m) => ({ Component: m.ListenScreen })),
      },
      {
        path: 'on-test',
        handle: { title: 'On test' },
        lazy: () => import('../features/test-run/OnTestScreen.tsx').then((m) => ({ Component: m.OnTestScreen })),
      },
      {
        path: 'which',
        handle: { title: 'Which clock is this?' },
        lazy: () => import('../features/bench/WhichScreen.tsx').then((m) => ({ Component: m.WhichScreen })),
      },
      {
        path: 'timers',
        handle: { title: 'Timers' },
        lazy: () => import('../features/bench/TimersScreen.tsx').then((m) => ({ Component: m.TimersScreen })),
      },
      {
        path: 'after',
        handle: { title: 'Aftercare' },
        lazy: () => import('../features/aftercare/AftercareScreen.tsx').then((m) => ({ Component: m.AftercareScreen })),
      },
      {
        path: 'learn-strike',
        handle: { title: 'How striking works, and fails' },
        lazy: () =>
          import('../features/strike/StrikeModelScreen.tsx').then((m) => ({ Component: m.StrikeModelScreen })),
      },
      {
        path: 'baths',
        handle: { title: 'Bath book' },
        lazy: () => import('../features/cleaning/BathBookScreen.tsx').then((m) => ({ Component: m.BathBookScreen })),
      },
      {
        path: 'calendar',
        handle: { title: 'Calendar' },
        lazy: () => import('../features/calendar/CalendarScreen.tsx').then((m) => ({ Component: m.CalendarScreen })),
      },
      {
        path: 'account',
        handle: { title: 'My account' },
        lazy: () => import('../features/people/AccountScreen.tsx').then((m) => ({ Component: m.AccountScreen })),
      },
      {
        path: 'keys',
        handle: { title: 'Keys' },
        lazy: () => import('./KeysScreen.tsx').then((m) => ({ Component: m.KeysScreen })),
      },
      {
        path: 'people',
        handle: { title: 'People' },
        lazy: () => import('../features/people/PeopleScreen.tsx').then((m) => ({ Component: m.PeopleScreen })),
      },
      {
        path: 'visits/:visitId',
        lazy: () => import('../features/visit/VisitFrame.tsx').then((m) => ({ Component: m.VisitFrame })),
        children: [
          {
            index: true,
            lazy: () => import('../features/visit/NextStage.tsx').then((m) => ({ Component: m.NextStage })),
          },
          {
            path: 'intake',
            lazy: () =>
              import('../features/reception/ReceivedScreen.tsx').then((m) => ({ Component: m.ReceivedScreen })),
          },
          {
            path: 'assess',
            lazy: () =>
              import('../features/assessment/AssessmentScreen.tsx').then((m) => ({ Component: m.AssessmentScreen })),
          },
          {
            path: 'diagnose',
            lazy: () =>
              import('../features/diagnosis/DiagnosisScreen.tsx').then((m) => ({ Component: m.DiagnosisScreen })),
          },
          {
            path: 'agree',
            lazy: () =>
              import('../features/agreement/AgreementScreen.tsx').then((m) => ({ Component: m.AgreementScreen })),
          },
          {
            path: 'power',
            lazy: () =>
              import('../features/power-down/PowerDownScreen.tsx').then((m) => ({ Component: m.PowerDownScreen })),
          },
          {
            path: 'strip',
            lazy: () => import('../features/strip/StripScreen.tsx').then((m) => ({ Component: m.StripScreen })),
          },
          {
            path: 'clean',
            lazy: () =>
              import('../features/cleaning/CleaningScreen.tsx').then((m) => ({ Component: m.CleaningScreen })),
          },
          {
            path: 'survey',
            lazy: () => import('../features/survey/SurveyScreen.tsx').then((m) => ({ Component: m.SurveyScreen })),
          },
          {
            path: 'fit',
            lazy: () => import('../features/fitting/FittingScreen.tsx').then((m) => ({ Component: m.FittingScreen })),
          },
          {
            path: 'case',
            lazy: () =>
              import('../features/casework/CaseworkScreen.tsx').then((m) => ({ Component: m.CaseworkScreen })),
          },
          {
            path: 'units',
            lazy: () =>
              import('../features/sub-assemblies/SubAssembliesScreen.tsx').then((m) => ({
                Component: m.SubAssembliesScreen,
              })),
          },
          {
            path: 'description',
            lazy: () =>
              import('../features/movements/description/DescriptionScreen.tsx').then((m) => ({
                Component: m.DescriptionOfVisit,
              })),
          },
          {
            path: 'electric',
            lazy: () => import('../features/benches/ElectricScreen.tsx').then((m) => ({ Component: m.ElectricScreen })),
          },
          {
            path: 'weights',
            lazy: () => import('../features/benches/TableScreens.tsx').then((m) => ({ Component: m.WeightsScreen })),
          },
          {
            path: 'recorder',
            lazy: () => import('../features/benches/TableScreens.tsx').then((m) => ({ Component: m.RecorderScreen })),
          },
          {
            path: 'balance',
            lazy: () => import('../features/benches/TableScreens.tsx').then((m) => ({ Component: m.BalanceScreen })),
          },
          {
            path: 'alarm',
            lazy: () => import('../features/benches/TableScreens.tsx').then((m) => ({ Component: m.AlarmScreen })),
          },
          {
            path: 'outputs',
            lazy: () => import('../features/benches/TableScreens.tsx').then((m) => ({ Component: m.OutputsScreen })),
          },
          {
            path: 'strike-set-up',
            lazy: () =>
              import('../features/benches/TableScreens.tsx').then((m) => ({ Component: m.StrikeSetUpScreen })),
          },
          {
            path: 'torsion',
            lazy: () => import('../features/benches/TorsionScreen.tsx').then((m) => ({ Component: m.TorsionScreen })),
          },
          {
            path: 'replace',
            lazy: () =>
              import('../features/replacement/ReplacementScreen.tsx').then((m) => ({ Component: m.ReplacementScreen })),
          },
          {
            path: 'listen',
            lazy: () => import('../features/listening/ListenScreen.tsx').then((m) => ({ Component: m.ListenScreen })),
          },
          {
            path: 'strike',
            lazy: () => import('../features/strike/StrikeScreen.tsx').then((m) => ({ Component: m.StrikeScreen })),
          },
          {
            path: 'deliver',
            lazy: () =>
              import('../features/delivery/DeliveryScreen.tsx').then((m) => ({ Component: m.DeliveryScreen })),
          },
          {
            path: 'assemble',
            lazy: () =>
              import('../features/assembly/AssemblyScreen.tsx').then((m) => ({ Component: m.AssemblyScreen })),
          },
          {
            path: 'oil',
            lazy: () => import('../features/oiling/OilingScreen.tsx').then((m) => ({ Component: m.OilingScreen })),
          },
          {
            path: 'run',
            lazy: () => import('../features/test-run/TestRunScreen.tsx').then((m) => ({ Component: m.TestRunScreen })),
          },
          {
            path: 'sign',
            lazy: () => import('../features/signing/SigningScreen.tsx').then((m) => ({ Component: m.SigningScreen })),
          },
        ],
      },
    ],
  },
]);
