import { openVisit } from '../visit/lock.ts';
import type { ParsedBodyOf, Power as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { cautionsFor } from '@eclat/core/cautions';
import type { Traits } from '@eclat/core/movement';
import { powerOf, powerWords, stripGate, unsafeFor, type Depth } from '@eclat/core/workflow';
import { expectVersion, findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, notFound, refused } from '../platform/http/problems.ts';
import { StandRun } from '../assembly/assembly.entity.ts';
import { Movement } from '../movements/movements.entity.ts';
import { CautionRead, type Visit } from '../visit/visit.entity.ts';
import { PowerEvent, Strip } from './power-down.entity.ts';

type Said = Omit<PowerEvent, 'id' | 'visitId'>;

const viewEvent = (e: Said) => ({
  state: e.state,
  turns: e.turns ?? null,
  setUpTurns: e.setUpTurns ?? null,
  note: e.note,
  ...viewSigned(e),
});

/** Each source of the description, with what was said of it. Nobody has looked yet: unknown, never safe. */
export const viewPower = (traits: Traits, events: readonly Said[]): Shape[] =>
  powerOf(traits, events).map(({ source, kind, label, name, last, said }) => ({
    ...{ source, kind, label, name },
    ...(last ? viewEvent(last) : { state: 'unknown', turns: null, setUpTurns: null, note: '', by: '', at: null }),
    version: Math.max(1, ...said.map((e) => e.version)),
    earlier: said.slice(0, -1).reverse().map(viewEvent),
  }));

/** How the sources of an open visit stand. */
async function powerNow(ctx: Context, visit: Visit): Promise<Shape[]> {
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const orderBy = { at: 'asc', version: 'asc' } as const;
  return viewPower(traits, await ctx.em.find(PowerEvent, { visitId: visit.id }, { orderBy }));
}

export async function setPower(
  ctx: Context,
  visitId: string,
  source: string,
  { version, ...fields }: ParsedBodyOf<typeof api.powerDown.set>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  const stands = (await powerNow(ctx, visit)).find((p) => p.source === source);
  if (!stands) throw notFound('source of power');
  expectVersion(stands.version, version, stands);
  if (fields.state !== 'wound') await endsStandRun(ctx, visitId, 'The power was taken off.');
  ctx.em.create(PowerEvent, { visitId, source, ...fields, version: stands.version + 1, ...signature(ctx) });
  await ctx.em.flush();
  return (await powerNow(ctx, visit)).find((p) => p.source === source)!;
}

/** Nobody knows how these stand any more: they are described otherwise. What was never spoken of is unknown anyhow. */
export async function unsureOfPower(ctx: Context, visitId: string, sources: readonly string[]): Promise<void> {
  const events = await ctx.em.find(PowerEvent, { visitId, source: [...sources] });
  for (const source of new Set(events.map((e) => e.source))) {
    const version = Math.max(...events.filter((e) => e.source === source).map((e) => e.version)) + 1;
    const nothing = { turns: null, setUpTurns: null };
    const note = 'It is described otherwise.';
    ctx.em.create(PowerEvent, { visitId, source, state: 'unknown', ...nothing, note, version, ...signature(ctx) });
  }
}

/** A declared run with parts off is over: something else happened to it. */
export async function endsStandRun(ctx: Context, visitId: string, found: string): Promise<void> {
  const run = await ctx.em.findOne(StandRun, { visitId, endedAt: null });
  if (run) ctx.em.assign(run, { found, endedBy: ctx.person.name, endedAt: ctx.now });
}

/**
 * Every source stands wound since then: it was wound, or set going. Where somebody said otherwise later, that stands.
 */
export async function nowWound(ctx: Context, visit: Visit, since: Date, note: string): Promise<void> {
  for (const { source, state, at, version } of await powerNow(ctx, visit)) {
    if (state === 'wound' || (at && new Date(at) > since)) continue;
    const nothing = { turns: null, setUpTurns: null };
    ctx.em.create(PowerEvent, {
      visitId: visit.id,
      ...{ source, state: 'wound', ...nothing, note, version: version + 1 },
      by: ctx.person.name,
      at: since,
    });
  }
}

/**
 * Holds whatever comes off to the power as it stands now, in every pass.
 * @param overridden a reason was given for this pass, or for this step
 * @throws 422 at `opens`
 */
export async function holdToPower(ctx: Context, visit: Visit, opens: Depth | null, overridden: boolean): Promise<void> {
  if (overridden) return;
  const unsafe = unsafeFor(opens, await powerNow(ctx, visit));
  if (unsafe.length === 0) return;
  const stands = `The ${unsafe.map(powerWords).join(', the ')}.`;
  throw badField('opens', `${stands} ${opens === null ? 'Say what this opens.' : 'Make it safe first.'}`);
}

/** @throws 409 with the reasons while the gate is shut */
export async function beginStrip(ctx: Context, visitId: string, overrideReason: string): Promise<void> {
  const visit = await openVisit(ctx, visitId);
  if (await ctx.em.findOne(Strip, { visitId })) return;
  const power = await powerNow(ctx, visit);
  const read = await ctx.em.find(CautionRead, { visitId });
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const unread = cautionsFor(traits, 'power').filter((c) => c.acknowledge && !read.some((r) => r.caution === c.id));
  const gate = stripGate(power, unread.length, overrideReason);
  if (!gate.open) throw refused('The strip cannot begin.', `${gate.reasons.join('; ')}.`);
  ctx.em.create(Strip, {
    visitId,
    overrideReason: gate.unsafe.length > 0 ? overrideReason.trim() : '',
    ...signature(ctx),
  });
}
