import { holesOf } from '@eclat/core/movement';
import { useState } from 'react';
import { Answer, Panel } from '../ui/Answer.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';
import { HolePanel } from './HolePanel.tsx';
import { FigureKey, PlateFigure } from './PlateFigure.tsx';

/** A verdict on every hole, front and back, before anything goes together. */
export function Component() {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const all = holesOf(traits);
  const measured = new Map(visit.holes.map((h) => [h.key, h]));
  const bushed = new Set(visit.bushes.map((b) => b.hole));
  const firstOpen = all.find((h) => !measured.has(h.key))?.key ?? null;
  const [chosen, setChosen] = useState<string | null>(firstOpen ?? all[0]?.key ?? null);
  const wanted = (plate: string) => visit.holes.filter((h) => h.verdict === 'bush' && h.key.endsWith(plate)).length;
  const left = all.length - measured.size;
  const hole = all.find((h) => h.key === chosen);
  const stateOf = (key: string) => (bushed.has(key) ? 'bushed' as const : measured.get(key)?.verdict ?? 'not looked at' as const);
  const onwards = (key: string) => {
    const at = all.findIndex((h) => h.key === key);
    const rest = [...all.slice(at + 1), ...all.slice(0, at)];
    setChosen((rest.find((h) => !measured.has(h.key)) ?? all[at + 1] ?? all[0])!.key);
  };
  const count = wanted('front') + wanted('back');
  return (
    <>
      <Answer tone={count > 0 ? 'due' : left === 0 ? 'good' : 'info'} title={count > 0 ? `${count} to bush: ${wanted('front')} front, ${wanted('back')} back` : left === 0 ? 'Every hole is sound' : 'Nothing to bush so far'}>
        {left === 0 ? `All ${all.length} holes are looked at.` : `${left} of ${all.length} holes still to look at.`}
      </Answer>
      <div className="grid items-start gap-5 xl:grid-cols-[minmax(0,1fr)_23rem]">
        <Panel>
          <div className="grid grid-cols-2 gap-5">
            {(['front', 'back'] as const).map((plate) => <PlateFigure key={plate} traits={traits} plate={plate} stateOf={stateOf} chosen={chosen} onChoose={setChosen} />)}
          </div>
          <div className="mt-4"><FigureKey /></div>
        </Panel>
        {hole && <HolePanel key={`${hole.key}.${measured.get(hole.key)?.version ?? 0}`} hole={hole} measured={measured.get(hole.key)} onNext={() => onwards(hole.key)} />}
      </div>
      <StageFoot stage="survey" ready={left === 0} why={`${left} ${left === 1 ? 'hole has' : 'holes have'} no verdict yet.`} />
    </>
  );
}
