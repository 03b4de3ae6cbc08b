import type { StripStep as Shape, Visit } from '@eclat/contract';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { Strip } from '../power-down/power-down.entity.ts';
import { StripCustody, StripPass, StripPhase, StripStep, StripTemporary } from './strip.entity.ts';

export type Log = Visit['strip'];

export const signed = (x: { by: string; at: Date }) => ({ by: x.by, at: x.at.toISOString() });

export const viewStep = (s: StripStep): Shape => ({
  id: s.id,
  version: s.version,
  pass: s.pass,
  what: s.what,
  heldBy: s.heldBy,
  place: s.place,
  remarks: s.remarks,
  note: s.note,
  group: s.group,
  photoId: s.photoId ?? null,
  recordingId: s.recordingId ?? null,
  opens: s.opens ?? null,
  overrideReason: s.overrideReason,
  fate: s.fate,
  fateNote: s.fateNote,
  fateBy: s.fateBy,
  fateAt: s.fateAt?.toISOString() ?? null,
  ...signed(s),
});

export const viewPass = (p: {
  number: number;
  reason: string;
  cure: string;
  hours?: number | null;
  by: string;
  at: Date;
}) => ({ number: p.number, reason: p.reason, cure: p.cure, hours: p.hours ?? null, ...signed(p) });

export const stripRows = (visitId: string) => ({
  begun: rows(Strip, 'where visit_id = ?', visitId),
  steps: rows(StripStep, 'where visit_id = ? order by position', visitId),
  passes: rows(StripPass, 'where visit_id = ? order by number', visitId),
  phases: rows(StripPhase, 'where visit_id = ? order by at', visitId),
  temporary: rows(StripTemporary, 'where visit_id = ? order by at', visitId),
  custody: rows(StripCustody, 'where visit_id = ? order by at', visitId),
});

export function viewStrip({
  begun: [begun],
  steps,
  passes,
  phases,
  temporary,
  custody,
}: RowsOf<ReturnType<typeof stripRows>>): Log {
  return {
    begun: begun ? { overrideReason: begun.overrideReason, ...signed(begun) } : null,
    steps: steps.map(viewStep),
    passes: passes.map(viewPass),
    phases: phases.map((p) => ({
      id: p.id,
      what: p.what,
      how: p.how,
      when: p.when,
      setBy: p.setBy,
      setAt: p.setAt?.toISOString() ?? null,
      ...signed(p),
    })),
    temporary: temporary.map((t) => ({ id: t.id, what: t.what, ended: t.ended ?? null, ...signed(t) })),
    custody: custody.map((c) => ({
      id: c.id,
      what: c.what,
      withWhom: c.withWhom,
      forWhat: c.forWhat,
      backAt: c.backAt?.toISOString() ?? null,
      state: c.state,
      ...signed(c),
    })),
  };
}
