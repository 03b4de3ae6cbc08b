import type { BenchTest, Visit } from '@eclat/contract';
import { isElectricTest, isTorsionTest } from '@eclat/core/benches';
import { isElectric } from '@eclat/core/electric';
import { newMovementWaits, unitStage } from '@eclat/core/workflow';
import clsx from 'clsx';
import { ArrowLeftRight, AudioLines, Bell, Check, Cog, Component, IterationCw, Zap } from 'lucide-react';
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
      <SideLink
        onPress={onPress}
        to="listen"
        mark={
          visit.heard.length > 0 ? (
            <Check className="size-4" aria-label="heard" />
          ) : (
            <AudioLines className="size-4" aria-hidden />
          )
        }
      />
      {visit.movement.traits.strike !== 'none' && (
        <SideLink
          onPress={onPress}
          to="strike"
          mark={
            visit.struck.length > 0 ? (
              <Check className="size-4" aria-label="heard" />
            ) : (
              <Bell className="size-4" aria-hidden />
            )
          }
        />
      )}
      {visit.movement.traits.oscillator === 'torsion pendulum' && (
        <SideLink
          onPress={onPress}
          to="torsion"
          mark={
            tested(visit, isTorsionTest) ? (
              <Check className="size-4" aria-label="measured" />
            ) : (
              <IterationCw className="size-4" aria-hidden />
            )
          }
        />
      )}
      {isElectric(visit.movement.traits) && (
        <SideLink
          onPress={onPress}
          to="electric"
          mark={
            tested(visit, isElectricTest) ? (
              <Check className="size-4" aria-label="measured" />
            ) : (
              <Zap className="size-4" aria-hidden />
            )
          }
        />
      )}
    </>
  );
}

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
