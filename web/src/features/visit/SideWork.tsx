import type { BenchTest, Visit } from '@eclat/contract';
import { isElectricTest, isOf, isTorsionTest } from '@eclat/core/benches';
import { isElectric } from '@eclat/core/electric';
import { drivenBy, has, hasTrain, isWeight, onMains, type Traits } from '@eclat/core/movement';
import { newMovementWaits, unitStage } from '@eclat/core/workflow';
import clsx from 'clsx';
import {
  AlarmClock,
  ArrowLeftRight,
  AudioLines,
  Bell,
  BellElectric,
  Cable,
  Check,
  CircleGauge,
  Cog,
  Component,
  IterationCw,
  Printer,
  Weight,
  Zap,
  type LucideIcon,
} from 'lucide-react';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { SIDE } from './side.ts';

/**
 * Beside the stages, not among them: what waits and dries while the movement is worked on, and the electric bench where
 * there is something for it.
 */
export function SideWork({ visit, onPress }: { visit: Visit; onPress: () => void }) {
  const open = visit.casework.filter((t) => t.doneAt === null).length;
  const late = visit.units.filter((u) => unitStage(u) !== null).length;
  const { out, checks } = visit.replacement;
  const waits = newMovementWaits(visit);
  const replacing =
    waits || visit.agreement.chosen?.route === 'replace' || out !== null || Object.keys(checks).length > 0;
  return (
    <>
      <SideLink
        onPress={onPress}
        to="case"
        mark={open > 0 ? open : visit.casework.length > 0 && <Check className="size-4" aria-label="done" />}
        waits={open > 0}
      />
      <SideLink
        onPress={onPress}
        to="units"
        mark={late > 0 ? late : <Component className="size-4" aria-hidden />}
        waits={late > 0}
      />
      <SideLink onPress={onPress} to="description" mark={<Cog className="size-4" aria-hidden />} />
      {replacing && (
        <SideLink
          onPress={onPress}
          to="replace"
          waits={waits}
          mark={
            visit.replacement.out ? (
              <Check className="size-4" aria-label="done" />
            ) : (
              <ArrowLeftRight className="size-4" aria-hidden />
            )
          }
        />
      )}
      <Benches visit={visit} onPress={onPress} />
    </>
  );
}

/** The benches that this movement has something for, and whether they were used. */
function Benches({ visit, onPress }: { visit: Visit; onPress: () => void }) {
  const { traits } = visit.movement;
  const benches: [keyof typeof SIDE, boolean, LucideIcon, boolean][] = [
    ['listen', true, AudioLines, visit.heard.length > 0],
    ['strike', traits.strike !== 'none', Bell, visit.struck.length > 0],
    ['strike-set-up', traits.strike !== 'none', BellElectric, tested(visit, isOf('strike'))],
    ['torsion', traits.oscillator === 'torsion pendulum', IterationCw, tested(visit, isTorsionTest)],
    ['alarm', hasTrain(traits, 'alarm') || has(traits, 'repeater'), AlarmClock, tested(visit, isOf('alarm'))],
    ['balance', traits.oscillator === 'balance', CircleGauge, tested(visit, isOf('balance'))],
    ['weights', drivenBy(traits, isWeight), Weight, tested(visit, isOf('weights'))],
    ['recorder', records(traits), Printer, tested(visit, isOf('recorder'))],
    ['outputs', has(traits, 'contacts'), Cable, tested(visit, isOf('outputs'))],
    ['electric', atElectric(visit), Zap, tested(visit, (t) => isElectricTest(t) || isOf('mains')(t))],
  ];
  return benches.map(
    ([to, on, Icon, used]) =>
      on && (
        <SideLink
          key={to}
          onPress={onPress}
          to={to}
          mark={used ? <Check className="size-4" aria-label="measured" /> : <Icon className="size-4" aria-hidden />}
        />
      ),
  );
}

const records = (t: Traits) => has(t, 'print work') || has(t, 'recording drum');
/** Something electric to measure, or no more than a cord. */
const atElectric = ({ movement: { traits } }: Visit) => isElectric(traits) || onMains(traits);

const tested = (visit: Visit, kind: (t: BenchTest) => boolean) =>
  visit.benchTests.some((e) => e.of === 'visit' && kind(e.test));

function SideLink({
  to,
  mark,
  waits = false,
  onPress,
}: {
  to: keyof typeof SIDE;
  mark: ReactNode;
  waits?: boolean;
  onPress: () => void;
}) {
  return (
    <li>
      <NavLink
        to={to}
        onClick={onPress}
        className={({ isActive }) =>
          clsx(
            'flex min-h-11 items-center gap-3 rounded-lg border px-2 font-semibold',
            isActive ? 'border-steel bg-steel-wash' : 'border-transparent hover:bg-steel-wash',
          )
        }
      >
        <span
          className={clsx(
            'grid size-6 shrink-0 place-items-center rounded-md text-sm',
            waits ? 'bg-brass-fill text-[#1b1403]' : 'border border-line text-soft',
          )}
        >
          {mark}
        </span>
        {SIDE[to]}
      </NavLink>
    </li>
  );
}
