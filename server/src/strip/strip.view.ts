import type { StripStep as Shape, Visit } from '@eclat/contract';
import type { InferEntity } from '@mikro-orm/core';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { Strip } from '../power-down/power-down.entity.ts';
import { stillHolds, type Depth, type Mends, type PassDepth } from '@eclat/core/workflow';
import { StripCustody, StripPass, StripPhase, StripStep, StripTemporary } from './strip.entity.ts';

export type Log = Visit['strip'];

export const signed = (x: { by: string; at: Date }) => ({ by: x.by, at: x.at.toISOString() });

export const viewTemporary = (t: StripTemporary): Log['temporary'][number] => ({
  ...{ id: t.id, what: t.what, kind: t.kind, ended: t.ended ?? null },
  ...signed(t),
});

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

/** A phase that was opened again since it was set is to be set anew. */
function setNow({ when, setBy, setAt }: InferEntity<typeof StripPhase>, passes: readonly PassDepth[]) {
  const at = setAt?.toISOString() ?? null;
  const from = when === 'outside' ? 'dial side' : 'plates';
  return at !== null && stillHolds(at, from, passes) ? { setBy, setAt: at } : { setBy: '', setAt: null };
}

export const viewPass = (p: {
  number: number;
  reason: string;
  depth: Depth;
  mends: Mends;
  cure: string;
  hours?: number | null;
  by: string;
  at: Date;
}) => ({
  number: p.number,
  reason: p.reason,
  depth: p.depth,
  mends: p.mends,
  cure: p.cure,
  hours: p.hours ?? null,
  ...signed(p),
});

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
    begun: begun ? signed(begun) : null,
    steps: steps.map(viewStep),
    passes: passes.map(viewPass),
    phases: phases.map((p) => ({
      id: p.id,
      what: p.what,
      how: p.how,
      when: p.when,
      photoId: p.photoId ?? null,
      ...setNow(p, passes.map(viewPass)),
      ...signed(p),
    })),
    temporary: temporary.map(viewTemporary),
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
