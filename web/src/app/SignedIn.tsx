import type { Person } from '@eclat/contract';
import clsx from 'clsx';
import { BookOpen, Boxes, PackagePlus, Sigma, Timer } from 'lucide-react';
import { lazy, useMemo, useState } from 'react';
import { Link, NavLink, Outlet, useNavigate } from 'react-router';
import { useLive } from '../data/live.ts';
import { useOutbox } from '../data/outbox.ts';
import { Arrival } from './Arrival.tsx';
import { useKeepFocus } from './useKeepFocus.ts';
import { UnsentBar } from './UnsentBar.tsx';
import { NoticeBar } from './NoticeBar.tsx';
import { useAppState } from '../data/app-state.ts';
import { Timers } from '../features/bench/Timers.tsx';
import { PersonFace } from './PersonFace.tsx';
import { useKeys } from '../ui/useKeys.ts';
import { Late } from '../ui/Late.tsx';

const PersonMenu = lazy(() => import('./PersonMenu.tsx'));
const ConflictSheet = lazy(() => import('../ui/Conflict.tsx').then((m) => ({ default: m.ConflictSheet })));
const Devices = lazy(() => import('../devices/Devices.tsx').then((m) => ({ default: m.Devices })));
const KeyList = lazy(() => import('../ui/KeyList.tsx').then((m) => ({ default: m.KeyList })));

export function SignedIn({ person, shop }: { person: Person; shop: string }) {
  useLive();
  useOutbox(person.id);
  useKeepFocus();
  const go = useNavigate();
  const [help, setHelp] = useState(false);
  const conflict = useAppState((s) => s.conflict !== null);
  const devices = useAppState((s) => s.devices);
  useKeys(
    useMemo(
      () => ({
        b: () => void go('/'),
        n: () => void go('/intake'),
        m: () => void go('/movements'),
        w: () => void go('/workings'),
        '?': () => setHelp(true),
      }),
      [go],
    ),
  );
  return (
    <div className="min-h-screen">
      <SkipLink />
      <header className="border-b border-line bg-enamel">
        <div className="flex min-h-16 flex-wrap items-center gap-x-2 gap-y-1 px-4">
          <Link to="/" className="mr-1 flex min-h-12 items-center gap-3" aria-label="Eclat, to the bench">
            <img src="/mark.svg" alt="" className="size-9" />
            <span className="text-2xl font-bold tracking-tight">Eclat</span>
          </Link>
          <nav aria-label="Main" className="flex flex-wrap gap-1">
            <Place to="/" end>
              Bench
            </Place>
            <Place to="/intake">
              <PackagePlus className="hidden size-5 2xl:block" aria-hidden />
              Take in
            </Place>
            <Place to="/movements">
              <BookOpen className="hidden size-5 2xl:block" aria-hidden />
              Movement books
            </Place>
            <Place to="/stores">
              <Boxes className="hidden size-5 2xl:block" aria-hidden />
              Stores
            </Place>
            <Place to="/on-test">
              <Timer className="hidden size-5 2xl:block" aria-hidden />
              On test
            </Place>
            <Place to="/workings">
              <Sigma className="hidden size-5 2xl:block" aria-hidden />
              Workings
            </Place>
          </nav>
          <Timers />
          <div className="ml-auto flex items-center gap-2">
            <LiveMark />
            <PersonButton person={person} shop={shop} onKeys={() => setHelp(true)} />
          </div>
        </div>
        <UnsentBar personId={person.id} />
      </header>
      <main id="main" tabIndex={-1} className="outline-none">
        <Arrival />
        <Outlet />
      </main>
      <NoticeBar />
      <Late>
        {conflict && <ConflictSheet />}
        {devices && <Devices onClose={() => useAppState.getState().set({ devices: false })} />}
        {help && <KeyList open onClose={() => setHelp(false)} />}
      </Late>
    </div>
  );
}

const SkipLink = () => (
  <a
    href="#main"
    className={
      'sr-only focus:not-sr-only focus:absolute focus:z-50 focus:m-2 focus:rounded focus:bg-enamel ' + 'focus:p-3'
    }
  >
    To the work
  </a>
);

function Place(props: { to: string; end?: boolean; children: React.ReactNode }) {
  return (
    <NavLink
      {...props}
      className={({ isActive }) =>
        clsx(
          'flex min-h-12 items-center gap-2 rounded-lg px-2.5 font-semibold',
          isActive ? 'bg-steel-wash text-steel' : 'hover:bg-steel-wash',
        )
      }
    />
  );
}

function LiveMark() {
  const ok = useAppState((s) => s.liveOk);
  if (ok) return null;
  return (
    <span
      role="status"
      className={
        'rounded-full border-2 border-dashed border-brass-fill bg-brass-wash px-3 py-1 text-sm ' +
        'font-semibold text-brass'
      }
    >
      Server away: what you enter is kept
    </span>
  );
}

/** The menu's own script is loaded at the first press: the first screen does without it. */
function PersonButton(props: { person: Person; shop: string; onKeys: () => void }) {
  const [pressed, setPressed] = useState(false);
  const face = <PersonFace name={props.person.name} shop={props.shop} onClick={() => setPressed(true)} />;
  return pressed ? (
    <Late until={face}>
      <PersonMenu {...props} />
    </Late>
  ) : (
    face
  );
}
