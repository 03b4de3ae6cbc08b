import { openVisit } from '../visit/lock.ts';
import { OwnerLink, OwnerLinkUse, OwnerQuestion } from './owner-page.entity.ts';
import type { OwnerPage, ParsedBodyOf, ReplyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { priceAccepted, priceOfRoute, totals } from '@eclat/core/estimate';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { notFound, refused } from '../platform/http/problems.ts';
import { hashOf, newToken } from '../platform/http/tokens.ts';
import { loadPhotos } from '../photos/photos.service.ts';
import { STANDS } from '../assessment/findings.service.ts';
import { Finding } from '../assessment/findings.entity.ts';
import { Clock } from '../movements/movements.entity.ts';
import { Owner } from '../owners/owners.entity.ts';
import { theShop } from '../people/shop.service.ts';
import { Visit } from '../visit/visit.entity.ts';
import { chooseRoute, decide, loadAgreement } from '../agreement/agreement.service.ts';

const DAY_MS = 86_400_000;

/** A new address ends the old one. The token is told once, here; only its hash is kept. */
export async function makeLink(
  ctx: Context,
  visitId: string,
  days: number,
): Promise<ReplyOf<typeof api.agreement.makeLink>> {
  await openVisit(ctx, visitId);
  await removeLink(ctx, visitId);
  const token = newToken();
  const expiresAt = new Date(ctx.now.getTime() + days * DAY_MS);
  ctx.em.create(OwnerLink, { visitId, tokenHash: hashOf(token), expiresAt, revokedAt: null, ...signature(ctx) });
  return { token, expiresAt: expiresAt.toISOString() };
}

export async function removeLink(ctx: Context, visitId: string): Promise<void> {
  await openVisit(ctx, visitId);
  await ctx.em.nativeUpdate(OwnerLink, { visitId, revokedAt: null }, { revokedAt: ctx.now });
}

export interface Guest {
  link: OwnerLink;
  visit: Visit;
  name: string;
}

/**
 * Who holds the address.
 * @throws 404 alike for an address that never was, has expired, was ended, or whose visit is signed
 */
export async function guestOf(ctx: Context, token: string): Promise<Guest> {
  const link = await ctx.em.findOne(OwnerLink, {
    tokenHash: hashOf(token),
    revokedAt: null,
    expiresAt: { $gt: ctx.now },
  });
  const visit = link && (await ctx.em.findOne(Visit, { id: link.visitId, closedAt: null }));
  if (!link || !visit) throw notFound('page');
  return { link, visit, name: (await findOrRefuse(ctx, Owner, { id: visit.ownerId }, 'owner')).name };
}

export async function logUse(ctx: Context, { link, visit }: Guest, what: string): Promise<void> {
  ctx.em.create(OwnerLinkUse, { linkId: link.id, what, at: ctx.now });
  ctx.touched.add(visit.id);
  await ctx.em.flush();
}

/** The photos an owner may see: those with points that explain the estimate. */
export const markedPhotos = async (ctx: Context, visitId: string) =>
  (await loadPhotos(ctx, visitId)).filter((p) => p.marks.length > 0);

export async function viewOwnerPage(ctx: Context, { link, visit }: Guest): Promise<OwnerPage> {
  const clock = await findOrRefuse(ctx, Clock, { id: visit.clockId }, 'clock');
  const shop = await theShop(ctx);
  const findings = new Map((await ctx.em.find(Finding, { visitId: visit.id, ...STANDS })).map((f) => [f.id, f]));
  const { lines, routes, chosen, questions, prices } = await loadAgreement(ctx, visit.id);
  const { lines: amounts } = totals(lines, prices.taxPercent, prices.pricesIncludeTax);
  const says = (id: string | null, note: string) => {
    const f = id ? findings.get(id) : undefined;
    return f ? `${f.place}: ${f.seen}` : note;
  };
  return {
    shop: shop.name,
    timeZone: shop.timeZone,
    clock: clock.description,
    claim: visit.claim,
    complaint: visit.complaint,
    currency: prices.currency,
    taxPercent: prices.taxPercent,
    pricesIncludeTax: prices.pricesIncludeTax,
    prices: prices.version,
    lines: lines.map((l, i) => ({
      id: l.id,
      version: l.version,
      kind: l.kind,
      what: l.what,
      amount: amounts[i]!,
      routes: l.routes,
      optional: l.optional,
      noGuarantee: l.noGuarantee,
      addition: l.addition,
      state: l.state,
      seen: says(l.findingId, ''),
    })),
    routes: routes.map((r) => {
      const p = priceOfRoute(lines, r.route, prices);
      return { ...r, without: p.without.gross, withOptions: p.withOptions.gross };
    }),
    chosen: chosen?.route ?? null,
    agreed: priceAccepted(lines, chosen?.route ?? null, prices).gross,
    photos: (await markedPhotos(ctx, visit.id)).map((p) => ({
      id: p.id,
      caption: p.caption,
      width: p.width,
      height: p.height,
      marks: p.marks.map(({ number, x, y, shape, to, findingId, note }) => ({
        ...{ number, x, y, shape, to },
        says: says(findingId, note),
      })),
    })),
    questions: questions.map(({ id, text, at, answer }) => ({ id, text, at, answer })),
    promisedFor: visit.promisedFor ?? null,
    expiresAt: link.expiresAt.toISOString(),
  };
}

/** The owner's own word, as if given at the counter: by link, under the owner's name. */
export async function decideByLink(
  ctx: Context,
  guest: Guest,
  lineId: string,
  { state, version, prices }: ParsedBodyOf<typeof api.ownerPage.decide>,
): Promise<void> {
  await openVisit(ctx, guest.visit.id);
  const page = await viewOwnerPage(ctx, guest);
  const now = page.lines.find((l) => l.id === lineId);
  if (now && (now.version !== version || page.prices !== prices))
    throw refused(
      'This has changed since you read it.',
      `It says “${now.what}, ${now.amount} ${page.currency}” now. Nothing was written: look again.`,
    );
  const given = { how: 'by link', who: guest.name, note: '' } as const;
  const line = await decide(asGuest(ctx, guest), guest.visit.id, lineId, { state, version, ...given });
  await logUse(ctx, guest, `${state}: ${line.what}`);
}

export async function chooseByLink(
  ctx: Context,
  guest: Guest,
  { route, seen }: ParsedBodyOf<typeof api.ownerPage.choose>,
): Promise<void> {
  const given = { how: 'by link', who: guest.name, note: '' } as const;
  await chooseRoute(asGuest(ctx, guest), guest.visit.id, { route, seen, ...given });
  await logUse(ctx, guest, `chose: ${route}`);
}

const asGuest = (ctx: Context, guest: Guest): Context => ({ ...ctx, person: { ...ctx.person, name: guest.name } });

const MOST_QUESTIONS = 30;

/** The sender names the question, so that one sent twice is asked once. */
export async function askByLink(ctx: Context, guest: Guest, id: string, text: string): Promise<void> {
  if (await ctx.em.count(OwnerQuestion, { id })) return;
  if ((await ctx.em.count(OwnerQuestion, { visitId: guest.visit.id })) >= MOST_QUESTIONS)
    throw refused('These are many questions.', 'Please ring the shop.');
  ctx.em.create(OwnerQuestion, { id, visitId: guest.visit.id, text, at: ctx.now });
  await logUse(ctx, guest, 'asked a question');
}
