import type { SurveyedHole, Visit } from '@eclat/contract';
import { tightLeft } from '@eclat/core/pivots';
import { counted } from '@eclat/core/units';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { WorkForm } from './WorkDone.tsx';

/** A hole found tight is opened a little at a time: what, by how much, as often as it takes. */
export function TightHoles({ visit, name }: { visit: Visit; name: (hole: string) => string }) {
  const [easing, setEasing] = useState<string | null>(null);
  const tight = visit.holes.filter((h) => h.verdict === 'tight');
  if (tight.length === 0) return null;
  const left = tightLeft(tight, visit.work).length;
  const inHand = tight.find((h) => h.key === easing);
  return (
    <Fold
      name="tight"
      title={left > 0 ? `${counted(left, 'tight hole')} to ease` : 'Tight holes are eased'}
      open={left > 0}
    >
      <ul className="divide-y divide-line">
        {tight.map((h) => (
          <li key={h.key} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1.5">
            <p className="min-w-0 flex-1">
              <b>{name(h.key)}</b>
              {easedWords(visit, h.key).map((said, i) => (
                <span key={i} className="block text-soft">
                  {said}
                </span>
              ))}
            </p>
            {!visit.closedAt && (
              <Button aria-expanded={easing === h.key} onClick={() => setEasing(easing === h.key ? null : h.key)}>
                {easedWords(visit, h.key).length > 0 ? 'Ease again' : 'Ease'}
                <span className="sr-only"> {name(h.key)}</span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      {inHand && (
        <div className="mt-3 border-t border-line pt-3">
          <WorkForm
            key={inHand.key}
            visit={visit}
            begins={{
              part: `${name(inHand.key)}, hole`,
              did: 'hole eased',
              before: sizeNow(visit, inHand),
              hole: inHand.key,
              reversible: false,
            }}
            onClose={() => setEasing(null)}
          />
        </div>
      )}
    </Fold>
  );
}

function easedWords(visit: Visit, hole: string): string[] {
  return visit.work
    .filter((w) => w.hole === hole)
    .map((w) => [w.did, [w.before, w.after].filter(Boolean).join(' → ')].filter(Boolean).join(': '));
}

/** As it was left by the last easing, or measured: where neither is, nothing is made up. */
function sizeNow(visit: Visit, { key, holeShortMm }: SurveyedHole): string {
  const last = visit.work.findLast((w) => w.hole === key)?.after;
  return last || (holeShortMm === null ? '' : `${holeShortMm.toFixed(2)} mm`);
}
