import { Fold } from '../../ui/Fold.tsx';
import type { Visit } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import { bushedHoles, bushesLeft, dryStanding, pairsTouched, type SurveyedPart } from '@eclat/core/pivots';
import { stagesIn } from '@eclat/core/workflow';
import { byCount, counted } from '@eclat/core/units';
import { Link } from 'react-router';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Missing } from '../reception/Missing.tsx';
import { holeNames } from '../survey/hole-names.ts';
import { PartRow } from '../survey/PartConditions.tsx';
import { UnderPower } from '../power-down/UnderPower.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { ShopWork } from '../shop-work/ShopWork.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { BushesFitted } from './BushesFitted.tsx';
import { BushSheet } from './BushSheet.tsx';
import { DryFit } from './DryFit.tsx';
import { Expected } from './Expected.tsx';
import { PartForm } from './PartForm.tsx';
import { PartsFitted } from './PartsFitted.tsx';
import { TightHoles } from './TightHoles.tsx';
import { WorkDone } from './WorkDone.tsx';

/** Each worn hole back to its true centre and size; every part that was replaced accounted for. */
export function FittingScreen() {
  const visit = useThisVisit();
  const touched = pairsTouched(visit.movement.traits, bushedHoles(visit.bushes));
  const undepthed = touched.filter((p) => !visit.partConditions.some((l) => l.key === p.key)).length;
  const wanted = bushesLeft(visit.holes, visit.bushes);
  const jewels = visit.holes.filter((h) => h.verdict === 'renew');
  const inPlace = stagesIn(visit.stages, 'not in this job').includes('survey');
  const name = holeNames(holesOf(visit.movement.traits));
  return (
    <>
      <FittingAnswer visit={visit} left={wanted.length} undepthed={undepthed} />
      <Cautions stage="fit" />
      {wanted.length > 0 && !visit.closedAt && (
        <Panel title="Bushes to fit">
          <UnderPower opens="plates" entered />
          <BushSheet wanted={wanted} name={name} />
        </Panel>
      )}
      {jewels.length > 0 && (
        <p className="rounded-lg bg-brass-wash px-4 py-3 font-semibold">
          {counted(jewels.length, 'jewel')} to renew: {jewels.map((h) => name(h.key)).join('; ')}. Enter each as a part
          that was fitted.
        </p>
      )}
      <BushesFitted visit={visit} name={name} />
      <DryFit visit={visit} name={name} />
      {touched.length > 0 && <Depths visit={visit} touched={touched} undepthed={undepthed} />}
      <TightHoles visit={visit} name={name} />
      <WorkDone visit={visit} open={inPlace && visit.work.length === 0} />
      <Missing short />
      <Expected visitId={visit.id} />
      <Fold title="Parts fitted" says={visit.parts.length > 0 && visit.parts.length} open={wanted.length === 0}>
        <PartsFitted visit={visit} />
        {!visit.closedAt && <PartForm />}
      </Fold>
      <ShopWork visitId={visit.id} />
      {!visit.closedAt && !visit.replacement.out && (
        <p className="no-print">
          <Link
            className="inline-flex min-h-11 items-center font-semibold text-steel underline"
            to={`/visits/${visit.id}/replace`}
          >
            Another movement goes into this case
          </Link>
        </p>
      )}
      <StageFoot stage="fit" />
    </>
  );
}

function FittingAnswer({ visit, left, undepthed }: { visit: Visit; left: number; undepthed: number }) {
  const fitted = bushedHoles(visit.bushes).size;
  if (left > 0)
    return (
      <Answer tone="due" title={`${counted(left, 'bush', 'bushes')} still to fit`}>
        {fitted} fitted so far.
      </Answer>
    );
  const dry = visit.dryFits.some((f) => f.endedAt === null);
  const words = [...dryStanding(visit.bushes, visit.dryTries).values()];
  const bad = words.filter((w) => w !== null && w !== 'free').length;
  if (bad > 0) return <Answer tone="due" title={`${counted(bad, 'bush', 'bushes')} not free yet`} />;
  const toFeel = dry ? words.filter((w) => w === null).length : 0;
  if (toFeel > 0) return <Answer tone="due" title={`${counted(toFeel, 'bush', 'bushes')} to feel, dry`} />;
  if (fitted === 0 && stagesIn(visit.stages, 'not in this job').includes('survey'))
    return (
      <Answer tone={visit.work.length + visit.parts.length > 0 ? 'good' : 'due'} title="What was done in place">
        Enter what was done to each part, and each part that was fitted.
      </Answer>
    );
  const all = byCount(fitted, 'The bush is in', `All ${fitted} bushes are in`);
  return (
    <Answer tone="good" title={visit.bushes.length === 0 ? 'No hole needs a bush' : all}>
      {dry && 'It still stands together dry. '}
      {undepthed > 0 && 'Feel the depth of the pairs that were touched. '}Enter each part that was fitted, and what
      became of the old one.
    </Answer>
  );
}

/** A bush may shift an arbor: the depth of its pairs is felt again. */
function Depths({ visit, touched, undepthed }: { visit: Visit; touched: readonly SurveyedPart[]; undepthed: number }) {
  const title = undepthed > 0 ? `Depth to feel: ${counted(undepthed, 'pair')}` : 'Depth of the pairs that were touched';
  return (
    <Fold name="depths" title={title} open={undepthed > 0}>
      <ul className="divide-y divide-line">
        {touched.map((p) => (
          <PartRow key={p.key} part={p} found={visit.partConditions.find((l) => l.key === p.key)} />
        ))}
      </ul>
    </Fold>
  );
}
