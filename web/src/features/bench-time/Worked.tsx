import { hoursByStage, hoursSpent, LONGEST_H } from '@eclat/core/planning';
import { counted } from '@eclat/core/units';
import { stageName } from '@eclat/core/workflow';
import { Trash2 } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useMe } from '../../data/queries.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Panel } from '../../ui/Answer.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** Bench time against what was written: by stage, and each entry behind it. */
export function Worked({ writtenH, hourlyRate, currency }: { writtenH: number; hourlyRate: string; currency: string }) {
  const visit = useThisVisit();
  const me = useMe()?.name;
  const now = useNow(60_000);
  const time = useTakeOut(api.benchTime.remove, 'Time');
  if (visit.time.length === 0) return null;
  const all = hoursSpent(visit.time, now);
  const h = (x: number) => `${x.toFixed(1)} h`;
  return (
    <Panel title="Worked so far">
      <p className="text-2xl font-bold">
        {h(all)}
        {writtenH > 0 && <span className="text-lg font-normal text-soft"> of {h(writtenH)} written</span>}
      </p>
      <p className="text-soft">
        At {hourlyRate} an hour: {(all * Number(hourlyRate)).toFixed(2)} {currency}
      </p>
      <table className="mt-3 w-full text-left">
        <caption className="sr-only">Hours by stage</caption>
        <tbody>
          {hoursByStage(visit.time, now).map((s) => (
            <tr key={s.stage} className="border-t border-line">
              <th scope="row" className="py-1 font-semibold">
                {stageName(s.stage)}
              </th>
              <td className="text-right tabular-nums">{h(s.hours)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <details className="mt-3">
        <summary className="min-h-11 cursor-pointer font-semibold">
          {counted(visit.time.length, 'entry', 'entries')}
        </summary>
        <ul className="divide-y divide-line text-sm">
          {visit.time.map((t) => (
            <li key={t.id} className="flex items-center gap-2 py-1">
              <span className="min-w-0 flex-1">
                {stageName(t.stage)}, {t.by}, {dayTime(t.startedAt)}:{' '}
                {t.endedAt === null ? 'running' : h(hoursSpent([t], now))}
                {t.endedAt !== null && Date.parse(t.endedAt) - Date.parse(t.startedAt) > LONGEST_H * 3_600_000 && (
                  <b className="text-brass"> nobody stopped it; {LONGEST_H} h are counted</b>
                )}
              </span>
              {!visit.closedAt && t.endedAt !== null && t.by === me && (
                <button
                  type="button"
                  aria-label={`Take out: ${stageName(t.stage)}, ${dayTime(t.startedAt)}`}
                  className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
                  onClick={() => time({ params: { visitId: visit.id, timeId: t.id } })}
                >
                  <Trash2 className="size-5" />
                </button>
              )}
            </li>
          ))}
        </ul>
      </details>
    </Panel>
  );
}
