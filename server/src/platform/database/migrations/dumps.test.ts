import { readdirSync, readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import type { BenchRow, Visit } from '@eclat/contract';
import { settled } from '@eclat/core/workflow';
import pg from 'pg';
import { describe, expect, it } from 'vitest';
import { Browser, freshDatabase, serveOn } from '../../../../test/shop.ts';

const DUMPS = new URL('../../../../test/dumps/', import.meta.url);
const kept = readdirSync(DUMPS).filter((f) => f.endsWith('.sql.gz'));

/** How each train of each visit stood: by visit and train. */
type Power = Record<string, Record<string, string>>;

async function restored(file: string): Promise<{ url: string; keptAt: Date; power: Power; polished: string[] }> {
  const url = await freshDatabase();
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(gunzipSync(readFileSync(new URL(file, DUMPS))).toString('utf8'));
  const { rows } = await client.query<{ at: Date }>('select max(at) as at from public.stage_event');
  const stood = await client.query<{ visit_id: string; train: string; state: string }>(
    'select visit_id, train, state from public.train_power',
  );
  const polish = await client.query<{ visit_id: string; key: string }>(
    'select visit_id, key from public.surveyed_hole where polished',
  );
  await client.end();
  const power: Power = {};
  for (const { visit_id: visit, train, state } of stood.rows) power[visit] = { ...power[visit], [train]: state };
  const polished = polish.rows.map((h) => `${h.visit_id} ${h.key}`);
  return { url, keptAt: rows[0]!.at, power, polished };
}

async function allBooks(ines: Browser, after = ''): Promise<{ id: string; entries: number }[]> {
  const page = await ines.ok<{ items: { id: string; entries: number }[]; next: string | null }>(
    'GET',
    `/movements?after=${after}`,
  );
  return page.next ? [...page.items, ...(await allBooks(ines, page.next))] : page.items;
}

// The server holds every reply to the contract. What the demo shop showed then, it shows now.
describe.each(kept)('a database of %s', (file) => {
  it('goes on under this version', async () => {
    const { url, keptAt, power, polished } = await restored(file);
    expect(polished.length).toBeGreaterThan(50);
    const running = await serveOn(url, { at: keptAt });
    try {
      const ines = new Browser(running.address);
      await ines.ok('PUT', '/session', { name: 'Ines Calloway', passphrase: 'brass-lark-mends-nine' });
      const bench = await ines.ok<BenchRow[]>('GET', '/bench');
      expect(bench.length).toBeGreaterThanOrEqual(20);
      for (const row of bench) {
        const visit = await ines.ok<Visit>('GET', `/visits/${row.visitId}`);
        if (file < '0016') {
          // What was in the shop before there were shapes is a full overhaul, of which nothing is left out.
          expect(visit.job, row.clock).toMatchObject({ shape: 'overhaul', terms: 'guaranteed', ownStock: false });
          expect(visit.stages.map((s) => s.state)).not.toContain('not in this job');
          expect(visit.strip.begun !== null, row.clock).toBe(settled(row.stages).includes('power'));
        }
        // A pivot is polished before its hole is judged: it is a word on the pivot now.
        const now = visit.partConditions
          .filter((l) => l.state === 'polished')
          .map((l) => l.key.slice('polish.'.length));
        const then = polished.filter((p) => p.startsWith(row.visitId)).map((p) => p.split(' ')[1]);
        expect(now.sort(), row.clock).toEqual(then.sort());
        for (const b of visit.baths) expect(b.name, b.sequence).not.toBe('');
        // What was said of a train's power is said of the source that drives it, and nothing is lost.
        expect(Object.fromEntries(visit.power.map((p) => [p.source, p.state]))).toEqual(power[row.visitId] ?? {});
        expect(visit.gone, row.clock).toEqual([]);
        expect(visit.next, row.clock).toEqual(row.next);
      }
      const signed = (await allBooks(ines)).filter((b) => b.entries > 0);
      expect(signed.length).toBeGreaterThanOrEqual(3);
      for (const { id } of signed) await ines.ok('GET', `/movements/${id}`);
    } finally {
      await running.stop();
    }
  });
});
