import { useAppState } from '../data/app-state.ts';
import { Tick } from './Field.tsx';
import { Sheet } from './Sheet.tsx';

const KEYS = [
  ['Ctrl Z', 'In a clock: undo what was done last, then what was done before that'],
  ['Ctrl K', 'Find anything: a clock, an owner, a stage, a working, a rule'],
  ['↓ ↑', 'Below a search field: walk what was found; Enter opens it'],
  ['b', 'Bench'],
  ['v', 'On the bench: what now, or the table'],
  ['n', 'Take a clock in'],
  ['m', 'Movement books'],
  ['w', 'Workings'],
  ['?', 'This list'],
  ['1 … 9, 0', 'In a visit: go to its first, second … tenth stage'],
  ['g', 'In a visit: the stages of its job, and what lies beside them'],
  ['g, then o r d s', 'In a visit: go to Oil, Run, Deliver, Sign'],
  ['p', 'In a visit: take a photo'],
  ['l', 'In a visit: look up photos, findings, workings, house rules, past visits, notes'],
  ['o f x', 'In the walk of the assessment: in order, finding, not looked at'],
  ['Enter', 'In a measurement: take it and go to the next field or hole'],
  ['Space ↓ ↑', 'On the grip of a row or a photo: lift it, move it, put it down with Space'],
  ['→ ↓ Enter', 'On a photo: move the cross, and press there; with Shift by a hair'],
  ['Esc', 'One step out: of what is open, of a field (single keys work again), of a stage to the bench'],
  ['s t a u', 'In the survey, on a hole: sound, tight, marginal, bush; with nothing measured, on to the next'],
  ['e', 'In the survey: end shake of this arbor is right'],
  ['k y h', 'In the survey, all of this train: the rest is sound, end shake right, pivots polished'],
] as const;

export function KeyList({ open, onClose }: { open: boolean; onClose: () => void }) {
  const singleKeys = useAppState((s) => s.singleKeys);
  const set = useAppState((s) => s.set);
  return (
    <Sheet open={open} onClose={onClose} title="Keys" description="They work while no field is being typed in.">
      <Tick label="Use single keys" checked={singleKeys} onChange={(e) => set({ singleKeys: e.target.checked })} />
      <dl className="grid grid-cols-[auto_1fr] items-center gap-x-5 gap-y-3">
        {KEYS.map(([key, does]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="rounded-md border border-line bg-sunk px-3 py-1 font-sans font-bold">{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
