import { api, type Person } from '@eclat/contract';
import { useQueryClient } from '@tanstack/react-query';
import clsx from 'clsx';
import { BookOpen, Keyboard, LogOut, Moon, PackagePlus, Sun, SunMoon, Users } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useMemo, useState } from 'react';
import { Link, NavLink, Outlet, useNavigate } from 'react-router';
import { call } from './api/call.ts';
import { useLive } from './api/live.ts';
import { useOutbox } from './api/outbox.ts';
import { keys } from './api/queries.ts';
import { Kept } from './Kept.tsx';
import { NoticeBar } from './NoticeBar.tsx';
import { useStore, type Theme } from './store.ts';
import { Timers } from './Timers.tsx';
import { ConflictSheet } from './ui/Conflict.tsx';
import { KeyList } from './ui/KeyList.tsx';
import { useKeys } from './ui/useKeys.ts';

const THEMES: readonly (readonly [Theme, string, typeof Sun])[] = [['light', 'Light', Sun], ['dark', 'Dark', Moon], ['system', 'As the computer', SunMoon]];
const item = 'flex min-h-12 w-full items-center gap-3 rounded-lg px-3 font-semibold outline-none data-[highlighted]:bg-steel-wash';

export function SignedIn({ person, shop }: { person: Person; shop: string }) {
  useLive();
  useOutbox(person.id);
  const go = useNavigate();
  const [help, setHelp] = useState(false);
  useKeys(useMemo(() => ({ b: () => void go('/'), n: () => void go('/intake'), m: () => void go('/movements'), '?': () => setHelp(true) }), [go]));
  return (
    <div className="min-h-screen">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:m-2 focus:rounded focus:bg-enamel focus:p-3">To the work</a>
      <header className="border-b border-line bg-enamel">
        <div className="flex min-h-16 flex-wrap items-center gap-x-2 gap-y-1 px-4">
          <Link to="/" className="mr-3 flex min-h-12 items-center gap-3" aria-label="Eclat, to the bench">
            <img src="/mark.svg" alt="" className="size-9" />
            <span className="text-2xl font-bold tracking-tight">Eclat</span>
          </Link>
          <nav aria-label="Main" className="flex flex-wrap gap-1">
            <Place to="/" end>Bench</Place>
            <Place to="/intake"><PackagePlus className="size-5" aria-hidden />Take in</Place>
            <Place to="/movements"><BookOpen className="size-5" aria-hidden />Movement books</Place>
          </nav>
          <Timers />
          <div className="ml-auto flex items-center gap-2">
            <LiveMark />
            <DropdownMenu.Root modal={false}>
              <DropdownMenu.Trigger className="flex min-h-12 items-center gap-2 rounded-lg px-3 font-semibold hover:bg-steel-wash">
                {person.name}<span className="hidden text-sm font-normal text-soft lg:inline">{shop}</span>
              </DropdownMenu.Trigger>
              <DropdownMenu.Portal>
                <DropdownMenu.Content align="end" sideOffset={6} className="z-50 w-64 rounded-xl border border-line bg-enamel p-2 shadow-xl">
                  <DropdownMenu.Label className="px-3 py-2 text-sm text-soft">{shop}, {person.role.replaceAll('-', ' ')}</DropdownMenu.Label>
                  <ThemeItems />
                  <DropdownMenu.Separator className="my-1 h-px bg-line" />
                  {person.role === 'owner-of-shop' && <DropdownMenu.Item className={item} onSelect={() => void go('/people')}><Users className="size-5" />People</DropdownMenu.Item>}
                  <DropdownMenu.Item className={item} onSelect={() => setHelp(true)}><Keyboard className="size-5" />Keys</DropdownMenu.Item>
                  <SignOut />
                </DropdownMenu.Content>
              </DropdownMenu.Portal>
            </DropdownMenu.Root>
          </div>
        </div>
        <Kept personId={person.id} />
      </header>
      <main id="main"><Outlet /></main>
      <NoticeBar />
      <ConflictSheet />
      <KeyList open={help} onClose={() => setHelp(false)} />
    </div>
  );
}

function Place(props: { to: string; end?: boolean; children: React.ReactNode }) {
  return <NavLink {...props} className={({ isActive }) => clsx('flex min-h-12 items-center gap-2 rounded-lg px-3 font-semibold', isActive ? 'bg-steel-wash text-steel' : 'hover:bg-steel-wash')} />;
}

function LiveMark() {
  const ok = useStore((s) => s.liveOk);
  if (ok) return null;
  return <span role="status" className="rounded-full border-2 border-dashed border-brass-fill bg-brass-wash px-3 py-1 text-sm font-semibold text-brass">Server away: what you enter is kept</span>;
}

function ThemeItems() {
  const theme = useStore((s) => s.theme);
  const set = useStore((s) => s.set);
  return (
    <DropdownMenu.RadioGroup value={theme} onValueChange={(v) => set({ theme: v as Theme })}>
      {THEMES.map(([id, name, Icon]) => (
        <DropdownMenu.RadioItem key={id} value={id} className={item} onSelect={(e) => e.preventDefault()}>
          <Icon className="size-5" aria-hidden />{name}{theme === id && <span className="ml-auto text-steel">●</span>}
        </DropdownMenu.RadioItem>
      ))}
    </DropdownMenu.RadioGroup>
  );
}

function SignOut() {
  const queries = useQueryClient();
  const leave = async () => {
    await call(api.people.signOut, {});
    queries.clear();
    await queries.invalidateQueries({ queryKey: keys.session });
    window.location.assign('/');
  };
  return <DropdownMenu.Item className={item} onSelect={() => void leave()}><LogOut className="size-5" />Sign out</DropdownMenu.Item>;
}
