import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import type { BenchRow } from '@eclat/contract';
import { STAGE_IDS } from '@eclat/core/workflow';

interface Book {
  id: string;
  entries: number;
}
/** The list comes in pages. */
export async function allBooks(page: Page, address: string, after = ''): Promise<Book[]> {
  const reply = await page.request.get(`${address}/api/movements?after=${after}`);
  const { items, next } = (await reply.json()) as { items: Book[]; next: string | null };
  return next ? [...items, ...(await allBooks(page, address, next))] : items;
}

/** The address of every screen, with something of the demo shop on it. Somebody of the bench is signed in. */
export async function screensOf(page: Page, address: string): Promise<string[]> {
  const rows = (await (await page.request.get(`${address}/api/bench`)).json()) as BenchRow[];
  const old = (await allBooks(page, address)).filter((m) => m.entries >= 4);
  const visitAt = (stage: string) => `/visits/${rows.find((r) => r.next.stage === stage)!.visitId}`;
  const of = (family: string) => `/visits/${rows.find((r) => r.familyId === family)!.visitId}`;
  const link = await page.request.put(`${address}/api${visitAt('agree')}/link`, {
    data: { days: 3 },
    headers: { origin: address },
  });
  const { token } = (await link.json()) as { token: string };
  const book = await page.request.get(`${address}/api/movements/${old[0]!.id}`);
  const { clock } = (await book.json()) as { clock: { id: string } };
  return [
    '/',
    '/?view=table',
    '/intake',
    '/movements',
    '/workings',
    '/workings/checks?kind=memory',
    '/workings/train-missing',
    '/workings/set-rate',
    '/causes',
    '/rules',
    '/baths',
    '/calendar',
    '/on-test',
    '/timers',
    '/which',
    '/stores',
    '/wanted',
    '/listen',
    '/learn-strike',
    '/measure-photo',
    '/account',
    '/keys',
    '/after?q=22-07',
    `${visitAt('run')}/strike`,
    `${visitAt('run')}/description`,
    `${visitAt('run')}/case`,
    `${of('recorder')}/units`,
    `${of('electric-master')}/electric`,
    `${of('electric-master')}/outputs`,
    `${of('torsion')}/torsion`,
    `${of('weight-shelf')}/weights`,
    `${of('recorder')}/recorder`,
    `${of('fusee-balance')}/balance`,
    `${of('fusee-balance')}/alarm`,
    `${of('shelf-open-springs')}/strike-set-up`,
    `${of('synchronous')}/electric`,
    `/compare/${old[0]!.id}`,
    `/movements/${old[0]!.id}`,
    `/clocks/${clock.id}`,
    `/for-owner/${token}`,
    ...STAGE_IDS.map((stage) => `${visitAt(stage)}/${stage}`),
  ];
}

/** What axe finds on the screen as it stands. */
export async function violationsOn(page: Page): Promise<string[]> {
  // Legacy mode looks into no frames, which Eclat has none of; what passed is not described. Each halves the time.
  const found = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] })
    .analyze();
  return found.violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`);
}
