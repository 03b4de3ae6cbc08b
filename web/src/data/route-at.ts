import type { RouteRef } from '@eclat/contract';
import { api } from './api.ts';

export interface At {
  route: RouteRef;
  params: Record<string, string>;
  query: Record<string, string>;
}

interface Known {
  route: RouteRef;
  names: string[];
  path: RegExp;
}

let known: Known[] | undefined;
const routes = (): Known[] =>
  (known ??= Object.values(api as unknown as Record<string, Record<string, RouteRef>>)
    .flatMap((feature) => Object.values(feature))
    .map((route) => ({
      route,
      names: [...route.path.matchAll(/:(\w+)/g)].map(([, name]) => name!),
      path: new RegExp(`^/api${route.path.replace(/:\w+/g, '([^/]+)')}$`),
    })));

/** The route that an address belongs to, one of its own words before one of parameters. @returns null where none */
export function routeAt(method: string, url: string): At | null {
  const [path, search] = url.split('?');
  const found = routes()
    .flatMap(({ route, names, path: pattern }) => {
      const match = route.method === method ? pattern.exec(path!) : null;
      return match ? [{ route, names, values: match.slice(1) }] : [];
    })
    .toSorted((a, b) => a.names.length - b.names.length)[0];
  if (!found) return null;
  const { route, names, values } = found;
  return {
    route,
    params: Object.fromEntries(names.map((name, i) => [name, decodeURIComponent(values[i]!)])),
    query: Object.fromEntries(new URLSearchParams(search)),
  };
}
