import type { Entry, Visit } from '@eclat/contract';
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { readPdf } from '../../test/pdf.ts';
import { PASS, openShop, takeIn } from '../../test/shop.ts';
import { head, rows } from './pdf.ts';
import { printed } from './print.ts';

const now = { at: new Date('2026-03-29T00:30:00Z') };
let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop(now);
});
afterAll(() => shop.running.stop());
afterEach(() => vi.unstubAllEnvs());

const bytes = async (path: string) =>
  new Uint8Array(
    await (await fetch(`${shop.running.address}/api${path}`, { headers: shop.marit.cookies })).arrayBuffer(),
  );
const paper = async (visit: Visit, kind: string) =>
  (await readPdf(await bytes(`/visits/${visit.id}/papers/${kind}.pdf`))).text;

describe('papers', () => {
  // Facts: letters of Polish, Czech, Hungarian, Turkish, Greek, Ukrainian and Vietnamese names; signs of the bench.
  it.each([
    'Łukasz Dvořák, Erdős, Şükrü Žižka',
    'Ελένη Ωρολογάς, Щербак Їжакевич, Nguyễn Thị Ấm',
    '3 µm → ≤ 0.05 mm ± ½°, ⌀ 2.5, Ω, №, “so”, …',
  ])('say %s letter by letter', async (words) => {
    const visit = await takeIn(shop.marit, {
      owner: { name: words, phone: '', email: '', address: '' },
      complaint: words,
    });
    // pdf.js gives letters of the same meaning one code (NFKC).
    const text = (await paper(visit, 'receipt')).normalize('NFKC');
    expect(text).toContain(words.normalize('NFKC'));
    expect(text).not.toContain('boxes');
  });
  it('declare a frayed line that stays, with the owner’s word and a place for the hand', async () => {
    const visit = await takeIn(shop.marit, { movement: { name: 'Tall', familyId: 'longcase' } });
    const [source] = visit.movement.traits.sources;
    const line = (values: object) =>
      shop.marit.send('POST', `/visits/${visit.id}/benches`, { test: { kind: 'line', values } });
    expect(await paper(visit, 'return')).not.toContain('frayed');
    await line({ source: source!.id, is: 'frayed, left in', note: 'Kept as my father tied it.' });
    const text = await paper(visit, 'return');
    expect(text).toMatch(/a frayed line stays[^]*weight then falls[^]*as my father tied it[^]*Declared by the owner/);
    await line({ source: source!.id, is: 'the final one', breaks: 60 });
    expect(await paper(visit, 'return')).not.toContain('Declared');
  });
  it('says so where a letter cannot be printed', async () => {
    const visit = await takeIn(shop.marit, { complaint: 'It says 日本.' });
    expect(await paper(visit, 'receipt')).toMatch(/stand as boxes[^]*It says □□\./);
  });
});

/** At half past midnight UTC on the day the clocks of Berlin go forward. */
describe.each([
  ['America/New_York', '2026-03-28', '28 Mar 2026', '2026-03-29', '29 Mar 2026'],
  ['Europe/Berlin', '2026-03-29', '29 Mar 2026', '2026-03-30', '30 Mar 2026'],
  ['Pacific/Auckland', '2026-03-29', '29 Mar 2026', '2026-03-30', '30 Mar 2026'],
])('a shop in %s', (zone, today, said, tomorrow, promisedFor) => {
  it.each(['America/New_York', 'Europe/Berlin', 'Pacific/Auckland'])(
    'has its own days, on a server in %s',
    async (machine) => {
      vi.stubEnv('TZ', machine);
      const { version } = await shop.marit.ok<{ version: number }>('GET', '/shop');
      await shop.marit.ok('PUT', '/shop', { timeZone: zone, version });
      const visit = await takeIn(shop.marit, { promisedFor: tomorrow });
      expect(await paper(visit, 'receipt')).toMatch(new RegExp(`Taken in\\s*${said}`));
      expect(await paper(visit, 'estimate')).toMatch(new RegExp(`Date\\s*${said}[^]*Promised for\\s*${promisedFor}`));
      expect(await paper(visit, 'label')).toContain(said);
      // RFC 5545: an all-day event has a date without a time, and ends with the day after it.
      const { token } = await shop.marit.ok<{ token: string }>('PUT', '/calendar-feed');
      const calendar = (await shop.marit.send('GET', `/calendar/${token}.ics`)).text;
      const promised = calendar.split('BEGIN:VEVENT').find((e) => e.includes(`Promised (${visit.claim}`))!;
      expect(promised).toContain(`DTSTART;VALUE=DATE:${tomorrow.replaceAll('-', '')}`);
      // With nothing to do it is done today: the promise counts from the day of the shop.
      const promise = await shop.marit.ok<{ half: string }>('GET', `/visits/${visit.id}/promise`);
      expect(promise.half >= today).toBe(true);
      const found = { date: '189X', text: 'JB 1911', place: 'back plate' };
      const { id } = await shop.marit.ok<Entry>('POST', `/movements/${visit.movement.id}/inscriptions`, found);
      const added = await shop.marit.ok<Entry>('POST', `/history/${id}/amendments`, {
        passphrase: PASS,
        text: 'It reads JR.',
      });
      expect(added.date).toBe(today);
    },
  );
});

it('a heading and the head of a table stay with the first row, wherever the page ends', async () => {
  for (let lines = 30; lines < 44; lines++) {
    const table = rows(['auto', '*'], ['Number', 'Thing'], [[{ text: '1' }, { text: 'Weights' }]]);
    const content = [...Array.from({ length: lines }, () => ({ text: 'line' })), head('Goes home'), table];
    const page = { pageSize: 'A4', pageMargins: [48, 56, 48, 56] } as const;
    const { texts } = await readPdf(await printed({ page, info: { title: 'x' }, content } as never));
    const on = (word: string) => texts.findIndex((t) => t.includes(word));
    expect([lines, on('Number'), on('Weights')]).toEqual([lines, on('Goes home'), on('Goes home')]);
  }
});
