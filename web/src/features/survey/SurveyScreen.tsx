import type { SurveyedHole, Visit } from '@eclat/contract';
import { PLATES, trainName, type Hole, type Plate, type Train } from '@eclat/core/movement';
import { Answer } from '../../ui/Answer.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { GoneHere } from '../visit/GoneHere.tsx';
import { UnderPower } from '../power-down/UnderPower.tsx';
import { Around } from '../visit/Around.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { TightHoles } from '../fitting/TightHoles.tsx';
import { AskOwner } from './AskOwner.tsx';
import { HolePanel } from './HolePanel.tsx';
import { PlatesLaid } from './PlatesLaid.tsx';
import { PartConditions } from './PartConditions.tsx';
import { FigureKey, PlateFigure } from './PlateFigure.tsx';
import { useSurvey, type Survey } from './useSurvey.ts';

/** A verdict on every hole, front and back, before anything goes together. */
export function SurveyScreen() {
  const visit = useThisVisit();
  const survey = useSurvey(visit);
  const { all, measured, chosen } = survey;
  const hole = all.find((h) => h.key === chosen);
  const toBush = survey.toBush('front') + survey.toBush('back');
  const beside = (
    <>
      {/* While holes are left the room above is theirs. */}
      {survey.left > 0 && <AskOwner visit={visit} />}
      <TightHoles visit={visit} name={survey.nameOf} />
      <Fold bare title="What the shapes mean">
        <FigureKey />
      </Fold>
      {toBush > 0 && (
        <Fold bare title="To bush, by train">
          <ByTrain holes={visit.holes} all={all} />
        </Fold>
      )}
      {!visit.closedAt && (
        <Fold bare title="Plates: sides, photo, centre distances">
          <Around>
            <PlatesLaid onHole={survey.choose} />
          </Around>
        </Fold>
      )}
    </>
  );
  return (
    <>
      <SurveyAnswer visit={visit} survey={survey} />
      <UnderPower opens="plates" entered />
      <Around>
        <Cautions stage="survey" />
      </Around>
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_24rem] lg:grid-rows-[auto_1fr]">
        <div className="grid min-w-0 grid-cols-2 gap-2 md:gap-5">
          {PLATES.map((plate) => (
            <PlateFigure
              key={plate}
              traits={visit.movement.traits}
              plate={plate}
              arrangement={visit.movement.plates}
              photo={photoUnder(visit, plate)}
              stateOf={survey.stateOf}
              wearOf={(key) => measured.get(key)?.wearDeg ?? null}
              chosen={chosen}
              onChoose={survey.choose}
            />
          ))}
        </div>
        {hole && (
          <div className="min-w-0 lg:col-start-2 lg:row-span-2 lg:row-start-1">
            <HolePanel
              key={`${hole.key}.${measured.get(hole.key)?.version ?? 0}`}
              hole={hole}
              measured={measured.get(hole.key)}
              survey={survey}
            />
          </div>
        )}
        {/* Under the panel on an upright screen: the hole in hand comes first. */}
        <div className="flex min-w-0 flex-col lg:col-start-1">{beside}</div>
      </div>
      <Around>
        <PartConditions />
        <GoneHere stage="survey" />
      </Around>
      <StageFoot stage="survey" />
    </>
  );
}

function SurveyAnswer({ visit, survey: { all, left, toBush } }: { visit: Visit; survey: Survey }) {
  const [front, back] = [toBush('front'), toBush('back')];
  const says =
    left === 0 ? `All ${all.length} holes are looked at.` : `${left} of ${all.length} holes still to look at.`;
  if (front + back > 0)
    return (
      <Answer tone="due" title={`${front + back} to bush: ${front} front, ${back} back`}>
        <span className="flex flex-wrap items-center gap-x-4 gap-y-2">
          {says}
          {left === 0 && <AskOwner visit={visit} />}
        </span>
      </Answer>
    );
  return (
    <Answer tone={left === 0 ? 'good' : 'info'} title={left === 0 ? 'Every hole is sound' : 'Nothing to bush so far'}>
      {says}
    </Answer>
  );
}

/** The photo that lies under a drawn plate, if one does. */
function photoUnder(visit: Visit, plate: Plate) {
  const laid = visit.platePhotos.find((p) => p.plate === plate);
  const photo = laid && visit.photos.find((p) => p.id === laid.photoId);
  return laid && photo
    ? { src: `/api/photos/${photo.id}/large`, width: photo.width, height: photo.height, points: laid.points }
    : undefined;
}

/** How many to bush in which train and plate: the estimate's largest line. */
function ByTrain({ holes, all }: { holes: readonly SurveyedHole[]; all: readonly Hole[] }) {
  const bush = new Set(holes.filter((h) => h.verdict === 'bush').map((h) => h.key));
  const trains = [...new Set(all.map((h) => h.train))];
  const count = (train: Train, plate: string) =>
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
          <tr key={t.id} className="border-t border-line">
            <th scope="row" className="py-1 font-semibold capitalize">
              {trainName(t)}
            </th>
            {PLATES.map((p) => (
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
