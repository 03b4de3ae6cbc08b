import { AudioLines, Trash2 } from 'lucide-react';
import { Link } from 'react-router';
import { api } from '../api/doors.ts';
import { useTakeOut } from '../api/useTakeOut.ts';
import { Panel } from '../ui/Answer.tsx';
import { buttonClass } from '../ui/Button.tsx';
import { dayTime } from '../ui/dates.ts';
import { useThisVisit } from '../visit/thisVisit.ts';

/** What was heard of its beat, newest first, with its sound where that was kept. */
export function Heard() {
  const visit = useThisVisit();
  const out = useTakeOut(api.together.unhear, api.together.hear, 'What was heard');
  const params = { visitId: visit.id };
  return (
    <Panel title="By sound" aside={<Link className={buttonClass()} to={`/visits/${visit.id}/listen`}><AudioLines className="size-5" aria-hidden />Listen</Link>}>
      {visit.heard.length === 0 ? <p className="text-soft">Rate, beat error and amplitude that were heard stand here.</p> : (
        <ul className="divide-y divide-line">
          {visit.heard.toReversed().map(({ id, by, at, ...h }) => (
            <li key={id} className="flex min-h-12 flex-wrap items-center gap-x-5 py-1">
              <span className="w-36 text-soft">{dayTime(at)}</span>
              <span className="text-lg font-semibold">{h.rateSecondsPerDay >= 0 ? '+' : '−'}{Math.abs(h.rateSecondsPerDay).toFixed(1)} ± {(1.96 * h.rateStandardError).toFixed(1)} s/day</span>
              <span>{h.beatErrorMs === null ? 'beat not told' : `${h.beatErrorMs.toFixed(1)} ms out of beat`}{h.amplitudeDegrees !== null && `, ${h.amplitudeDegrees.toFixed(0)}°`}; {h.beatsPerHour.toLocaleString('en-GB')} an hour, {h.seconds.toFixed(0)} s{h.from === 'simulated' && ', simulated'}</span>
              {h.recordingId && <audio controls preload="none" src={`/api/recordings/${h.recordingId}/sound`} aria-label={`Sound of ${dayTime(at)}`} className="h-11 max-w-full" />}
              <span className="ml-auto text-sm text-soft">{by}</span>
              {!visit.closedAt && <button type="button" aria-label={`Throw away what was heard ${dayTime(at)}`} className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash" onClick={() => out({ params: { ...params, heardId: id } }, { params, body: h })}><Trash2 className="size-5" /></button>}
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}
