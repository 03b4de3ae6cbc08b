import { openVisit } from '../visit/lock.ts';
import { OwnerLink, OwnerLinkUse, OwnerQuestion } from '../owner-page/owner-page.entity.ts';
import type { Line, ParsedBodyOf, Visit as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { priceOfRoute, ROUTE_IDS, type Decision, type RouteId } from '@eclat/core/estimate';
import { fetchAll, rows, type RowsOf } from '../platform/database/rows.ts';
import { expectVersion, findOrRefuse, type Context } from '../platform/http/context.ts';
import { badField, notFound, refused } from '../platform/http/problems.ts';
import { STANDS } from '../assessment/findings.service.ts';
import { Finding } from '../assessment/findings.entity.ts';
import { Shop } from '../people/people.entity.ts';
import { wordOn } from '../visit/stage-word.ts';
import { EstimateLine, EstimateRoute, LineDecision, RouteChoice } from './agreement.entity.ts';
import { pricesIn } from './prices.service.ts';

const viewLine = (l: EstimateLine, said: readonly LineDecision[]): Line => ({
  id: l.id,
  version: l.version,
  kind: l.kind,
  what: l.what,
  quantity: l.quantity,
  price: l.price,
  routes: l.routes,
  optional: l.optional,
  noGuarantee: l.noGuarantee,
  findingId: l.findingId ?? null,
  fromSurvey: l.fromSurvey,
  addition: l.addition,
  by: l.by,
  at: l.at.toISOString(),
  state: said.at(-1)?.state ?? null,
  decisions: said.map((d) => ({
    state: d.state,
    how: d.how,
    who: d.who,
    note: d.note,
    by: d.by,
    at: d.at.toISOString(),
  })),
});

const linesAsk = (visitId: string) => ({
  lines: rows(EstimateLine, 'where visit_id = ? order by at', visitId),
  linked: rows(Finding, 'where visit_id = ? and removed_at is null', visitId),
  said: rows(LineDecision, 'where line_id in (select id from estimate_line where visit_id = ?) order by at', visitId),
});
/** A finding that was taken back is not shown at its line; it is again when it comes back. */
const showLines = ({ lines, linked, said }: RowsOf<ReturnType<typeof linesAsk>>): Line[] =>
  lines.map((l) => ({
    ...viewLine(
      l,
      said.filter((d) => d.lineId === l.id),
    ),
    findingId: linked.find((f) => f.id === l.findingId)?.id ?? null,
  }));

export const linesOf = async (ctx: Context, visitId: string): Promise<Line[]> =>
  showLines(await fetchAll(ctx.em, linesAsk(visitId)));

/** Two words in one millisecond would have no order, and the last one holds. */
const after = (ctx: Context, last: { at: Date } | undefined) => ({
  by: ctx.person.name,
  at: new Date(Math.max(ctx.now.getTime(), last ? last.at.getTime() + 1 : 0)),
});

async function lineOf(ctx: Context, visitId: string, lineId: string): Promise<Line> {
  await ctx.em.flush();
  return (await linesOf(ctx, visitId)).find((l) => l.id === lineId)!;
}

const OPEN_LINK = 'where visit_id = ? and revoked_at is null and expires_at > ? order by at desc limit 1';
export const agreementRows = (ctx: Context, visitId: string) => ({
  ...linesAsk(visitId),
  offered: rows(EstimateRoute, 'where visit_id = ?', visitId),
  choices: rows(RouteChoice, 'where visit_id = ? order by at desc limit 1', visitId),
  links: rows(OwnerLink, OPEN_LINK, visitId, ctx.now),
  uses: rows(
    OwnerLinkUse,
    `where link_id = (select id from owner_link ${OPEN_LINK}) order by at desc limit 50`,
    visitId,
    ctx.now,
  ),
  questions: rows(OwnerQuestion, 'where visit_id = ? order by at', visitId),
  shops: rows(Shop, 'limit 1'),
});

export function viewAgreement(found: RowsOf<ReturnType<typeof agreementRows>>): Shape['agreement'] {
  const {
    offered,
    uses,
    questions,
    choices: [choice],
    links: [link],
    shops: [shop],
  } = found;
  return {
    lines: showLines(found),
    routes: offered
      .toSorted((a, b) => ROUTE_IDS.indexOf(a.route) - ROUTE_IDS.indexOf(b.route))
      .map(({ route, originality, guarantee }) => ({ route, originality, guarantee })),
    chosen: choice?.route
      ? { route: choice.route, how: choice.how, who: choice.who, by: choice.by, at: choice.at.toISOString() }
      : null,
    link: link
      ? {
          expiresAt: link.expiresAt.toISOString(),
          by: link.by,
          at: link.at.toISOString(),
          uses: uses.map((u) => ({ what: u.what, at: u.at.toISOString() })),
        }
      : null,
    questions: questions.map((q) => ({
      id: q.id,
      text: q.text,
      at: q.at.toISOString(),
      answer: q.answer,
      answeredBy: q.answeredBy,
    })),
    prices: pricesIn(shop!),
  };
}
export const loadAgreement = async (ctx: Context, visitId: string): Promise<Shape['agreement']> =>
  viewAgreement(await fetchAll(ctx.em, agreementRows(ctx, visitId)));

async function checkFinding(ctx: Context, visitId: string, findingId: string | null | undefined): Promise<void> {
  if (findingId && !(await ctx.em.count(Finding, { id: findingId, visitId, ...STANDS })))
    throw badField('findingId', 'This finding belongs to another visit.');
}

/** A line written once the owner has agreed is an addition: it waits for a word of its own while the rest goes on. */
export async function addLine(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.agreement.addLine>,
): Promise<Line> {
  await openVisit(ctx, visitId);
  await checkFinding(ctx, visitId, given.findingId);
  const word = await wordOn(ctx, visitId, 'agree');
  const agreed = word === 'done' || word === 'left';
  const [last] = await ctx.em.find(EstimateLine, { visitId }, { orderBy: { at: 'desc' }, limit: 1 });
  const line = ctx.em.create(EstimateLine, { visitId, ...given, addition: agreed, ...after(ctx, last) });
  await ctx.em.flush();
  return lineOf(ctx, visitId, line.id);
}

/** @throws 409 once the owner has answered: what somebody agreed to is not changed under them */
async function unansweredLine(ctx: Context, visitId: string, lineId: string) {
  await openVisit(ctx, visitId);
  const line = await findOrRefuse(ctx, EstimateLine, { id: lineId, visitId }, 'line');
  if (await ctx.em.count(LineDecision, { lineId }))
    throw refused('The owner has answered this line.', 'It stays as it was answered. Write a further line instead.');
  return line;
}

export async function changeLine(
  ctx: Context,
  visitId: string,
  lineId: string,
  { version, ...fields }: ParsedBodyOf<typeof api.agreement.changeLine>,
): Promise<Line> {
  const line = await unansweredLine(ctx, visitId, lineId);
  expectVersion(line.version, version, viewLine(line, []));
  await checkFinding(ctx, visitId, fields.findingId);
  ctx.em.assign(line, fields);
  return lineOf(ctx, visitId, lineId);
}

export async function removeLine(ctx: Context, visitId: string, lineId: string): Promise<void> {
  ctx.em.remove(await unansweredLine(ctx, visitId, lineId));
}

type Given = { how: LineDecision['how']; who: string; note: string };

export async function decide(
  ctx: Context,
  visitId: string,
  lineId: string,
  { version, ...given }: { state: Decision; version: number } & Given,
): Promise<Line> {
  await openVisit(ctx, visitId);
  const line = await findOrRefuse(ctx, EstimateLine, { id: lineId, visitId }, 'line');
  if (line.version !== version) expectVersion(line.version, version, await lineOf(ctx, visitId, lineId));
  const [last] = await ctx.em.find(LineDecision, { lineId }, { orderBy: { at: 'desc' }, limit: 1 });
  ctx.em.create(LineDecision, { lineId, ...given, ...after(ctx, last) });
  return lineOf(ctx, visitId, lineId);
}

function routeOf(route: string): RouteId {
  if (!ROUTE_IDS.includes(route as RouteId)) throw notFound('alternative');
  return route as RouteId;
}

export async function offerRoute(
  ctx: Context,
  visitId: string,
  route: string,
  words: { originality: string; guarantee: string },
): Promise<void> {
  await openVisit(ctx, visitId);
  await ctx.em.upsert(EstimateRoute, { visitId, route: routeOf(route), ...words });
}

export async function removeRoute(ctx: Context, visitId: string, route: string): Promise<void> {
  await openVisit(ctx, visitId);
  const chosen = (await loadAgreement(ctx, visitId)).chosen?.route;
  if (chosen === route) throw refused('The owner has chosen this one.', 'Record another choice first.');
  await ctx.em.nativeDelete(EstimateRoute, { visitId, route: routeOf(route) });
}

export async function chooseRoute(
  ctx: Context,
  visitId: string,
  { route, seen, ...given }: { route: RouteId | null; seen: string } & Given,
): Promise<void> {
  await openVisit(ctx, visitId);
  await seenAsItIs(ctx, visitId, route, seen);
  if (route !== null) await findOrRefuse(ctx, EstimateRoute, { visitId, route }, 'alternative on offer');
  const [last] = await ctx.em.find(RouteChoice, { visitId }, { orderBy: { at: 'desc' }, limit: 1 });
  ctx.em.create(RouteChoice, { visitId, route, ...given, ...after(ctx, last) });
}

/** @throws 409 when the alternative comes to something else by now than where it was chosen */
async function seenAsItIs(ctx: Context, visitId: string, route: RouteId | null, seen: string): Promise<void> {
  if (route === null) return;
  const { lines, prices } = await loadAgreement(ctx, visitId);
  const now = priceOfRoute(lines, route, prices).without.gross;
  if (now !== seen)
    throw refused(
      'The price has changed.',
      `This comes to ${now} ${prices.currency} now. Nothing was chosen: look again.`,
    );
}

export async function answerOwner(ctx: Context, visitId: string, questionId: string, answer: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.assign(await findOrRefuse(ctx, OwnerQuestion, { id: questionId, visitId }, 'question'), {
    answer,
    answeredBy: ctx.person.name,
  });
}
