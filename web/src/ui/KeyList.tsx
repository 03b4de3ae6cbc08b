import { Printer } from 'lucide-react';
import { Link } from 'react-router';
import { useAppState } from '../data/app-state.ts';
import { buttonClass } from './Button.tsx';
import { Tick } from './Field.tsx';
import { Sheet } from './Sheet.tsx';

/** By where they work. */
const KEYS: readonly (readonly [where: string, keys: readonly (readonly [key: string, does: string])[]])[] = [
  [
    'Anywhere',
    [
      ['Ctrl K', 'Find anything: a clock, an owner, a stage, a working, a rule'],
      ['b', 'Bench'],
      ['n', 'Take a clock in'],
      ['m', 'Movement books'],
      ['w', 'Workings'],
      ['?', 'This list'],
      ['↓ ↑', 'Below a search field: walk what was found; Enter opens it'],
      ['v', 'On the bench: what now, or the table'],
      ['Esc', 'One step out: of what is open, of a field (single keys work again), of a stage to the bench'],
    ],
  ],
  [
    'In a visit',
    [
      ['Ctrl Z', 'Undo the last change, then the one before'],
      ['1 … 9, 0', 'Go to its first, second … tenth stage'],
      ['g', 'Its stages, and what lies beside them'],
      ['g, then o r d s', 'Oil, Run, Deliver, Sign'],
      ['p', 'Take a photo'],
      ['l', 'Look up photos, findings, workings, house rules, past visits, notes'],
      ['Enter', 'In a measurement: take it and go to the next field or hole'],
      ['Space ↓ ↑', 'On the grip of a row or a photo: lift it, move it, put it down with Space'],
      ['← ↑ → ↓ Enter', 'On a photo: move the cross, and press there; with Shift by a hair'],
    ],
  ],
  ['Assess', [['o f x', 'At a place of the walk: in order, finding, not looked at']]],
  [
    'Survey',
    [
      ['s t a u', 'This hole: sound, tight, marginal, bush; with nothing measured, on to the next'],
      ['e', 'End shake of this arbor is right'],
      ['k y h', 'All of this train: the rest is sound, end shake right, pivots polished'],
    ],
  ],
];

export function KeyList({ open, onClose }: { open: boolean; onClose: () => void }) {
  const singleKeys = useAppState((s) => s.singleKeys);
  const set = useAppState((s) => s.set);
  return (
    <Sheet open={open} onClose={onClose} title="Keys" description="They work while no field is being typed in.">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <Tick label="Use single keys" checked={singleKeys} onChange={(e) => set({ singleKeys: e.target.checked })} />
        <Link className={buttonClass('quiet')} to="/keys" onClick={onClose}>
          <Printer className="size-5" aria-hidden />A sheet to print
        </Link>
      </div>
      <Keys />
    </Sheet>
  );
}

export function Keys() {
  return KEYS.map(([where, keys]) => (
    <section key={where} className="break-inside-avoid">
      <h3 className="mt-4 mb-2 text-lg">{where}</h3>
      <dl className="grid grid-cols-[minmax(4rem,auto)_1fr] items-center gap-x-5 gap-y-2">
        {keys.map(([key, does]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="rounded-md border border-line bg-sunk px-3 py-1 font-sans font-bold">{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </section>
  ));
}
