/**
 * Takes the pictures of docs/screenshots from a running demo:
 *   npm run demo            (in another window)
 *   npm run screenshots     [-- --only bench --size 820x1180 --dark --out /tmp/shots]
 */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { requireChromium, ROOT } from './lib/machine.mjs';

const { values } = parseArgs({
  options: {
    only: { type: 'string' },
    size: { type: 'string' },
    dark: { type: 'boolean', default: false },
    out: { type: 'string', default: join(ROOT, 'docs/screenshots') },
    url: { type: 'string', default: 'http://127.0.0.1:4080' },
    full: { type: 'boolean', default: false },
  },
});
const { chromium } = await import('@playwright/test');
const BENCH = '1280x800';
/** Where one works so: beside the lathe on an upright tablet, before a clock with a phone. */
const SIZES = { survey: '820x1180', run: '390x844' };
const sizeOf = (name) => {
  const [width, height] = (values.size ?? SIZES[name] ?? BENCH).split('x').map(Number);
  return { width, height };
};

const browser = await chromium.launch({
  executablePath: requireChromium(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const context = await browser.newContext({
  viewport: sizeOf(),
  colorScheme: values.dark ? 'dark' : 'light',
  locale: 'en-GB',
});
const page = await context.newPage();
page.on('console', (m) => {
  if (m.type() === 'error' || m.type() === 'warning') console.log('console:', m.text());
});
page.on('pageerror', (e) => console.log('page error:', e.message));
mkdirSync(values.out, { recursive: true });

const shot = (name) => page.screenshot({ path: join(values.out, `${name}.png`), fullPage: values.full });
const settle = async () => {
  await page.waitForLoadState('networkidle').catch(() => undefined);
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(350);
};
const rows = async () => (await page.request.get(`${values.url}/api/bench`)).json();
const visit = (clock, stage) => async () => {
  const row = (await rows()).find((r) => r.clock.includes(clock));
  await page.goto(`${values.url}/visits/${row.visitId}/${stage}`);
};
const book = (q) => async () => {
  const { items } = await (await page.request.get(`${values.url}/api/movements?q=${encodeURIComponent(q)}`)).json();
  await page.goto(`${values.url}/movements/${items[0].id}`);
};

const VIEWS = {
  bench: () => page.goto(values.url),
  intake: () => page.goto(`${values.url}/intake`),
  listen: async () => {
    await page.goto(`${values.url}/listen`);
    await page.getByRole('radio', { name: 'Simulated clock' }).click();
    await page.getByRole('button', { name: 'Listen', exact: true }).click();
    await page.getByText('0 missing').waitFor({ timeout: 60_000 });
  },
  strike: async () => {
    await visit('Bracket clock', 'strike')();
    for (const n of [1, 2, 3, 4, 6, 6]) {
      await page.getByRole('button', { name: String(n), exact: true }).click();
      await page.waitForTimeout(500);
    }
  },
  assess: visit('Slate mantel', 'assess'),
  diagnose: visit('Slate mantel', 'diagnose'),
  agree: visit('Torsion clock', 'agree'),
  owner: async () => {
    const row = (await rows()).find((r) => r.clock.includes('Torsion clock'));
    const answer = await page.request.put(`${values.url}/api/visits/${row.visitId}/link`, {
      data: { days: 30 },
      headers: { origin: values.url },
    });
    await page.goto(`${values.url}/for-owner/${(await answer.json()).token}`);
  },
  power: visit('Four-glass', 'power'),
  strip: visit('Marble clock', 'strip'),
  clean: visit('Twin-bell', 'clean'),
  survey: visit('Bracket clock', 'survey'),
  fit: visit('Round dial', 'fit'),
  assemble: visit('Longcase clock with a moon', 'assemble'),
  oil: visit('Travelling', 'oil'),
  run: visit('Longcase clock with a painted', 'run'),
  sign: visit('Slate mantel', 'sign'),
  workings: () => page.goto(`${values.url}/workings`),
  book: book('6438'),
};

const wanted = values.only ? values.only.split(',') : Object.keys(VIEWS);
await page.goto(values.url);
await settle();
if (wanted.includes('sign-in')) await shot('sign-in');
await page.getByLabel('Name').fill('Ines Calloway');
await page.getByLabel('Passphrase').fill('brass-lark-mends-nine');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('navigation', { name: 'Main' }).waitFor();
for (const name of wanted.filter((n) => n in VIEWS)) {
  await page.setViewportSize(sizeOf(name));
  await VIEWS[name]();
  await settle();
  await shot(name);
}
await browser.close();
