import { benchSheet } from './bench-sheet.ts';
import { slip } from './slip.ts';
import { returnSheet } from './return-sheet.ts';
import { conditionReport } from './condition-report.ts';
import { estimate } from './estimate.ts';
import { label } from './label.ts';
import { receipt } from './receipt.ts';
import type { Asked } from './parts.ts';
import type { DocumentKind } from '@eclat/contract';
import type { Context } from '../platform/http/context.ts';

/** Every kind of document, made anew from what is recorded. */
export const WRITTEN: Record<DocumentKind, (ctx: Context, asked: Asked) => Promise<Buffer>> = {
  receipt: (_, a) => receipt(a),
  label: (_, a) => label(a),
  estimate,
  condition: conditionReport,
  bench: (_, a) => benchSheet(a),
  return: returnSheet,
  slip,
};
