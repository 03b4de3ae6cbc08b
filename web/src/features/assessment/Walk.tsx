import { PLACE_STATES, walkOf, type PlaceState } from '@eclat/core/assess';
import clsx from 'clsx';
import { Check, EyeOff, Flag } from 'lucide-react';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

const LOOKS: Record<PlaceState, readonly [typeof Check, string, string]> = {
  'in order': [Check, 'o', 'border-good bg-good-wash text-good'],
  finding: [Flag, 'f', 'border-danger bg-danger-wash text-danger'],
  'not looked at': [EyeOff, 'x', 'border-dashed border-soft text-soft'],
};

/** Case to electrics in order, one key for each place: in order, finding, not looked at. It goes on by itself. */
export const Walk = memo(function Walk({ onFinding }: { onFinding: (place: string) => void }) {
  const visit = useThisVisit();
  const walk = useMemo(() => walkOf(visit.movement.traits), [visit.movement.traits]);
  const states = useMemo(() => new Map(visit.places.map((p) => [p.place, p.state])), [visit.places]);
  const found = useMemo(() => new Set(visit.findings.map((f) => f.place)), [visit.findings]);
  const firstLeft = walk.find((p) => !states.has(p.place))?.place ?? null;
  const [picked, setPicked] = useState<string | null>(null);
  const here = picked ?? firstLeft;
  const set = useCommand(api.assessment.setPlace, { what: 'Place' });
  const open = !visit.closedAt;
  const say = (state: PlaceState) => {
    if (!here || !open) return;
    set.mutate({
      params: { visitId: visit.id, place: here },
      body: { state: states.get(here) === state ? null : state },
    });
    const at = walk.findIndex((p) => p.place === here);
    // On to the next that has no answer; the screen need not wait for the server.
    setPicked(walk.slice(at + 1).find((p) => !states.has(p.place))?.place ?? walk[at + 1]?.place ?? null);
    if (state === 'finding') onFinding(here);
  };
  useKeys({ o: () => say('in order'), f: () => say('finding'), x: () => say('not looked at') });
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const box = list.current;
    const row = box?.querySelector<HTMLElement>('[aria-current="step"]');
    if (box && row) box.scrollTop = row.offsetTop - box.clientHeight / 2;
  }, [here]);
  const left = walk.filter((p) => !states.has(p.place)).length;
  return (
    <Panel
      title={left === 0 ? 'The walk is done' : `The walk: ${walk.length - left} of ${walk.length} places`}
      className="xl:sticky xl:top-24"
    >
      {here && open && <PlaceInHand here={here} say={say} />}
      <ol
        ref={list}
        className="relative max-h-[26rem] overflow-y-auto rounded-lg border border-line"
        aria-label="Places in order"
      >
        {walk.map((p, i) => (
          <PlaceRow
            key={p.place}
            place={p.place}
            area={walk[i - 1]?.area === p.area ? null : p.area}
            state={states.get(p.place)}
            here={p.place === here}
            written={found.has(p.place)}
            onPick={setPicked}
          />
        ))}
      </ol>
    </Panel>
  );
});

function PlaceInHand({ here, say }: { here: string; say: (state: 'in order' | 'finding' | 'not looked at') => void }) {
  return (
    <div className="mb-3">
      <p className="text-2xl font-bold first-letter:uppercase">{here}</p>
      <div className="mt-2 grid grid-cols-3 gap-2" role="group" aria-label={`${here} is`}>
        {PLACE_STATES.map((s) => {
          const [Icon, key] = LOOKS[s];
          return (
            <Button
              key={s}
              variant={s === 'in order' ? 'main' : 'quiet'}
              className="min-h-20 flex-col gap-0.5 px-1 py-2 text-sm leading-tight"
              onClick={() => say(s)}
            >
              <Icon className="size-6 shrink-0" aria-hidden />
              <span>{s}</span>
              <kbd className="font-sans opacity-80">{key}</kbd>
            </Button>
          );
        })}
      </div>
    </div>
  );
}

interface PlaceRowProps {
  place: string;
  /** Named where it begins. */
  area: string | null;
  state: PlaceState | undefined;
  here: boolean;
  /** What was found there stands among the findings. */
  written: boolean;
  onPick: (place: string) => void;
}

const PlaceRow = memo(function PlaceRow({ place, area, state, here, written, onPick }: PlaceRowProps) {
  const [Icon, , look] = state ? LOOKS[state] : [null, '', 'border-line'];
  return (
    <li aria-current={here ? 'step' : undefined}>
      {area !== null && <p className="bg-sunk px-3 py-0.5 text-sm text-soft">{area}</p>}
      <button
        type="button"
        className={clsx(
          'flex min-h-11 w-full items-center gap-3 border-l-4 px-3 text-left hover:bg-steel-wash',
          here ? 'border-steel bg-steel-wash font-bold' : 'border-transparent',
        )}
        onClick={() => onPick(place)}
      >
        <span className={clsx('grid size-7 shrink-0 place-items-center rounded-full border-2', look)}>
          {Icon && <Icon className="size-4" aria-hidden />}
        </span>
        <span className="flex-1">{place}</span>
        <span className="text-sm text-soft">
          {state ?? ''}
          {state === 'finding' && !written && ', not written yet'}
        </span>
      </button>
    </li>
  );
});
