import type { Visit } from '@eclat/contract';
import { isElectric } from '@eclat/core/electric';
import { newMovementWaits, unitStage } from '@eclat/core/workflow';
import clsx from 'clsx';
import { ArrowLeftRight, AudioLines, Bell, Check, Cog, Component, Zap } from 'lucide-react';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';

/** What lies beside the stages, by its address. */
export const SIDE = {
  case: 'Case, dial, glass',
  units: 'Sub-assemblies',
  description: 'The movement',
  replace: 'Replacement',
  listen: 'Listen',
  strike: 'Strike and chime',
  electric: 'Electric bench',
} as const;

/**
 * Beside the stages, not among them: what waits and dries while the movement is worked on, and the electric bench where
 * there is something for it.
 */
export function SideWork({ visit }: { visit: Visit }) {
  const open = visit.casework.filter((t) => t.doneAt === null).length;
  const late = visit.units.filter((u) => unitStage(u) !== null).length;
  const { out, checks } = visit.replacement;
  const waits = newMovementWaits(visit);
  const replacing =
    waits || visit.agreement.chosen?.route === 'replace' || out !== null || Object.keys(checks).length > 0;
  return (
    <>
      <SideLink
        first
        to="case"
        mark={open > 0 ? open : visit.casework.length > 0 && <Check className="size-4" aria-label="done" />}
        waits={open > 0}
      />
      <SideLink to="units" mark={late > 0 ? late : <Component className="size-4" aria-hidden />} waits={late > 0} />
      <SideLink to="description" mark={<Cog className="size-4" aria-hidden />} />
      {replacing && (
        <SideLink
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
      {isElectric(visit.movement.traits) && (
        <SideLink
          to="electric"
          mark={
            visit.electric.length > 0 ? (
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

export function SideLink({
  to,
  mark,
  waits = false,
  first = false,
}: {
  to: keyof typeof SIDE;
  mark: ReactNode;
  waits?: boolean;
  first?: boolean;
}) {
  return (
    <li className={clsx(first && 'md:mt-1 md:border-t md:border-line md:pt-1')}>
      <NavLink
        to={to}
        className={({ isActive }) =>
          clsx(
            'flex min-h-11 items-center gap-3 rounded-lg border px-3 font-semibold',
            isActive ? 'border-steel bg-enamel' : 'border-transparent hover:bg-enamel',
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
