import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { signIn } from './sign-in.ts';

/** The search of the counter among 100,000 generated movements, as a browser sees it: request to reply on loopback. */
const N = 100_000;
const address = process.env['ECLAT_ADDRESS']!;
const client = new pg.Client({ connectionString: process.env['DATABASE_URL'] });
await client.connect();
const pick = (list: readonly string[], i: number, step: number) => list[(i * step) % list.length]!;
const FIRST = [
    'Hesper',
    'Odile',
    'Brannoc',
    'Sunniva',
    'Mirelle',
    'Dov',
    'Edda',
    'Percival',
    'Ysolde',
    'Lorcan',
    'Tamsin',
    'Casimir',
  ],
  LAST = [
    'Lunt',
    'Tarrowby',
    'Fell',
    'Crake',
    'Stroud',
    'Hartnell',
    'Mossop',
    'Doane',
    'Quay',
    'Wray',
    'Orrick',
    'Pell',
    'Vantrease',
    'Yarrow',
  ];
const NAMES = [
    'Round-plate movement, rack striking',
    'Square-plate movement, open springs',
    'Eight-day weight movement',
    'Three-train chiming movement',
    'Torsion movement',
    'Lever platform movement',
    'Fusee timepiece',
  ],
  MAKERS = [
    'Brindle & Daughters',
    'Tessel',
    'Northmere Clock Works',
    'Pellowe & Strand',
    'Quillfeather',
    'Aster Works',
  ];
const traits = JSON.stringify(
  (await client.query<{ traits: object }>('select traits from movement limit 1')).rows[0]!.traits,
);
console.log(`\nSearch of the counter: ${N.toLocaleString('en')} movements are being generated …`);
await client.query('begin');
for (let at = 0; at < N; at += 5000) {
  const rows = Array.from({ length: 5000 }, (_, k) => ({
    i: at + k,
    owner: randomUUID(),
    clock: randomUUID(),
    movement: randomUUID(),
  }));
  const ids = (key: 'owner' | 'clock' | 'movement') => rows.map((r) => r[key]);
  await client.query(
    'insert into owner (id, name, phone, email, address) select * from unnest($1::uuid[], ' +
      `$2::text[], $3::text[], array_fill(''::text, array[5000]), array_fill(''::text, array[5000]))`,
    [
      ids('owner'),
      rows.map((r) => `${pick(FIRST, r.i, 7)} ${pick(LAST, r.i, 5)}${r.i}`),
      rows.map((r) => `0555 ${String(r.i).padStart(6, '0')}`),
    ],
  );
  await client.query(
    `insert into clock (id, owner_id, description) select * from unnest($1::uuid[], $2::uuid[], $3::text[])`,
    [ids('clock'), ids('owner'), rows.map((r) => `Clock ${r.i}`)],
  );
  await client.query(
    'insert into movement (id, code, name, family_id, maker, traits) select id, code, name, ' +
      `'longcase', maker, $5::jsonb from unnest($1::uuid[], $2::text[], $3::text[], $4::text[]) t(id, ` +
      'code, name, maker)',
    [
      ids('movement'),
      rows.map((r) => `G-${r.i.toString(36).toUpperCase().padStart(6, '0')}`),
      rows.map((r) => pick(NAMES, r.i, 3)),
      rows.map((r) => pick(MAKERS, r.i, 5)),
      traits,
    ],
  );
  await client.query(
    'insert into clock_movement (id, clock_id, movement_id, since) select gen_random_uuid(), c, m, ' +
      'now() from unnest($1::uuid[], $2::uuid[]) t(c, m)',
    [ids('clock'), ids('movement')],
  );
  await client.query(
    `insert into movement_mark (id, movement_id, place, text) select gen_random_uuid(), m, 'back ` +
      `plate', t from unnest($1::uuid[], $2::text[]) x(m, t)`,
    [ids('movement'), rows.map((r) => String(10_000 + 13 * r.i))],
  );
}
await client.query('commit');
await client.query('analyze');
await client.end();

const cookie = await signIn(address);
const ask = async (q: string, path = 'find?q=') => {
  const from = performance.now();
  const reply = await fetch(`${address}/api/${path}${encodeURIComponent(q)}`, {
    headers: { cookie: `${cookie.name}=${cookie.value}` },
  });
  const hits = (await reply.json()) as unknown[];
  return { ms: performance.now() - from, hits: hits.length };
};
console.log('  typed                        median   slowest   found   (limit 150 ms)');
const ADDRESSES = [
  ...[
    'Hesper Lunt',
    'hespr lunt84',
    '0555 045678',
    '6438',
    '123450',
    'round plate',
    'Brindel',
    'chiming',
    'fifth day',
    'zzzz',
  ].map((q) => [q, 'find?q='] as const),
  ...['No. 6438', '123450', '987', 'zzzz'].map((q) => [q, 'movements-like?text='] as const),
];
for (const [q, path] of ADDRESSES) {
  await ask(q, path);
  const runs = [];
  for (let i = 0; i < 9; i++) runs.push(await ask(q, path));
  const ms = runs.map((r) => r.ms).sort((a, b) => a - b);
  console.log(
    '  ' +
      (path === 'find?q=' ? q : `${q}, while typed`).padEnd(26) +
      ` ${ms[4]!.toFixed(0).padStart(7)} ${ms[8]!.toFixed(0).padStart(9)} ` +
      `${String(runs[0]!.hits).padStart(7)}` +
      (ms[8]! > 150 ? '   OVER' : ''),
  );
}
