import type { Said } from '@eclat/core/units';
import clsx from 'clsx';
import { Panel } from '../../ui/Answer.tsx';
import { Check, Minus, TriangleAlert } from 'lucide-react';

const MARKS = [
  [true, Check, 'text-good'],
  [false, TriangleAlert, 'text-brass'],
  [null, Minus, 'text-soft'],
] as const;

/** What the figures say, one line each: right, wrong, or neither. */
export function Saids({ said }: { said: readonly Said[] }) {
  return (
    <ul className="mb-3 divide-y divide-line">
      {said.map((s) => {
        const [, Icon, tone] = MARKS.find(([good]) => good === s.good)!;
        return (
          <li key={s.what} className="flex items-start gap-3 py-2">
            <Icon className={clsx('mt-0.5 size-5 shrink-0', tone)} aria-hidden />
            <span>
              <b>{s.what}</b>: {s.says}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** All of it, where the answer at the top does not say it already. */
export function WhatItSays({ said }: { said: readonly Said[] }) {
  if (said.length < 2) return null;
  return (
    <Panel title="What it says">
      <Saids said={said} />
    </Panel>
  );
}
