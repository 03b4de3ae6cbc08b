import type { Note, Visit } from '@eclat/contract';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { readPdf } from '../../test/pdf.ts';
import { openShop, PASS, takeIn } from '../../test/shop.ts';

let shop: Awaited<ReturnType<typeof openShop>>;
beforeAll(async () => {
  shop = await openShop();
});
afterAll(() => shop.running.stop());

it('a note is kept with who wrote it, for the shop alone: no paper says it', async () => {
  const visit = await takeIn(shop.marit);
  await shop.marit.ok('POST', '/people', { name: 'Wilf Arden', role: 'counter', passphrase: PASS });
  const wilf = shop.browser();
  await wilf.ok('PUT', '/session', { name: 'Wilf Arden', passphrase: PASS });
  const text = 'Odile rang: her aunt hears of it first.';
  const note = await wilf.ok<Note>('POST', `/visits/${visit.id}/notes`, { text });
  expect(note).toMatchObject({ text, by: 'Wilf Arden' });
  expect((await wilf.send('POST', `/visits/${visit.id}/notes`, { text: '  ' })).body.fields![0]!.path).toBe('text');
  const { notes } = await shop.marit.ok<Visit>('GET', `/visits/${visit.id}`);
  expect(notes).toEqual([note]);
  for (const paper of ['receipt', 'estimate', 'label']) {
    const at = `${shop.running.address}/api/visits/${visit.id}/papers/${paper}.pdf`;
    const pdf = await (await fetch(at, { headers: shop.marit.cookies })).arrayBuffer();
    const printed = (await readPdf(new Uint8Array(pdf))).text;
    expect(printed).toContain(visit.claim);
    expect(printed).not.toContain('aunt');
  }
  await shop.marit.ok('DELETE', `/visits/${visit.id}/notes/${note.id}`);
  expect((await shop.marit.send('DELETE', `/visits/${visit.id}/notes/${note.id}`)).status).toBe(404);
});
