import { lengthBy, ovalBy, type Measured, type Scale, type Spot } from '@eclat/core/photo';
import { useState } from 'react';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { LengthField, lengthMm } from '../../ui/LengthField.tsx';
import type { OnDevice } from './onDevice.ts';
import { PhotoBoard } from './PhotoBoard.tsx';
import { Mark } from './PressBoard.tsx';

const RULER_MM = [0.5, 2000] as const;
type Pair = readonly [Spot, Spot];
const say = ({ mm, within }: Measured) => `${mm.toFixed(2)} mm ± ${within.toFixed(2)}`;

/** Two marks on a ruler make every other pair of presses a length. */
export function MeasureLengths({ photo }: { photo: OnDevice }) {
  const [spots, setSpots] = useState<readonly Spot[]>([]);
  const [typed, setTyped] = useState('10 mm');
  const mm = lengthMm(typed, RULER_MM);
  const [from, to, ...rest] = spots;
  const scale: Scale | null = from && to && mm !== null ? { from, to, mm } : null;
  const pairs: Pair[] = [];
  for (let i = 0; i + 1 < rest.length; i += 2) pairs.push([rest[i]!, rest[i + 1]!]);
  const found = scale ? measured(scale, pairs) : null;
  const of = photo.canvas.width;
  return (
    <>
      <Answer tone={found?.wrong ? 'due' : 'info'} title={found?.wrong ?? asks(spots.length)}>
        {found?.oval}
      </Answer>
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <PhotoBoard photo={photo} asks={asks(spots.length)} onPress={(at) => setSpots((s) => [...s, at])}>
          {from && to && <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="#d8a51d" strokeWidth={of / 300} />}
          {pairs.map(([a, b], i) => (
            <line key={i} x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#3d6bd6" strokeWidth={of / 300} />
          ))}
          {spots.map((at, i) => (
            <Mark key={i} at={at} of={of} says={i > 1 && i % 2 === 0 ? String(i / 2) : ''} />
          ))}
        </PhotoBoard>
        <div className="flex flex-col gap-3">
          <LengthField
            name="ruler"
            label="Between the two marks of the ruler"
            value={typed}
            onChange={setTyped}
            plausible={RULER_MM}
          />
          <Panel title="Lengths">
            {found && found.lengths.length > 0 ? (
              <ol className="list-decimal pl-6 text-xl">
                {found.lengths.map((l, i) => (
                  <li key={i}>{say(l)}</li>
                ))}
              </ol>
            ) : (
              <Empty>Two marks of a ruler first, then both ends of what is to be measured.</Empty>
            )}
            <p className="mt-2 text-soft">
              Ruler and part lie at one height, seen straight from above: a tilt of 10° shortens by 1.5 %.
            </p>
          </Panel>
          {spots.length > 0 && (
            <div className="flex gap-3">
              <Button onClick={() => setSpots((s) => s.slice(0, -1))}>Take the last one back</Button>
              <Button variant="plain" onClick={() => setSpots([])}>
                Press again
              </Button>
            </div>
          )}
        </div>
      </div>
    </>
  );
}

const asks = (pressed: number): string => {
  if (pressed < 2) return pressed === 0 ? 'Press one mark of the ruler' : 'Press the other mark';
  return pressed % 2 === 0 ? 'Press one end' : 'Press the other end';
};

function measured(scale: Scale, pairs: readonly Pair[]): { lengths: Measured[]; oval: string; wrong?: string } {
  try {
    const lengths = pairs.map(([a, b]) => lengthBy(scale, a, b));
    const [one, two] = pairs.slice(-2);
    if (!one || !two) return { lengths, oval: '' };
    const { oval, worn } = ovalBy(scale, one, two);
    const as = `As the two ways of a hole, the last two differ by ${say(oval)}: `;
    return { lengths, oval: as + (worn ? 'oval.' : 'not more than the presses can be off.') };
  } catch (error) {
    return { lengths: [], oval: '', wrong: (error as Error).message };
  }
}
