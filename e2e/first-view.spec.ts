import type { Page } from '@playwright/test';
import type { BenchRow } from '@eclat/contract';
import { STAGE_IDS } from '@eclat/core/workflow';
import sharp from 'sharp';
import { asked, demoDatabase, expect, photograph, place, signIn, test } from './shop.ts';

const SIZES = [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const;
/** No stage is longer than two and a half views of the bench. */
const LONGEST = 2.5 * 800;

type Find = (page: Page) => ReturnType<Page['getByRole']>;
const button =
  (name: string | RegExp): Find =>
  (page) =>
    page.getByRole('button', { name }).first();
const field =
  (name: string | RegExp): Find =>
  (page) =>
    page.getByLabel(name, { exact: true }).first();
const radio =
  (name: string | RegExp): Find =>
  (page) =>
    page.getByRole('radio', { name }).first();

/** What the screen says at its top. */
const says: Find = (page) => page.locator('[data-work]').getByRole('status').first();

/** What a person comes for on each stage, on a clock of the demo shop that stands there, and its figure. */
const STAGES: Record<string, readonly Find[]> = {
  intake: [button('Photo'), (page) => page.getByText('Choose photos')],
  assess: [button('Add a finding'), (page) => page.getByRole('heading', { name: /The walk/ })],
  diagnose: [radio('Yes'), radio('No')],
  agree: [(page) => page.getByRole('heading', { name: 'How far to go' }), button('The owner chose this')],
  power: [says, radio('Let down')],
  strip: [field('What'), button('Log it')],
  clean: [button(/^On to: /)],
  'clean, planned': [button('Warm the bath'), button(/^plates/), (page) => page.getByText('Choose what goes in.')],
  survey: [field('Pivot'), field('Long way'), radio('sound'), button('Save, and to the next hole')],
  fit: [field('Finished pivot'), (page) => page.getByRole('button', { name: 'Fitted', exact: true })],
  assemble: [button(/^On again/)],
  oil: [(page) => page.getByRole('checkbox').first()],
  run: [button(/^Now/)],
  'run, not begun': [button('Start'), field('Where it runs')],
  deliver: [button(/^Passed/)],
  sign: [says, field('How it ended')],
};
/** The same for what is not a stage. */
const SCREENS: Record<string, Find> = {
  '/': (page) => page.getByRole('heading', { level: 1 }),
  '/?view=table': (page) => page.getByRole('table', { name: 'The bench' }).getByRole('link').first(),
  '/intake': field('Has it been here?'),
  '/movements': (page) => page.getByRole('heading', { level: 1 }),
  '/stores': (page) => page.getByRole('heading', { level: 1 }),
  '/wanted': (page) => page.getByRole('heading', { level: 1 }),
  '/on-test': button('Go round and read all'),
  '/timers': (page) => page.getByRole('heading', { level: 1 }),
  '/which': (page) => page.getByText('Photo of a label'),
  '/workings': (page) => page.getByRole('heading', { level: 1 }),
  '/listen': button('Listen'),
};

const lengthOf = (page: Page) => page.evaluate<number>('document.documentElement.scrollHeight');

/** In the view, and nothing lies over it. */
async function isInView(page: Page, find: Find): Promise<string> {
  const it = find(page);
  await expect(it).toBeVisible();
  return it.evaluate((e) => {
    const box = e.getBoundingClientRect();
    const [x, y] = [box.left + box.width / 2, box.top + box.height / 2];
    if (box.top < 0 || box.bottom > window.innerHeight || box.left < 0 || box.right > window.innerWidth)
      return `out of the view: ${Math.round(box.top)} to ${Math.round(box.bottom)} of ${window.innerHeight}`;
    const top = document.elementFromPoint(x, y);
    return top && (e.contains(top) || top.contains(e)) ? '' : `under ${top?.outerHTML.slice(0, 80)}`;
  });
}

test('the step in hand is in the first view: on the bench, on an upright tablet, on a phone', async ({
  page,
  serve,
}) => {
  const server = await serve(await demoDatabase(), { ECLAT_DEMO: '1' });
  await signIn(page, server.address, 'Ines Calloway', 'brass-lark-mends-nine');
  const rows = JSON.parse(await asked(page, `/api/bench`)) as BenchRow[];
  const soft = expect.configure({ soft: true });
  // Where it matters how far it is: which clock; of the others any that stands there.
  const clock: Record<string, string> = {
    clean: 'Twin-bell',
    'clean, planned': 'Mantel clock from the fair',
    'run, not begun': 'Small alarm clock',
  };
  const at = (of: string) => {
    const stage = of.split(',')[0]!;
    const row = rows.find((r) => r.next.stage === stage && r.clock.startsWith(clock[of] ?? ''));
    return `/visits/${row!.visitId}/${stage}`;
  };
  const table = [
    ...Object.entries(STAGES).map(([stage, finds]) => [at(stage), stage, finds] as const),
    ...Object.entries(SCREENS).map(([path, find]) => [path, path, [find]] as const),
  ];
  for (const [path, name, finds] of table) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(server.address + path);
    await expect(finds[0]!(page)).toBeVisible();
    if (name in STAGES) soft(await lengthOf(page), name).toBeLessThanOrEqual(LONGEST);
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      for (const [i, find] of finds.entries())
        soft(await isInView(page, find), `${name}, control ${i + 1}, ${width}×${height}`).toBe('');
    }
  }
  // The most is recorded where the trains are most.
  await page.setViewportSize({ width: 1280, height: 800 });
  const most = (r: BenchRow) =>
    ['quarter-chime', 'musical', 'longcase'].includes(r.familyId) || r.clock.includes('gilt columns');
  for (const row of rows.filter(most))
    for (const stage of STAGE_IDS) {
      await page.goto(`${server.address}/visits/${row.visitId}/${stage}`);
      await expect(says(page)).toBeVisible();
      soft(await lengthOf(page), `${row.clock}, ${stage}`).toBeLessThanOrEqual(LONGEST);
    }
});

