import { randomUUID } from 'node:crypto';
import { api, type Role, type Route } from '@eclat/contract';
import { seeded } from '@eclat/core/simulated';
import { z } from 'zod';
import type { Browser } from './browser.ts';

/** What is sent to every door but these: they would end the sessions that send, or the shop. */
const SPARED = ['people.signOut', 'people.signOutEverywhere', 'people.signIn', 'people.firstRun'];
/** Of an account only what is none: the senders have to stay who they are. */
const OF_ACCOUNTS = /^people\.(setRole|setActive|resetPassphrase|changePassphrase|add)$/;

export interface Failure {
  door: string;
  status: number;
  sent: string;
  said: string;
}

interface Schema {
  type?: string | string[];
  enum?: unknown[];
  const?: unknown;
  anyOf?: Schema[];
  oneOf?: Schema[];
  allOf?: Schema[];
  items?: Schema | Schema[];
  prefixItems?: Schema[];
  properties?: Record<string, Schema>;
  required?: string[];
  additionalProperties?: Schema | boolean;
  minimum?: number;
  maximum?: number;
  maxLength?: number;
  minItems?: number;
  maxItems?: number;
  format?: string;
  pattern?: string;
}

/** Letters and figures on which programs have fallen: each at its turn. */
const WILD: readonly unknown[] = [
  '\u0000',
  'a\u0000b',
  '\ud800',
  'x\udfff',
  '\u202eabc',
  'Ł'.repeat(300),
  'e\u0301'.repeat(40),
  "'; drop table visit; --",
  '%',
  '\\',
  '__proto__',
  '0000-01-01',
  '9999-12-31',
  '2026-02-30',
  '0000-01-01T00:00:00Z',
  '9999-12-31T23:59:59.999Z',
  '2026-11-29T24:00:00Z',
  '',
  ' ',
  '\n',
  0,
  -0,
  -1,
  1e308,
  1e-320,
  2 ** 53 + 2,
  2147483648,
  0.1 + 0.2,
  null,
  true,
  [],
  {},
  [[]],
  { a: 1 },
  JSON.parse('{"__proto__":{"x":1},"constructor":1}'),
];

/** Values of a schema, mostly right, now and then wild. */
class Maker {
  /** Ids and short words that replies have shown. */
  readonly ids: string[] = [];
  readonly words: string[] = ['going', 'strike', 'intake', 'fit', 'T1.front', 'T2.back', 'detergent', 'case'];
  constructor(
    private readonly chance: () => number,
    private readonly wildness: number,
  ) {}
  pick<T>(of: readonly T[]): T {
    return of[Math.floor(this.chance() * of.length)]!;
  }
  once(in_: number): boolean {
    return this.chance() < in_;
  }
  id(): string {
    return this.ids.length > 0 && this.once(0.85) ? this.pick(this.ids) : randomUUID();
  }

  of(schema: Schema, deep = 0): unknown {
    if (this.once(this.wildness)) return this.once(0.03) ? DEEP : this.pick(WILD);
    if (schema.const !== undefined) return schema.const;
    if (schema.enum) return this.pick(schema.enum);
    const choices = schema.anyOf ?? schema.oneOf;
    if (choices) return this.of(this.pick(choices), deep);
    if (schema.allOf) return Object.assign({}, ...schema.allOf.map((s) => this.of(s, deep))) as unknown;
    const type = Array.isArray(schema.type) ? this.pick(schema.type) : schema.type;
    switch (type) {
      case 'string':
        return this.text(schema);
      case 'number':
      case 'integer':
        return this.figure(schema, type === 'integer');
      case 'boolean':
        return this.once(0.5);
      case 'null':
        return null;
      case 'array':
        return this.list(schema, deep);
      case 'object':
        return this.thing(schema, deep);
      default:
        return this.once(0.5) ? this.text({}) : this.figure({}, true);
    }
  }

  private text({ format, maxLength = 40 }: Schema): string {
    if (format === 'uuid') return this.id();
    if (format === 'date-time') return `20${this.pick(['26', '31', '99'])}-0${this.pick(['1', '5'])}-02T09:00:00.000Z`;
    if (format === 'date') return this.pick(['2026-11-29', '2028-02-29', '2031-05-02']);
    const word = this.once(0.6)
      ? this.pick(this.words)
      : this.pick(['12', '0,5', 'a b', 'Ω → ≤', 'é'.repeat(9), '1.5']);
    return word.slice(0, maxLength);
  }
  private figure({ minimum = 0, maximum = 100 }: Schema, whole: boolean): number {
    const [least, most] = [Math.max(minimum, -1e6), Math.min(maximum, 1e6)];
    const x = this.pick([least, most, least + this.chance() * (most - least)]);
    return whole ? Math.round(x) : x;
  }
  private list({ items, prefixItems, minItems = 0, maxItems = 4 }: Schema, deep: number): unknown[] {
    if (prefixItems) return prefixItems.map((s) => this.of(s, deep + 1));
    const count = deep > 4 ? minItems : Math.min(maxItems, minItems + Math.floor(this.chance() * 3));
    return Array.from({ length: count }, () => this.of((items as Schema) ?? {}, deep + 1));
  }
  private thing({ properties = {}, required = [], additionalProperties }: Schema, deep: number): object {
    const out: Record<string, unknown> = {};
    for (const [name, inside] of Object.entries(properties))
      if (required.includes(name) ? !this.once(this.wildness / 2) : this.once(0.6))
        out[name] = this.of(inside, deep + 1);
    if (typeof additionalProperties === 'object' && this.once(0.7))
      out[this.pick(this.words)] = this.of(additionalProperties, deep + 1);
    return out;
  }

