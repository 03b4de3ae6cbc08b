import { openVisit } from '../visit/lock.ts';
import type { ParsedQueryOf, Recording as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { wavFormat } from '@eclat/core/sound';
import { Outside } from '@eclat/core/units';
import { sha256 } from '../platform/sha256.ts';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField, HttpProblem } from '../platform/http/problems.ts';
import { StripStep } from '../strip/strip.entity.ts';
import { Recording } from './recordings.entity.ts';

export const LARGEST_RECORDING = 30 * 1024 * 1024;
type Row = Omit<Recording, 'wav'>;
export const viewRecording = (r: Row): Shape => ({
  id: r.id,
  stage: r.stage,
  kind: r.kind,
  caption: r.caption,
  seconds: r.seconds,
  sampleRate: r.sampleRate,
  hash: r.hash,
  by: r.by,
  at: r.at.toISOString(),
});

/**
 * Sound is known by its content, not by what it is called.
 * @throws 415 when it is not WAV of a kind that is read
 */
export async function addRecording(
  ctx: Context,
  visitId: string,
  bytes: unknown,
  { id, ...given }: ParsedQueryOf<typeof api.recordings.add>,
): Promise<Shape> {
  const format = readHead(bytes);
  await openVisit(ctx, visitId);
  if (id !== undefined && (await ctx.em.count(Recording, { id })))
    throw badField('id', 'Another recording has this name.');
  const seconds = format.dataBytes / (format.bits / 8) / format.channels / format.sampleRate;
  const row = ctx.em.create(Recording, {
    ...(id === undefined ? {} : { id }),
    visitId,
    ...given,
    seconds,
    sampleRate: format.sampleRate,
    hash: sha256(bytes as Buffer),
    wav: bytes as Buffer,
    ...signature(ctx),
  });
  await ctx.em.flush();
  return viewRecording(row);
}

function readHead(bytes: unknown) {
  try {
    const given = Buffer.isBuffer(bytes) ? bytes : new Uint8Array();
    return wavFormat((from, to) => given.subarray(from, to), given.length);
  } catch (error) {
    if (error instanceof Outside)
      throw new HttpProblem(415, 'This is not a sound that can be read.', { detail: error.message });
    throw error;
  }
}

export async function removeRecording(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  const row = await findOrRefuse(ctx, Recording, { id, visitId }, 'recording');
  await ctx.em.nativeUpdate(StripStep, { recordingId: id }, { recordingId: null });
  ctx.em.remove(row);
}
