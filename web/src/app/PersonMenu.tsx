import type { Person } from '@eclat/contract';
import { useQueryClient } from '@tanstack/react-query';
import {
  CalendarDays,
  FlaskConical,
  KeyRound,
  Keyboard,
  LogOut,
  MonitorSmartphone,
  Moon,
  Ruler,
  Scale,
  Signpost,
  Stethoscope,
  Sun,
  SunMoon,
  Users,
} from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useNavigate } from 'react-router';
import { signOut } from '../data/leave.ts';
import { PersonFace } from './PersonFace.tsx';
import { PLACES } from './places.ts';
import { beginTour } from './tour/steps.ts';
import { useInDemo } from '../data/queries.ts';
import { useAppState, type Theme, type Units } from '../data/app-state.ts';

const THEMES: readonly (readonly [Theme, string, typeof Sun])[] = [
  ['light', 'Light', Sun],
  ['dark', 'Dark', Moon],
  ['system', 'As device', SunMoon],
];
const item =
  'flex min-h-12 w-full items-center gap-3 rounded-lg px-3 font-semibold outline-none data-[highlighted]:bg-steel-wash';
const oneOf =
  'flex min-h-12 items-center justify-center gap-2 rounded-lg px-2 text-sm font-semibold outline-none ' +
  'data-[highlighted]:bg-steel-wash data-[state=checked]:bg-steel data-[state=checked]:text-steel-ink';

interface Props {
  person: Person;
  shop: string;
  /** In a visit, where the bar is the clock's: the places of the shop stand here. */
  few: boolean;
  onKeys: () => void;
}

export default function PersonMenu({ person, shop, few, onKeys }: Props) {
  const go = useNavigate();
  return (
    <DropdownMenu.Root modal={false} defaultOpen>
      <DropdownMenu.Trigger asChild>
        <PersonFace name={person.name} shop={shop} few={few} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className={
            'z-50 max-h-(--radix-dropdown-menu-content-available-height) w-80 overflow-y-auto rounded-xl border ' +
            'border-line bg-enamel p-2 shadow-xl'
          }
        >
          <DropdownMenu.Label className="px-3 py-2 text-sm text-soft">
            {person.name}, {person.role.replaceAll('-', ' ')}, {shop}
          </DropdownMenu.Label>
          <div className={few ? '' : 'lg:hidden'}>
            {PLACES.map(({ to, name }) => (
              <DropdownMenu.Item key={to} className={item} onSelect={() => void go(to)}>
                {name}
              </DropdownMenu.Item>
            ))}
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
          </div>
          <DropdownMenu.Item className={item} onSelect={() => void go('/account')}>
            <KeyRound className="size-5" />
            My account
          </DropdownMenu.Item>
          {person.role === 'owner-of-shop' && (
            <DropdownMenu.Item className={item} onSelect={() => void go('/people')}>
              <Users className="size-5" />
              People
            </DropdownMenu.Item>
          )}
          <DropdownMenu.Item className={item} onSelect={onKeys}>
            <Keyboard className="size-5" />
            Keys
          </DropdownMenu.Item>
          <TourItem />
          <DropdownMenu.Item className={item} onSelect={() => useAppState.getState().set({ devices: true })}>
            <Ruler className="size-5" />
            Devices
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => useAppState.getState().set({ onDevice: 'look' })}>
            <MonitorSmartphone className="size-5" />
            On this device
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void go('/rules')}>
            <Scale className="size-5" />
            House rules
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void go('/baths')}>
            <FlaskConical className="size-5" />
            Bath book
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void go('/calendar')}>
            <CalendarDays className="size-5" />
            Calendar
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void go('/causes')}>
            <Stethoscope className="size-5" />
            Causes and counts
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="my-1 h-px bg-line" />
          <ThemeItems />
          <UnitItems />
          <DropdownMenu.Separator className="my-1 h-px bg-line" />
          <SignOut personId={person.id} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function TourItem() {
  const go = useNavigate();
  const inDemo = useInDemo();
  return (
    inDemo && (
      <DropdownMenu.Item className={item} onSelect={() => void go(beginTour())}>
        <Signpost className="size-5" />
        First hour, step by step
      </DropdownMenu.Item>
    )
  );
}

function ThemeItems() {
  const theme = useAppState((s) => s.theme);
  const set = useAppState((s) => s.set);
  return (
    <DropdownMenu.RadioGroup
      aria-label="Light or dark"
      className="grid grid-cols-3"
      value={theme}
      onValueChange={(v) => set({ theme: v as Theme })}
    >
      {THEMES.map(([id, name, Icon]) => (
        <DropdownMenu.RadioItem key={id} value={id} className={oneOf} onSelect={(e) => e.preventDefault()}>
          <Icon className="size-5" aria-hidden />
          {name}
        </DropdownMenu.RadioItem>
      ))}
    </DropdownMenu.RadioGroup>
  );
}

const UNITS: readonly (readonly [Units, string])[] = [
  ['metric', 'mm and g'],
  ['inch', 'inch and lb'],
];

function UnitItems() {
  const units = useAppState((s) => s.units);
  const set = useAppState((s) => s.set);
  return (
    <DropdownMenu.RadioGroup
      aria-label="Units"
      className="grid grid-cols-2"
      value={units}
      onValueChange={(v) => set({ units: v as Units })}
    >
      {UNITS.map(([id, name]) => (
        <DropdownMenu.RadioItem key={id} value={id} className={oneOf} onSelect={(e) => e.preventDefault()}>
          {name}
        </DropdownMenu.RadioItem>
      ))}
    </DropdownMenu.RadioGroup>
  );
}

function SignOut({ personId }: { personId: string }) {
  const queries = useQueryClient();
  const waits = useAppState((s) => s.unsent.some((u) => u.personId === personId));
  // What waits is looked at first.
  const press = () => (waits ? useAppState.getState().set({ onDevice: 'sign out' }) : void signOut(queries));
  return (
    <DropdownMenu.Item className={item} onSelect={press}>
      <LogOut className="size-5" />
      Sign out
    </DropdownMenu.Item>
  );
}
