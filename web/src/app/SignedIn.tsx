import type { Person } from '@eclat/contract';
import clsx from 'clsx';
import { lazy, useCallback, useMemo, useState } from 'react';
import { Link, NavLink, Outlet, useLocation, useMatch, useNavigate } from 'react-router';
import { useLive } from '../data/live.ts';
import { useOutbox } from '../data/outbox.ts';
import { Arrival } from './Arrival.tsx';
import { useKeepFocus } from './useKeepFocus.ts';
import { DeviceMark } from './DeviceMark.tsx';
import { FindButton } from './FindButton.tsx';
import { NoticeBar } from './NoticeBar.tsx';
import { useAppState } from '../data/app-state.ts';
import { Timers } from '../features/bench/Timers.tsx';
import { PersonFace } from './PersonFace.tsx';
import { PLACES } from './places.ts';
import { ThumbBar } from './ThumbBar.tsx';
import { TopBarSlot } from '../ui/TopBar.tsx';
import { useKeys } from '../ui/useKeys.ts';
import { Late } from '../ui/Late.tsx';

const PersonMenu = lazy(() => import('./PersonMenu.tsx'));
const TourStrip = lazy(() => import('./tour/TourStrip.tsx'));
const ConflictSheet = lazy(() => import('../ui/Conflict.tsx').then((m) => ({ default: m.ConflictSheet })));
const Devices = lazy(() => import('../devices/Devices.tsx').then((m) => ({ default: m.Devices })));
const KeyList = lazy(() => import('../ui/KeyList.tsx').then((m) => ({ default: m.KeyList })));

export function SignedIn({ person, shop }: { person: Person; shop: string }) {
  useLive();
  useOutbox(person.id);
  useKeepFocus();
  const go = useNavigate();
  const { pathname } = useLocation();
  const inVisit = useMatch('/visits/:visitId/*') !== null;
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  const [help, setHelp] = useState(false);
  const showKeys = useCallback(() => setHelp(true), []);
  const conflict = useAppState((s) => s.conflict !== null);
  const devices = useAppState((s) => s.devices);
  const tour = useAppState((s) => s.tour);
  useKeys(
    useMemo(
      () => ({
        ...Object.fromEntries(PLACES.filter((p) => p.key).map((p) => [p.key, () => void go(p.to)])),
        '?': () => setHelp(true),
      }),
      [go],
    ),
    'frame',
  );
  return (
    <div className="min-h-screen">
      <SkipLink />
      {/* Above what a sheet darkens: the clock and its danger stay in sight. */}
      <header className="sticky top-0 z-[45] border-b border-line bg-enamel">
        <div className="flex h-[calc(3.5rem-1px)] items-center gap-1.5 px-2 sm:gap-2 md:px-4">
          <Link
            to="/"
            className="flex min-h-12 shrink-0 items-center gap-3 rounded-lg px-1"
            aria-label="Eclat, to the bench"
          >
            <img src="/mark.svg" alt="" className="size-9" />
            {!inVisit && <span className="text-2xl font-bold tracking-tight max-[26rem]:hidden">Eclat</span>}
          </Link>
          {inVisit ? (
            <div ref={setSlot} className="flex min-w-0 flex-1 items-center gap-1.5 sm:gap-2 lg:gap-3" />
          ) : (
            <Places className="hidden flex-1 gap-1 lg:flex" />
          )}
          <span className={inVisit ? 'contents' : 'contents max-lg:ml-auto'}>
            <FindButton person={person} few={inVisit} onKeys={showKeys} />
          </span>
          <Timers few={inVisit} />
          <span className={inVisit ? 'hidden sm:block' : 'max-lg:ml-auto'}>
            <PersonButton person={person} shop={shop} few={inVisit} onKeys={showKeys} />
          </span>
        </div>
      </header>
      {tour !== null && (
        <Late>
          <TourStrip at={tour} />
        </Late>
      )}
      <main id="main" data-at={pathname} tabIndex={-1} className="outline-none">
        <Arrival />
        <TopBarSlot value={slot}>
          <Outlet />
        </TopBarSlot>
      </main>
      {!inVisit && <ThumbBar />}
      <DeviceMark personId={person.id} />
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

function Places({ className }: { className: string }) {
  return (
    <nav aria-label="Main" className={className}>
      {PLACES.map(({ to, name }) => (
        <NavLink
          key={to}
          to={to}
          end={to === '/'}
          className={({ isActive }) =>
            clsx(
              'flex min-h-12 items-center rounded-lg px-3 font-semibold',
              isActive ? 'bg-steel-wash text-steel' : 'hover:bg-steel-wash',
            )
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}

/** The menu's own script is loaded at the first press: the first screen does without it. */
function PersonButton(props: { person: Person; shop: string; few: boolean; onKeys: () => void }) {
  const [pressed, setPressed] = useState(false);
  const face = (
    <PersonFace name={props.person.name} shop={props.shop} few={props.few} onClick={() => setPressed(true)} />
  );
  return pressed ? (
    <Late until={face}>
      <PersonMenu {...props} />
    </Late>
  ) : (
    face
  );
}