  /** What a reply shows is asked for next. */
  learn(text: string): void {
    for (const id of idsIn(text)) this.keep(this.ids, id);
    for (const [, word] of text.matchAll(/"([\w .-]{2,20})"/g)) this.keep(this.words, word!);
  }
  private keep(list: string[], word: string): void {
    if (list.length < 2000) list.push(word);
    else list[Math.floor(this.chance() * list.length)] = word;
  }
}

const DEEP = 'so deep that what looks at it by recursion falls';
const nested = '['.repeat(20_000) + '1' + ']'.repeat(20_000);

const idsIn = (text: string): string[] => [
  ...new Set(text.match(/[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12}/g)),
];
const isAnything = (schema: Schema): boolean => !schema.type && !schema.anyOf && !schema.oneOf && !schema.allOf;

/** As it stands in an address. */
const plain = (value: unknown): string => (typeof value === 'string' ? value : JSON.stringify(value));

const schemaOf = (schema: z.ZodType): Schema =>
  z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'inline' }) as Schema;

const written = (body: unknown): string => JSON.stringify(body).replaceAll(JSON.stringify(DEEP), nested);

/**
 * Sends what the schemas of the contract allow, and what they do not, to every door, in turn and by chance.
 * @param seats somebody signed in for each role
 * @returns what a server never says: 500 and above
 */
export async function fuzz(
  seats: Record<Role, Browser>,
  {
    requests,
    seed,
    atOnce = 8,
    wildness = 0.06,
  }: { requests: number; seed: number; atOnce?: number; wildness?: number },
): Promise<{ failures: Failure[]; statuses: Record<number, number> }> {
  const make = new Maker(seeded(seed), wildness);
  const doors = Object.entries(api).flatMap(([feature, routes]) =>
    Object.entries(routes as unknown as Record<string, Route>)
      .map(([name, route]) => ({ name: `${feature}.${name}`, route }))
      .filter(({ name }) => !SPARED.includes(name))
      .map((d) => ({ ...d, body: schemaOf(d.route.body), query: schemaOf(d.route.query) })),
  );
  const look = async (path: string) => (await seats['owner-of-shop'].send('GET', path)).text;
  const visits = new Map<string, string[]>();
  for (const { visitId } of JSON.parse(await look('/bench')) as { visitId: string }[]) {
    const seen = await look(`/visits/${visitId}`);
    make.learn(seen);
    visits.set(visitId, idsIn(seen));
  }
  for (const path of ['/stores', '/movements?q=', '/owners?q=']) make.learn(await look(path));
  const failures: Failure[] = [];
  const statuses: Record<number, number> = {};
  let sent = 0;
  const send = async () => {
    while (sent < requests) {
      const { name, route, body, query } = doors[sent++ % doors.length]!;
      let visitId = '';
      const param = (p: string) => {
        if (make.once(wildness)) return plain(make.pick(WILD));
        if (OF_ACCOUNTS.test(name)) return randomUUID();
        if (p === 'visitId' && make.once(0.95)) return (visitId = make.pick([...visits.keys()]));
        if (!p.endsWith('Id')) return make.pick(make.words);
        const near = visits.get(visitId) ?? [];
        return near.length > 0 && make.once(0.8) ? make.pick(near) : make.id();
      };
      const path = route.path.replace(/:(\w+)/g, (_, p: string) => {
        const value = param(p);
        try {
          return encodeURIComponent(value) || '%00';
        } catch {
          return '%ED%A0%80'; // half of a pair, as bytes
        }
      });
      const asked = new URLSearchParams(
        Object.entries(make.of(query) ?? {}).map(([k, v]) => [k, plain(v)]) as [string, string][],
      );
      // A door that wants no body gets none, but for now and then.
      const given = route.method === 'GET' || (isAnything(body) && make.once(0.95)) ? undefined : make.of(body);
      const role = route.roles === 'public' ? 'owner-of-shop' : make.pick(route.roles);
      const address = `${path}${asked.size > 0 ? `?${asked}` : ''}`;
      const text = given === undefined ? undefined : written(given);
      const { status, text: said } = await seats[role].send(
        route.method,
        address,
        text === undefined ? undefined : Buffer.from(text),
        text === undefined ? {} : { 'content-type': 'application/json' },
      );
      statuses[status] = (statuses[status] ?? 0) + 1;
      if (status < 300) make.learn(said.slice(0, 20_000));
      if (status >= 500)
        failures.push({ door: name, status, sent: `${route.method} ${address} ${text?.slice(0, 600) ?? ''}`, said });
    }
  };
  await Promise.all(Array.from({ length: atOnce }, send));
  return { failures, statuses };
}
