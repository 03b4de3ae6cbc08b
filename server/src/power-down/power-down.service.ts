import { openVisit } from '../visit/lock.ts';
import type { ParsedBodyOf, Power as Shape, PowerOverride as Override } from '@eclat/contract';
import { api } from '@eclat/contract';
import { cautionsFor } from '@eclat/core/cautions';
import type { Traits } from '@eclat/core/movement';
import {
  heldUp,
  isAssembled,
  powerOf,
  powerWords,
  standsWound,
  stripGate,
  unsafeFor,
  type Depth,
} from '@eclat/core/workflow';
import { expectVersion, findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, notFound, refused } from '../platform/http/problems.ts';
import { StandRun } from '../assembly/assembly.entity.ts';
import { Movement } from '../movements/movements.entity.ts';
import { CautionRead, StageEvent, type Visit } from '../visit/visit.entity.ts';
import { StripPass } from '../strip/strip.entity.ts';
import { PowerEvent, PowerOverride, Strip } from './power-down.entity.ts';

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
  // Whoever says it knew what was said last: it stands after that, whatever the clock of a device that was away says.
  const at = new Date(Math.max(ctx.now.getTime(), stands.at === null ? 0 : Date.parse(stands.at)));
  ctx.em.create(PowerEvent, { visitId, source, ...fields, version: stands.version + 1, by: ctx.person.name, at });
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

export const viewOverride = ({ id, opens, reason, ...o }: PowerOverride): Override => ({
  ...{ id, opens, reason },
  ...viewSigned(o),
});

/** Leave to open it under power so deep. */
export async function openUnderPower(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.powerDown.open>,
): Promise<Override> {
  await openVisit(ctx, visitId);
  const row = ctx.em.create(PowerOverride, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewOverride(row);
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
  const allowed = await ctx.em.count(PowerOverride, { visitId: visit.id });
  const power = await powerNow(ctx, visit);
  const wound = standsWound(power, since.toISOString(), allowed > 0);
  for (const { source, version } of power.filter((p) => wound.includes(p.source))) {
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
 * Every door to the inside of a movement: nothing is opened so deep while a source that is in the way is wound, held by
 * ties or unknown, in any pass.
 * @param opens null: nobody said, so it counts as the plates
 * @param reason words that give leave for it here; earlier leave holds too
 * @throws 422 at `field`
 */
export async function holdToPower(
  ctx: Context,
  visit: Visit,
  opens: Depth | null,
  { reason = '', field = 'opens' }: { reason?: string; field?: string } = {},
): Promise<void> {
  const ofVisit = { visitId: visit.id };
  const power = await powerNow(ctx, visit);
  // Safe as it is: no leave is asked for.
  if (unsafeFor(opens, power).length === 0) return;
  const unsafe = heldUp(opens, {
    power,
    overrides: await ctx.em.find(PowerOverride, ofVisit),
    passes: await ctx.em.find(StripPass, ofVisit),
  });
  if (unsafe.length === 0) return;
  if (reason !== '') {
    ctx.em.create(PowerOverride, { ...ofVisit, opens: opens ?? 'plates', reason, ...signature(ctx) });
    return;
  }
  const stands = `The ${unsafe.map(powerWords).join(', the ')}.`;
  const asks = opens === null && field === 'opens' ? 'Say what this opens.' : 'Make it safe first.';
  throw badField(field, `${stands} ${asks}`);
}

/**
 * The same for what can only be done with the plates apart, and is sometimes entered afterwards: once it is assembled
 * again nothing is opened by writing it down.
 */
export async function holdApart(ctx: Context, visit: Visit, opens: Depth, field: string): Promise<void> {
  if (unsafeFor(opens, await powerNow(ctx, visit)).length === 0) return;
  const orderBy = { at: 'asc' } as const;
  const [last] = (await ctx.em.find(StageEvent, { visitId: visit.id, stage: 'assemble' }, { orderBy })).slice(-1);
  if (last && isAssembled([last])) return;
  await holdToPower(ctx, visit, opens, { field });
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
  ctx.em.create(Strip, { visitId, ...signature(ctx) });
  if (gate.unsafe.length > 0)
    ctx.em.create(PowerOverride, { visitId, opens: 'plates', reason: overrideReason.trim(), ...signature(ctx) });
}
