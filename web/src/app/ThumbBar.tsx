import clsx from 'clsx';
import { Hourglass, LayoutList, ScanLine, Timer } from 'lucide-react';
import { NavLink } from 'react-router';

const AT_HAND = [
  { to: '/', name: 'Bench', Icon: LayoutList },
  { to: '/on-test', name: 'Read', Icon: Timer },
  { to: '/timers', name: 'Timers', Icon: Hourglass },
  { to: '/which', name: 'Which clock?', Icon: ScanLine },
] as const;

/** On a phone or an upright tablet: four places within the thumb. The others stand in the person's menu. */
export function ThumbBar() {
  return (
    <>
      <div className="h-20 lg:hidden print:hidden" />
      <nav
        aria-label="Main"
        className="fixed inset-x-0 bottom-0 z-30 grid grid-cols-4 border-t border-line bg-enamel lg:hidden"
      >
        {AT_HAND.map(({ to, name, Icon }) => (
          <NavLink
            key={to}
            to={to}
            end={to === '/'}
            className={({ isActive }) =>
              clsx(
                'flex min-h-16 flex-col items-center justify-center gap-0.5 border-t-4 text-sm font-semibold',
                isActive ? 'border-steel text-steel' : 'border-transparent hover:bg-steel-wash',
              )
            }
          >
            <Icon className="size-6" aria-hidden />
            {name}
          </NavLink>
        ))}
      </nav>
    </>
  );
}
