import type { SurveyedHole } from '@eclat/contract';
import { holesOf, type Hole, type Plate } from '@eclat/core/movement';
import { bushedHoles, type Way } from '@eclat/core/pivots';
import { held } from '@eclat/core/rules';
import { useState } from 'react';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';
import { HolePanel } from './HolePanel.tsx';
import { PlatesLaid } from './PlatesLaid.tsx';
import { PartsLooked } from './PartsLooked.tsx';
import { FigureKey, PlateFigure } from './PlateFigure.tsx';
import type { Looking } from './play.ts';

const kept = (typed: Record<string, string>): Record<string, string> =>
  Object.fromEntries(['plateMm', 'gapMm', 'atMm'].flatMap((k) => (typed[k] ? [[k, typed[k]]] : [])));

/** A verdict on every hole, front and back, before anything goes together. */
export function SurveyScreen() {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const all = holesOf(traits);
  const measured = new Map(visit.holes.map((h) => [h.key, h]));
  const bushed = bushedHoles(visit.bushes);
  const firstOpen = all.find((h) => !measured.has(h.key))?.key ?? null;
  const [chosen, setChosen] = useState<string | null>(firstOpen ?? all[0]?.key ?? null);
  const [looking, setLooking] = useState<Looking>({
    way: held('survey-method', visit.rules.held).id as Way,
    kind: 'hole',
  });
  // The plate and the gap are the same for the next hole.
  const [carried, setCarried] = useState<Record<string, string>>({});
  const wanted = (plate: string) => visit.holes.filter((h) => h.verdict === 'bush' && h.key.endsWith(plate)).length;
  const left = all.length - measured.size;
  const hole = all.find((h) => h.key === chosen);
  const stateOf = (key: string) =>
    bushed.has(key) ? ('bushed' as const) : (measured.get(key)?.verdict ?? ('not looked at' as const));
  const onwards = (key: string) => {
    const at = all.findIndex((h) => h.key === key);
    const rest = [...all.slice(at + 1), ...all.slice(0, at)];
    setChosen((rest.find((h) => !measured.has(h.key)) ?? all[at + 1] ?? all[0])!.key);
  };
  const count = wanted('front') + wanted('back');
  const photoOf = (plate: Plate) => {
    const laid = visit.platePhotos.find((p) => p.plate === plate);
    const photo = laid && visit.photos.find((p) => p.id === laid.photoId);
    return laid && photo
      ? { src: `/api/photos/${photo.id}/large`, width: photo.width, height: photo.height, points: laid.points }
      : undefined;
  };
  return (
    <>
      <Answer
        tone={count > 0 ? 'due' : left === 0 ? 'good' : 'info'}
        title={
          count > 0
            ? `${count} to bush: ${wanted('front')} front, ${wanted('back')} back`
            : left === 0
              ? 'Every hole is sound'
              : 'Nothing to bush so far'
        }
      >
        {left === 0 ? `All ${all.length} holes are looked at.` : `${left} of ${all.length} holes still to look at.`}
      </Answer>
      <div className="grid items-start gap-5 xl:grid-cols-[minmax(0,1fr)_24rem]">
        <Panel>
          <div className="grid grid-cols-2 gap-5">
            {(['front', 'back'] as const).map((plate) => (
              <PlateFigure
                key={plate}
                traits={traits}
                plate={plate}
                arrangement={visit.movement.plates}
                photo={photoOf(plate)}
                stateOf={stateOf}
                wearOf={(key) => measured.get(key)?.wearDeg ?? null}
                chosen={chosen}
                onChoose={setChosen}
              />
            ))}
          </div>
          <div className="mt-4">
            <FigureKey />
          </div>
          <PlatesLaid onHole={setChosen} />
          {count > 0 && <ByTrain holes={visit.holes} all={all} />}
        </Panel>
        {hole && (
          <HolePanel
            key={`${hole.key}.${measured.get(hole.key)?.version ?? 0}`}
            hole={hole}
            measured={measured.get(hole.key)}
            looking={looking}
            onLooking={setLooking}
            carried={carried}
            onNext={(typed) => {
              setCarried(kept(typed));
              onwards(hole.key);
            }}
          />
        )}
      </div>
      <PartsLooked />
      <StageFoot
        stage="survey"
        ready={left === 0}
        why={`${left} ${left === 1 ? 'hole has' : 'holes have'} no verdict yet.`}
      />
    </>
  );
}

/** How many to bush in which train and plate: the estimate's largest line. */
function ByTrain({ holes, all }: { holes: readonly SurveyedHole[]; all: readonly Hole[] }) {
  const bush = new Set(holes.filter((h) => h.verdict === 'bush').map((h) => h.key));
  const trains = [...new Set(all.map((h) => h.train))];
  const count = (train: string, plate: string) =>
    all.filter((h) => h.train === train && h.plate === plate && bush.has(h.key)).length;
  return (
    <table className="mt-4 w-full max-w-sm text-left">
      <caption className="sr-only">Holes to bush by train and plate</caption>
      <thead>
        <tr className="text-sm text-soft">
          <th scope="col" className="font-normal">
            To bush
          </th>
          <th scope="col" className="font-normal">
            front
          </th>
          <th scope="col" className="font-normal">
            back
          </th>
        </tr>
      </thead>
      <tbody>
        {trains.map((t) => (
          <tr key={t} className="border-t border-line">
            <th scope="row" className="py-1 font-semibold capitalize">
              {t}
            </th>
            {['front', 'back'].map((p) => (
              <td key={p} className="text-lg font-bold tabular-nums">
                {count(t, p) || '–'}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
