import { totals, type Totals } from './money.ts';

export const LINE_KINDS = ['labour', 'part', 'outside work'] as const;
export type LineKind = (typeof LINE_KINDS)[number];
/** What an owner says of a piece of work. "Ask later" is an answer: the work waits until it is reached. */
export const DECISIONS = ['accepted', 'declined', 'ask later'] as const;
export type Decision = (typeof DECISIONS)[number];
export const WAYS_GIVEN = ['in person', 'phone', 'in writing', 'by link'] as const;

/** How far to go is itself a choice to offer. What each means is the shop's to word; these are the usual words. */
export const ROUTES = [
  {
    id: 'cure',
    name: 'Cure the fault and stop',
    originality: 'Nothing else is touched; everything original stays.',
    guarantee: 'On the fault that was cured only.',
  },
  {
    id: 'partial',
    name: 'Partial service',
    originality: 'Original parts stay; only what is worn through is replaced.',
    guarantee: 'None: what was not opened cannot be answered for.',
  },
  {
    id: 'overhaul',
    name: 'Full overhaul',
    originality: 'Original movement kept; worn holes bushed, worn parts renewed and handed back.',
    guarantee: 'Two years, used as it is meant to be.',
  },
  {
    id: 'replace',
    name: 'Replace the movement',
    originality: 'The case keeps its look; the original movement is handed back.',
    guarantee: 'Two years, on the new movement.',
  },
] as const;
export type RouteId = (typeof ROUTES)[number]['id'];
export const ROUTE_IDS = ROUTES.map((r) => r.id) as [RouteId, ...RouteId[]];
/** What an alternative is called when the shop words it no other way. */
export const routeName = (id: RouteId): string => ROUTES.find((r) => r.id === id)!.name;

/** A line as far as its money and its answer are concerned. Quantity is hours for labour. */
export interface AgreedLine {
  kind: LineKind;
  what: string;
  quantity: string;
  price: string;
  /** The alternatives it belongs to; none named means every one. */
  routes: readonly RouteId[];
  optional: boolean;
  state: Decision | null;
}

export interface Tax {
  taxPercent: string;
  pricesIncludeTax: boolean;
}

const sum = (lines: readonly AgreedLine[], tax: Tax): Totals => totals(lines, tax.taxPercent, tax.pricesIncludeTax);
/** A line of no named alternative belongs to each of them; while none is chosen every line counts as offered. */
export const inRoute = (line: Pick<AgreedLine, 'routes'>, route: RouteId | null): boolean =>
  route === null || line.routes.length === 0 || line.routes.includes(route);

/** What one alternative comes to, without and with what is optional. Declined work is left out. */
export function priceOfRoute(
  lines: readonly AgreedLine[],
  route: RouteId | null,
  tax: Tax,
): { without: Totals; withOptions: Totals } {
  const mine = lines.filter((l) => inRoute(l, route) && l.state !== 'declined');
  return {
    without: sum(
      mine.filter((l) => !l.optional || l.state === 'accepted'),
      tax,
    ),
    withOptions: sum(mine, tax),
  };
}

/** Least and most that the alternatives on offer come to, without options. */
export function priceRange(
  lines: readonly AgreedLine[],
  routes: readonly RouteId[],
  tax: Tax,
): [least: string, most: string] {
  const sums = routes.map((r) => priceOfRoute(lines, r, tax).without.gross).sort((a, b) => Number(a) - Number(b));
  return [sums[0] ?? '0.00', sums.at(-1) ?? '0.00'];
}

/** What the accepted lines of an alternative come to; of every line while none is chosen. */
export const priceAccepted = (lines: readonly AgreedLine[], route: RouteId | null, tax: Tax): Totals =>
  sum(
    lines.filter((l) => inRoute(l, route) && l.state === 'accepted'),
    tax,
  );
/** Lines of the chosen alternative on which the owner has said nothing final. */
export const unanswered = <L extends Pick<AgreedLine, 'routes' | 'state'>>(
  lines: readonly L[],
  route: RouteId | null,
): L[] => lines.filter((l) => inRoute(l, route) && (l.state === null || l.state === 'ask later'));
const labourIn = (lines: readonly AgreedLine[], route: RouteId | null): number =>
  lines
    .filter((l) => l.kind === 'labour' && inRoute(l, route) && l.state !== 'declined')
    .reduce((h, l) => h + Number(l.quantity.replace(',', '.')), 0);

/**
 * The alternative that time is planned for: the chosen one; while none is, of those that lines name the one with the
 * most hours, since only one of them will be done. Null: no line names one.
 */
export function routeToPlan(lines: readonly AgreedLine[], route: RouteId | null): RouteId | null {
  if (route !== null) return route;
  const named = ROUTE_IDS.filter((r) => lines.some((l) => l.state !== 'declined' && l.routes.includes(r)));
  return named.toSorted((a, b) => labourIn(lines, b) - labourIn(lines, a))[0] ?? null;
}

/** Labour hours of what is not declined, in the alternative that time is planned for. */
export const hoursOf = (lines: readonly AgreedLine[], route: RouteId | null): number =>
  labourIn(lines, routeToPlan(lines, route));
