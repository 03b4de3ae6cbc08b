import type { OwnSequence as Shape, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { expectVersion, findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { OwnSequence } from './cleaning.entity.ts';

const view = ({ id, name, steps, retired, version, ...s }: OwnSequence): Shape => ({
  ...{ id, name, steps, retired, version },
  ...viewSigned(s),
});

export async function ownSequences(ctx: Context): Promise<Shape[]> {
  return (await ctx.em.find(OwnSequence, {}, { orderBy: { name: 'asc' } })).map(view);
}

export async function addOwn(ctx: Context, given: ParsedBodyOf<typeof api.cleaning.addOwn>): Promise<Shape> {
  const made = ctx.em.create(OwnSequence, { ...given, ...signature(ctx) });
  await ctx.em.flush();
  return view(made);
}

export async function changeOwn(
  ctx: Context,
  id: string,
  { version, ...given }: ParsedBodyOf<typeof api.cleaning.changeOwn>,
): Promise<Shape> {
  const row = await findOrRefuse(ctx, OwnSequence, { id }, 'sequence');
  expectVersion(row.version, version, view(row));
  ctx.em.assign(row, { ...given, ...signature(ctx) });
  await ctx.em.flush();
  return view(row);
}

export async function retireOwn(ctx: Context, id: string, retired: boolean): Promise<Shape> {
  const row = await findOrRefuse(ctx, OwnSequence, { id }, 'sequence');
  row.retired = retired;
  await ctx.em.flush();
  return view(row);
}
