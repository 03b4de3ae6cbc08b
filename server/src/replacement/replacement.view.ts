import type { Visit as Shape } from '@eclat/contract';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { Movement } from '../movements/movements.entity.ts';
import { MovementOut, ReplacementAnswer } from './replacement.entity.ts';

export const replacementRows = (visitId: string) => ({
  replacementAnswers: rows(ReplacementAnswer, 'where visit_id = ?', visitId),
  outs: rows(MovementOut, 'where visit_id = ?', visitId),
  outMovements: rows(Movement, 'where id in (select movement_id from movement_out where visit_id = ?)', visitId),
});

export function viewReplacement({
  replacementAnswers,
  outs: [out],
  outMovements: [old],
}: RowsOf<ReturnType<typeof replacementRows>>): Shape['replacement'] {
  return {
    checks: Object.fromEntries(
      replacementAnswers.map((a) => [a.point, { answer: a.answer, note: a.note, by: a.by, at: a.at.toISOString() }]),
    ),
    out:
      out && old
        ? {
            movementId: old.id,
            code: old.code,
            name: old.name,
            why: out.why,
            fate: out.fate,
            visitId: out.outVisitId,
            by: out.by,
            at: out.at.toISOString(),
          }
        : null,
  };
}
