import { readFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import pg from 'pg';
import { signIn } from './sign-in.ts';

/** A visit with 200 steps and 300 photos opens, and a hundred timers run, in the browser and in the server. */
const STEPS = 200,
  PHOTOS = 300,
  TIMERS = 100,
  WATCHED_S = 40;
const address = process.env['ECLAT_ADDRESS']!;
const db = new pg.Client({ connectionString: process.env['DATABASE_URL']! });
await db.connect();
const {
  rows: [visit],
} = await db.query<{ id: string }>(
  'select v.id from visit v join clock c on c.id = v.clock_id where v.closed_at is null and exists ' +
    '(select 1 from strip s where s.visit_id = v.id) order by v.opened_at limit 1',
);
await db.query(
  `insert into photo (id, visit_id, position, caption, stage, width, height, hash, large, medium, small, by, at)
  select gen_random_uuid(), $1, 1000 + n, 'step ' || n, 'strip', p.width, p.height, p.hash, p.large, p.medium, p.small,
    p.by, now() from generate_series(1, ${PHOTOS}) n, (select * from photo limit 1) p`,
  [visit!.id],
);
await db.query(
  `insert into strip_step (id, visit_id, pass, position, what, held_by, place, remarks, note, part_group,
    photo_id, by, at)
  select gen_random_uuid(), $1, 1, 1000 + n, 'thing ' || n, 'screw', 'tub ' || n % 9, '["washer"]', '', '',
    (select id from photo where visit_id = $1 and position = 1000 + n), 'x', now() from generate_series(1, ${STEPS}) n`,
  [visit!.id],
);

const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM']!,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const cookie = await signIn(address);
const opened: { usable: number; whole: number }[] = [];
for (let i = 0; i < 7; i++) {
  const page = await signedIn();
  await page.addInitScript(`new MutationObserver((_, watch) => {
    const rows = document.querySelectorAll('main ol.divide-y > li').length;
    if (rows >= 8 && !window.usableAt) { window.usableAt = -1;
      requestAnimationFrame(() => setTimeout(() => { window.usableAt = performance.now(); })); }
    if (rows < ${STEPS}) return;
    watch.disconnect();
    requestAnimationFrame(() => setTimeout(() => { window.wholeAt = performance.now(); }));
  }).observe(document, { childList: true, subtree: true });`);
  await page.goto(`${address}/visits/${visit!.id}/strip`, { waitUntil: 'commit' });
  await page.getByText(`thing ${STEPS}`, { exact: true }).first().waitFor();
  await page.waitForTimeout(1500);
  opened.push({
    usable: (await page.evaluate<number | undefined>('window.usableAt')) ?? Infinity,
    whole: (await page.evaluate<number | undefined>('window.wholeAt')) ?? Infinity,
  });
  await page.context().close();
}
const middle = (pick: (o: (typeof opened)[number]) => number) => opened.map(pick).sort((a, b) => a - b)[3]!;
console.log(`\nA visit with ${STEPS} steps and ${PHOTOS} photos, cold cache, loopback, median of 7`);
console.log(
  `  opens    ${middle((o) => o.usable).toFixed(0)} ms after the request: form and latest steps   ` +
    '(limit 1000), slowest ' +
    Math.max(...opened.map((o) => o.usable)).toFixed(0),
);
console.log(`  each     ${opened.map((o) => o.usable.toFixed(0)).join(', ')}`);
console.log(`  whole    ${middle((o) => o.whole).toFixed(0)} ms: all ${STEPS} steps stand there`);

const page = await signedIn();
await page.goto(`${address}/movements`);
const devtools = await page.context().newCDPSession(page);
await devtools.send('Performance.enable');
const without = await watch();
await db.query(
  `insert into bath_run (id, visit_id, bath, parts, minutes, override_reason, started_at, ends_at, by, sequence,
    steps, step_started_at)
  select gen_random_uuid(), $1, 'detergent', '[]', 600, '', now(),
    now() + interval '10 hours' + n * interval '1 minute', 'x', 'soapy',
      '[{"what":"Soak","minutes":600,"bath":"detergent","caution":"","again":0}]', now()
        from generate_series(1, ${TIMERS}) n`,
  [visit!.id],
);
await page.reload();
await page.getByText('more').waitFor();
const running = await watch();
console.log(`\n${TIMERS} timers running, over ${WATCHED_S} s (limit 1 % of a core more than with the demo's one)`);
for (const what of ['server', 'page'] as const)
  console.log(
    `  ${what.padEnd(8)} ${running[what].toFixed(2)} % of a core, ${without[what].toFixed(2)} % without them`,
  );
await browser.close();
await db.query("delete from bath_run where by = 'x'");
await db.end();

/** Shares of a core, in per cent, that the page and the server are busy while nobody does anything. */
async function watch(): Promise<{ page: number; server: number }> {
  await page.waitForTimeout(5000);
  const busy = async () =>
    (await devtools.send('Performance.getMetrics')).metrics.find((m) => m.name === 'TaskDuration')!.value;
  // utime and stime of the server in hundredths of a second (proc(5)).
  const ticks = () => {
    const f = readFileSync(`/proc/${process.env['ECLAT_PID']}/stat`, 'utf8').split(') ')[1]!.split(' ');
    return Number(f[11]) + Number(f[12]);
  };
  const [page0, server0] = [await busy(), ticks()];
  await page.waitForTimeout(WATCHED_S * 1000);
  return { page: (100 * ((await busy()) - page0)) / WATCHED_S, server: (ticks() - server0) / WATCHED_S };
}

async function signedIn(): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addCookies([{ name: cookie.name, value: cookie.value, url: address }]);
  return context.newPage();
}
