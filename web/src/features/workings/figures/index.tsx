import { lazy, type ComponentType } from 'react';
import { Barrel } from './Barrel.tsx';
import { Beat } from './Beat.tsx';
import { Hole } from './Hole.tsx';
import type { FigureProps } from './kinds.ts';
import { Line } from './Line.tsx';
import { Nut } from './Nut.tsx';
import { Pendulum } from './Pendulum.tsx';
import { Shares } from './Shares.tsx';
import { Late } from '../../../ui/Late.tsx';

const chart = (name: 'Circular' | 'Fusee' | 'Rate') =>
  lazy(() => import('./Charts.tsx').then((m) => ({ default: m[name] })));

const FIGURES: Record<string, ComponentType<FigureProps>> = {
  barrel: Barrel,
  beat: Beat,
  hole: Hole,
  bush: Hole,
  line: Line,
  nut: Nut,
  pendulum: Pendulum,
  promise: Shares,
  circular: chart('Circular'),
  fusee: chart('Fusee'),
  rate: chart('Rate'),
};

/** The picture of a working, where looking beats reading. */
export function Figure({
  name,
  input,
  result,
}: {
  name: string | undefined;
  input: Record<string, unknown>;
  result: Record<string, unknown>;
}) {
  const Picture = name === undefined ? undefined : FIGURES[name];
  if (!Picture || (name === 'nut' && input['setter'] !== 'rating nut')) return null;
  // The working has checked them by its schemas; a picture takes of each kind what it names.
  const given = { input, result, facts: result, rows: { ...input, ...result } } as FigureProps;
  return (
    <Late until={<div className="h-72" />}>
      <Picture {...given} />
    </Late>
  );
}
