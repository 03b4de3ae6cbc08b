import type { Checked } from '@eclat/contract';
import { judgeWindings } from '@eclat/core/electric';
import { windings } from '@eclat/core/checks';
import { byCount } from '@eclat/core/units';
import { Hand, RotateCcw } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** A press at each winding: how often, how evenly, and whether that is what belongs there. */
export function Windings({
  kept,
  onKeep,
}: {
  kept: Checked | undefined;
  onKeep: (result: Checked['result'], note: string, times: string[]) => void;
}) {
  const visit = useThisVisit();
  const times = kept?.detail && 'windings' in kept.detail ? kept.detail.windings : [];
  const counted = windings(times.map((t) => Date.parse(t)));
  // What belongs there was entered on the electric bench, if anywhere.
  const expected = visit.benchTests.map((e) => e.test).findLast((l) => l.kind === 'contact')?.expectedPerMinute ?? null;
  const judged = counted && expected !== null ? judgeWindings(expected, counted.perMinute) : null;
  const words =
    counted &&
    `${times.length} windings, one every ${counted.everyS.toFixed(1)} s (` +
      `${counted.perMinute.toFixed(2)} a minute)` +
      (counted.scatterS === null ? '' : `, scatter ${counted.scatterS.toFixed(1)} s`) +
      (judged ? `; ${judged}, ${expected} a minute belong there` : '');
  return (
    <div role="group" aria-label="Windings counted" className="mt-2 flex flex-wrap items-center gap-3">
      <Button variant="main" onClick={() => onKeep('under way', '', [...times, new Date().toISOString()])}>
        <Hand className="size-5" aria-hidden />
        It winds now
      </Button>
      <span role="status" className="min-w-0 flex-1 basis-64 text-lg">
        {words ?? byCount(times.length, 'Press again at the next winding.', 'Press at each winding, five or more.')}
      </span>
      {words && (
        <Button onClick={() => onKeep(judged === null || judged === 'right' ? 'passed' : 'failed', words, times)}>
          {judged === null || judged === 'right' ? 'That is right' : `It failed: ${judged}`}
        </Button>
      )}
      {times.length > 0 && (
        <Button variant="plain" onClick={() => onKeep('under way', '', [])}>
          <RotateCcw className="size-5" aria-hidden />
          Count again
        </Button>
      )}
    </div>
  );
}
