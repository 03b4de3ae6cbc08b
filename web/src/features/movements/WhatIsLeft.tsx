import type { Entry, Movement } from '@eclat/contract';
import { dateFrom, dateInWords } from '@eclat/core/history';
import { holeKey, holeName, holesOf, trainName } from '@eclat/core/movement';
import { HOLE_STATES, originalOf, type Changed, type HoleLeft, type HoleState } from '@eclat/core/record';
import { counted, sentence } from '@eclat/core/units';
import { Fold } from '../../ui/Fold.tsx';
import { Help } from '../../ui/help/Help.tsx';

type Train = Movement['traits']['trains'][number];

/** Said beside the sign of each state. */
const IN_WORDS: Record<HoleState, string> = {
  'as made': 'as made',
  punched: 'punched closer',
  'later bush': 'bushed later',
  'not known': 'not looked at yet',
};

/** What of the movement is as it was made, drawn; and what came, went, or cannot be undone. */
export function WhatIsLeft({ entries, movement }: { entries: readonly Entry[]; movement: Movement }) {
  const holes = holesOf(movement.traits).map((h) => ({ key: h.key, hole: holeName(h) }));
  const left = originalOf(entries, holes);
  const known = left.holes.filter((h) => h.state !== 'not known');
  const others = [left.parts, left.clock, left.work, left.missing];
  if (known.length === 0 && others.every((l) => l.length === 0)) return null;
  const made = dateFrom(movement.dating).words;
  const asMade = left.holes.filter((h) => h.state === 'as made').length;
  return (
    <Fold
      title={movement.dating.length > 0 ? `What is left of ${made}` : 'What is left as it was made'}
      says={`${asMade} of ${counted(holes.length, 'hole')} as made`}
      aside={<Help about="original" />}
    >
      <div className="flex flex-col gap-5">
        <Trains trains={movement.traits.trains} holes={left.holes} />
        <dl className="grid gap-x-6 gap-y-3 sm:grid-cols-[11rem_minmax(0,1fr)]">
          <Changes name="Put in since" changes={left.parts} />
          <Changes name="Of the case" changes={left.clock} />
          <Changes name="Cannot be undone" changes={left.work} />
          <Changes name="Missing" changes={left.missing} />
        </dl>
      </div>
    </Fold>
  );
}

/** The trains between their plates: each arbor with its two holes, and what each hole is. */
function Trains({ trains, holes }: { trains: readonly Train[]; holes: readonly HoleLeft[] }) {
  const byKey = new Map(holes.map((h) => [h.key, h]));
  return (
    <figure>
      <div className="flex flex-wrap gap-x-8 gap-y-4">
        {trains
          .filter((t) => t.arbors.length > 0)
          .map((train) => (
            <Between key={train.id} train={train} byKey={byKey} />
          ))}
      </div>
      <figcaption className="mt-3 flex flex-wrap gap-x-5 gap-y-1">
        {[...HOLE_STATES].reverse().map((state) => {
          const n = holes.filter((h) => h.state === state).length;
          return (
            n > 0 && (
              <span key={state} className="inline-flex items-center gap-2">
                <svg viewBox="-10 -10 20 20" className="size-5" aria-hidden>
                  <Hole state={state} />
                </svg>
                {n} {IN_WORDS[state]}
              </span>
            )
          );
        })}
        <span className="text-soft">Front plate above, back plate below.</span>
      </figcaption>
    </figure>
  );
}

const STEP = 46;
const [FRONT, BACK, HEIGHT] = [26, 96, 126];

function Between({ train, byKey }: { train: Train; byKey: ReadonlyMap<string, HoleLeft> }) {
  const width = STEP * train.arbors.length;
  const said = (arbor: string, plate: 'front' | 'back') => byKey.get(holeKey(arbor, plate));
  const all = train.arbors.flatMap((a) => [said(a.id, 'front'), said(a.id, 'back')]).filter((h) => h !== undefined);
  return (
    <div className="max-w-full">
      <h3 className="text-base">{sentence(trainName(train))} train</h3>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        width={width}
        height={HEIGHT}
        className="max-w-full"
        role="img"
        aria-label={all.map((h) => `${h.hole}: ${IN_WORDS[h.state]}`).join('; ')}
      >
        {[FRONT, BACK].map((y) => (
          <line
            key={y}
            x1={2}
            x2={width - 2}
            y1={y}
            y2={y}
            className="stroke-brass-fill"
            strokeWidth={5}
            opacity={0.45}
          />
        ))}
        {train.arbors.map((a, i) => {
          const x = STEP * (i + 0.5);
          return (
            <g key={a.id}>
              <line x1={x} x2={x} y1={FRONT} y2={BACK} className="stroke-line" strokeWidth={3} />
              {(
                [
                  ['front', FRONT],
                  ['back', BACK],
                ] as const
              ).map(([plate, y]) => {
                const hole = said(a.id, plate);
                return (
                  hole && (
                    <g key={plate} transform={`translate(${x} ${y})`}>
                      <title>
                        {`${hole.hole}: ${IN_WORDS[hole.state]}`}
                        {hole.date && `, ${dateInWords(hole.date)}`}
                      </title>
                      <Hole state={hole.state} />
                    </g>
                  )
                );
              })}
              <text x={x} y={HEIGHT - 4} textAnchor="middle" fontSize={15} className="fill-soft">
                {a.id}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** Told apart by shape, not by colour alone. */
function Hole({ state }: { state: HoleState }) {
  switch (state) {
    case 'as made':
      return <circle r={8} className="fill-steel" />;
    case 'later bush':
      return (
        <>
          <circle r={8.5} className="fill-enamel stroke-brass-fill" strokeWidth={3} />
          <circle r={3} className="fill-brass-fill" />
        </>
      );
    case 'punched':
      return (
        <>
          <circle r={8} className="fill-enamel" />
          <path d="M-6 -6 L6 6 M-6 6 L6 -6" className="stroke-danger" strokeWidth={3} />
        </>
      );
    case 'not known':
      return <circle r={7.5} className="fill-enamel stroke-soft" strokeWidth={1.5} strokeDasharray="3 3" />;
  }
}

function Changes({ name, changes }: { name: string; changes: readonly Changed[] }) {
  if (changes.length === 0) return null;
  return (
    <>
      <dt className="text-soft sm:pt-2.5">{name}</dt>
      <dd>
        <ul className="flex flex-col">
          {changes.map(({ entry, date, what, how }, i) => (
            <li key={i}>
              <a href={`#${entry}`} className="inline-flex min-h-11 flex-wrap items-center gap-x-2 hover:underline">
                <b>{sentence(what)}</b>
                <span>
                  {how && `${how} · `}
                  <span className="text-soft">{dateInWords(date)}</span>
                </span>
              </a>
            </li>
          ))}
        </ul>
      </dd>
    </>
  );
}
