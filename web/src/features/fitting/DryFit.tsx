import type { DryTry, Visit } from '@eclat/contract';
import { trainName } from '@eclat/core/movement';
import { DRY_CURES, DRY_WORDS, dryStanding, type DryWord } from '@eclat/core/pivots';
import { counted, sentence } from '@eclat/core/units';
import { Undo2 } from 'lucide-react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { UnderPower } from '../power-down/UnderPower.tsx';

/**
 * One train or all of it together, dry and without power: each bush is felt again, set a hair, and felt once more. It
 * opens and closes as often as wanted and is no pass.
 */
export function DryFit({ visit, name }: { visit: Visit; name: (hole: string) => string }) {
  const standing = dryStanding(visit.bushes, visit.dryTries);
  const now = visit.dryFits.find((f) => f.endedAt === null);
  if (standing.size === 0 && !now) return null;
  return (
    <Fold name="dry" title="Put together dry" says={standsWords([...standing.values()])} open={now !== undefined}>
      {now ? (
        <Standing visit={visit} fit={now} standing={standing} name={name} />
      ) : (
        <Begin visit={visit} bushed={[...standing.keys()]} />
      )}
    </Fold>
  );
}

function standsWords(words: (DryWord | null)[]): string {
  const of = (word: DryWord | null) => words.filter((w) => w === word).length;
  const said = DRY_WORDS.flatMap((w) => (of(w) > 0 ? [`${of(w)} ${w}`] : []));
  return [...said, ...(of(null) > 0 ? [`${of(null)} to feel`] : [])].join(', ');
}

const ofTrain = (visit: Visit, train: string | null, hole: string): boolean =>
  train === null ||
  visit.movement.traits.trains.some((t) => t.id === train && t.arbors.some((a) => a.id === hole.split('.')[0]));

function Begin({ visit, bushed }: { visit: Visit; bushed: readonly string[] }) {
  const start = useCommand(api.assembly.startDryFit, { what: 'Dry fit' });
  if (visit.closedAt) return <Tries visit={visit} />;
  const trains = visit.movement.traits.trains.filter((t) => bushed.some((h) => ofTrain(visit, t.id, h)));
  const go = (train: string | null) => start.mutate({ params: { visitId: visit.id }, body: { train } });
  return (
    <div className="flex flex-col gap-3">
      <UnderPower opens="plates" />
      <div className="flex flex-wrap gap-2" role="group" aria-label="Which train">
        {trains.map((t) => (
          <Button key={t.id} busy={start.isPending} onClick={() => go(t.id)}>
            {sentence(`${trainName(t)} train`)}
          </Button>
        ))}
        <Button busy={start.isPending} onClick={() => go(null)}>
          All trains
        </Button>
      </div>
      <Tries visit={visit} />
    </div>
  );
}

interface StandingProps {
  visit: Visit;
  fit: Visit['dryFits'][number];
  standing: Map<string, DryWord | null>;
  name: (hole: string) => string;
}

function Standing({ visit, fit, standing, name }: StandingProps) {
  const end = useCommand(api.assembly.endDryFit, { what: 'Dry fit', onDone: () => say('Apart again: no pass.') });
  const holes = [...standing.keys()].filter((h) => ofTrain(visit, fit.train, h));
  const train = visit.movement.traits.trains.find((t) => t.id === fit.train);
  return (
    <div className="flex flex-col gap-3">
      <p>
        <b>{train ? sentence(`${trainName(train)} train`) : 'All trains'}</b> between the plates, no oil, no power: spin
        it, lean it, let it fall from pivot to pivot.
      </p>
      <ul className="divide-y divide-line">
        {holes.map((h) => (
          <Felt key={h} visit={visit} hole={h} name={name(h)} word={standing.get(h) ?? null} />
        ))}
      </ul>
      <UnderPower opens="plates" />
      <Button
        className="self-start"
        busy={end.isPending}
        onClick={() => end.mutate({ params: { visitId: visit.id, fitId: fit.id }, body: {} })}
      >
        Apart again
      </Button>
    </div>
  );
}

function Felt({ visit, hole, name, word }: { visit: Visit; hole: string; name: string; word: DryWord | null }) {
  const params = { visitId: visit.id };
  const add = useCommand(api.assembly.addDryTry, {
    what: 'Try',
    onDone: (t: DryTry, _sent, undo) => say(`${name}: ${t.word}.`, 'good', undo),
  });
  const cure = useCommand(api.assembly.setDryCure, { what: 'Try' });
  const tries = visit.dryTries.filter((t) => t.hole === hole);
  const last = tries.at(-1);
  const set = (text: string) => cure.mutate({ params: { ...params, tryId: last!.id }, body: { cure: text } });
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2">
      <div className="min-w-0 flex-1 max-sm:basis-full">
        <p className="font-semibold">{name}</p>
        {tries.some((t) => t.cure !== '') && <p className="text-soft">{tries.map(tryWords).join('; ')}</p>}
      </div>
      <Choice
        hideLabel
        label={`How ${name} feels`}
        value={word ?? ''}
        options={DRY_WORDS.map((w) => [w, w] as const)}
        onChange={(w) => w !== word && add.mutate({ params, body: { hole, word: w } })}
      />
      {word !== null && DRY_CURES[word].length > 0 && (
        <div className="flex basis-full flex-wrap items-center gap-2" role="group" aria-label={`What is done: ${name}`}>
          <span className="text-soft">Then</span>
          {DRY_CURES[word].map((c) => (
            <Button key={c} busy={cure.isPending} onClick={() => set(c)}>
              {c}
            </Button>
          ))}
        </div>
      )}
      {word === null && last && last.cure !== '' && (
        <div className="flex basis-full items-center gap-2">
          <span className="font-semibold text-brass">Feel it again: {last.cure}</span>
          <Button variant="plain" aria-label={`Not done: ${last.cure}, ${name}`} onClick={() => set('')}>
            <Undo2 className="size-5" aria-hidden />
          </Button>
        </div>
      )}
    </li>
  );
}

const tryWords = ({ word, cure }: DryTry): string => (cure === '' ? word : `${word}, ${cure}`);

/** How often it stood together, for whoever asks later. */
function Tries({ visit }: { visit: Visit }) {
  const times = visit.dryFits.filter((f) => f.endedAt !== null).length;
  if (times === 0) return null;
  return (
    <p className="text-soft">
      Together dry {counted(times, 'time')}, {counted(visit.dryTries.length, 'try', 'tries')}.
    </p>
  );
}