test('with a phone in one hand: a reading, a step with its photo, and a clock found by its label', async ({
  page,
  serve,
}) => {
  const server = await serve(await demoDatabase(), { ECLAT_DEMO: '1' });
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, server.address, 'Ines Calloway', 'brass-lark-mends-nine');
  await place(page, 'Bench', 'Ines Calloway');
  let presses = 0;
  const press = async (find: Find) => {
    expect(await isInView(page, find)).toBe('');
    await find(page).click();
    presses++;
  };

  await test.step('a reading, from the home screen', async () => {
    await press((p) => p.getByRole('link', { name: 'Read', exact: true }));
    await press(button('Go round and read all'));
    await press(button(/^Now/));
    await press(button('Save the reading'));
    await expect(page.getByText('Reading taken.')).toBeVisible();
    expect(presses).toBeLessThanOrEqual(4);
  });

  await test.step('a step of the strip with a photo, from the home screen', async () => {
    const rows = JSON.parse(await asked(page, `/api/bench`)) as BenchRow[];
    const { visitId } = rows.find((r) => r.next.stage === 'strip')!;
    await page.goto(`${server.address}/visits/${visitId}/strip`); // it was in hand before
    await expect(field('What')(page)).toBeVisible();
    await page.evaluate('window.scrollTo(0, 300)');
    await button('Look up')(page).click();
    await button('Close')(page).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    expect(await page.evaluate('window.scrollY'), 'it is gone on with where one was').toBe(300);
    await page.goto(server.address);
    presses = 0;
    await press((p) => p.getByRole('link', { name: 'Strip log' }));
    await press((p) => p.getByRole('group', { name: 'Usually next' }).getByRole('button').first());
    const what = await field('What')(page).inputValue();
    await press(button('Photo'));
    await press(button('Take it'));
    await press(button('Close'));
    await expect(page.getByRole('button', { name: 'Photo of the strip', pressed: true })).toHaveCount(1);
    await press(button('Log it'));
    await expect(page.getByText(new RegExp(`^${what}: `)).first()).toBeVisible();
    expect(presses).toBeLessThanOrEqual(6);
    const visit = JSON.parse(await asked(page, `/api/visits/${visitId}`)) as {
      strip: { steps: { what: string; photoId: string | null }[] };
    };
    expect(visit.strip.steps.at(-1)).toMatchObject({ what, photoId: expect.any(String) });
  });

  await test.step('which clock is this: the code on its label', async () => {
    const rows = JSON.parse(await asked(page, `/api/bench`)) as BenchRow[];
    const { visitId, clock } = rows.at(-1)!;
    const svg = await asked(page, `/api/visits/${visitId}/papers/label.svg`);
    await page.goto(server.address);
    await page.getByRole('link', { name: 'Which clock?' }).click();
    const label = await sharp(Buffer.from(svg), { density: 200 }).flatten({ background: '#fff' }).jpeg().toBuffer();
    await page.getByLabel('Photo of a label').setInputFiles({ name: 'l.jpg', mimeType: 'image/jpeg', buffer: label });
    await expect(page.getByRole('heading', { level: 1, name: clock })).toBeVisible();
    await page.goto(`${server.address}/which`);
    await page
      .getByLabel('Photo of a label')
      .setInputFiles({ name: 'n.jpg', mimeType: 'image/jpeg', buffer: await photograph() });
    await expect(page.getByText('No code is seen on this photo')).toBeVisible();
  });
});
