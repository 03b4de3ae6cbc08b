import { spawnSync } from 'node:child_process';
import type { Picture } from '@eclat/core/photo';
import { drawWheel, seeded } from '@eclat/core/simulated';
import { expect, openShop, takeIn, test } from './shop.ts';

test('a lost wheel is searched, sorted, sent as an address, and kept with a visit', async ({ page, server }) => {
  await openShop(page, server);
  await takeIn(page, 'Longcase clock', 'Tall clock');
  const visit = page.url().replace('/intake', '');

  await test.step('found by a word, from the keyboard', async () => {
    await page.goto(server.address);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await page.keyboard.press('w');
    await page.getByLabel('Search the workings').fill('lost wheel');
    await page.getByRole('link', { name: /A missing wheel or pinion/ }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Most usual: 60/8' })).toBeVisible();
  });

  await test.step('two unknown pairs are searched away from the page, and the list is sorted', async () => {
    await page.getByRole('radio', { name: '2', exact: true }).click();
    await page.getByLabel('Departure allowed, %').fill('0,5');
    await expect(page.getByText(/other sets do it too/)).toBeVisible();
    // What is still being searched moves the page under a press.
    const sorted = (way: string) =>
      expect(async () => {
        await page.getByRole('button', { name: 'Wheel', exact: true }).click();
        await expect(page.getByRole('columnheader', { name: 'Wheel', exact: true })).toHaveAttribute('aria-sort', way, {
          timeout: 1000,
        });
      }).toPass();
    await sorted('ascending');
    const first = page.getByRole('region', { name: 'Counts, most usual first' }).locator('tbody td').first();
    const least = Number(await first.textContent());
    await sorted('descending');
    await expect.poll(async () => Number(await first.textContent())).toBeGreaterThan(least);
  });

  await test.step('the address holds the figures', async () => {
    await page.getByLabel('Beats an hour wanted').fill('4320');
    await expect(page).toHaveURL(/beats=4320/);
    const other = await page.context().newPage();
    await other.goto(page.url());
    await expect(other.getByLabel('Beats an hour wanted')).toHaveValue('4320');
    await expect(other.getByRole('radio', { name: '2', exact: true })).toBeChecked();
    await other.close();
  });

  await test.step('a figure that cannot be is refused at its field', async () => {
    await page.getByLabel('Wheels to').fill('900');
    await expect(page.getByText('Between 12 and 400.').first()).toBeVisible();
    await page.getByLabel('Wheels to').fill('120');
  });

  await test.step('kept with the visit, seen there, and taken back with a way to undo', async () => {
    await page.getByRole('button', { name: 'Use in a visit' }).click();
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /Tall clock/ })
      .click();
    await expect(page).toHaveURL(new RegExp(`${visit}/(survey|fit)`));
    const kept = page.getByRole('tabpanel', { name: /^Workings/ });
    await expect(kept.getByText(/Most usual: /)).toBeVisible();
    await page.reload();
    await expect(kept.getByText(/Most usual: /)).toBeVisible();
    await kept.getByRole('button', { name: 'Take back: A missing wheel or pinion' }).click();
    await expect(kept.getByText(/Most usual: /)).toHaveCount(0);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await page.keyboard.press('l');
    await page.getByRole('tab', { name: /^Workings/ }).click();
    await expect(kept.getByText(/Most usual: /)).toBeVisible();
  });

  await test.step('and one is done inside a stage', async () => {
    await page.goto(`${visit}/run`);
    await page.getByRole('button', { name: 'Look up' }).click();
    await page.getByRole('tab', { name: /^Workings/ }).click();
    await page.getByRole('button', { name: 'Beat error' }).click();
    const sheet = page.getByRole('dialog', { name: 'Beat error' });
    await sheet.getByLabel('Tick to tock, ms').fill('450');
    await sheet.getByLabel('Tock to tick, ms').fill('550');
    await expect(sheet.getByText(/Out of beat by 10.0 %/)).toBeVisible();
    await sheet.getByRole('button', { name: 'Save with this visit' }).click();
    await expect(sheet).toHaveCount(0);
    await expect(page.getByText(/Out of beat by 10.0 %/)).toBeVisible();
  });
});

test('one list of calculations answers alike on its page, in a panel, on the command line and in the API', async ({
  page,
  server,
}) => {
  await openShop(page, server);
  const asked = {
    'pendulum-length': { beats: 3600 },
    'spring-turns': { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, lengthMm: 1500 },
    'promise-date': {
      from: '2031-05-02',
      hoursBest: 5,
      hoursLikely: 8,
      hoursWorst: 16,
      hoursPerWeek: 10,
      hoursAhead: 12,
      waits: [],
      chancePercent: 25,
      passHours: 4,
      testDays: 9,
      seed: 7,
      trials: 5000,
    },
  };
  for (const [id, input] of Object.entries(asked))
    await test.step(id, async () => {
      const api = (await (
        await page.request.post(`${server.address}/api/workings/${id}`, {
          data: input,
          headers: { origin: server.address },
        })
      ).json()) as { result: object; says: string; version: number };
      const line = spawnSync('npm', ['run', '--silent', 'work', '--', id, JSON.stringify(input)], { encoding: 'utf8' });
      expect(JSON.parse(line.stdout)).toEqual({ id, ...api });
      const address = new URLSearchParams(
        Object.entries(input).map(([k, v]): [string, string] => [k, Array.isArray(v) ? JSON.stringify(v) : String(v)]),
      );
      await page.goto(`${server.address}/workings/${id}?${address.toString()}`);
      await expect(page.getByRole('status').filter({ hasText: api.says })).toBeVisible();
    });

  await test.step('in inches, for those who measure in them', async () => {
    await page.getByRole('button', { name: 'Marit Fennick' }).click();
    await page.getByRole('menuitemradio', { name: 'inch and lb' }).click();
    await page.keyboard.press('Escape');
    await page.goto(
      `${server.address}/workings/gear-size?wheel=60&pinion=8&measured=wheel%20across&sizeMm=1&units=inch`,
    );
    await expect(page.getByLabel('Its size, in')).toHaveValue('1');
    await expect(page.getByText('1.0000 in')).toBeVisible();
    await page.getByLabel('Its size, in').fill('1000');
    await expect(page.getByRole('button', { name: /1000 thousandths/ })).toBeVisible();
  });

  await test.step('every check holds in this browser', async () => {
    await page.goto(`${server.address}/workings/checks`);
    await expect(page.getByText(/^All \d+ checks of \d+ workings hold$/)).toBeVisible();
    await page.getByRole('radio', { name: /from memory/ }).click();
    await expect(page).toHaveURL(/kind=memory/);
    await expect(page.getByLabel('does not hold')).toHaveCount(0);
  });
});

/** A picture as a file, in the plainest of the formats that browsers read: BMP, 24 bits, rows from below. */
function asBmp({ width, height, light }: Picture): Buffer {
  const row = Math.ceil((3 * width) / 4) * 4;
  const file = Buffer.alloc(54 + row * height);
  file.write('BM');
  for (const [at, value] of [
    [2, file.length],
    [10, 54],
    [14, 40],
    [18, width],
    [22, height],
  ] as const)
    file.writeUInt32LE(value, at);
  file.writeUInt16LE(1, 26);
  file.writeUInt16LE(24, 28);
  light.forEach((v, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    file.fill(
      Math.round(255 * Math.min(1, Math.max(0, v))),
      54 + row * (height - 1 - y) + 3 * x,
      57 + row * (height - 1 - y) + 3 * x,
    );
  });
  return file;
}

test('the teeth of a wheel are counted on a photo, and a length is read by a ruler in it', async ({ page, server }) => {
  await openShop(page, server);
  const scene = { teeth: 64, pitchPx: 12, tilt: 0.3, tiltTo: 1, turned: 0.2, cameraRadii: 9, spokes: 5 };
  const { picture, middle, rim } = drawWheel(
    { ...scene, wheel: 0.6, ground: 0.2, shade: 0.1, noise: 0.02, missing: [9], glareAt: 0, glare: 0 },
    seeded(4),
  );
  await page.goto(`${server.address}/workings`);
  await page.getByRole('link', { name: 'Count teeth on a photo' }).click();
  const choose = page.getByLabel('Take or choose a photo');
  await choose.setInputFiles({ name: 'wheel.bmp', mimeType: 'image/bmp', buffer: asBmp(picture) });
  const press = async (asks: RegExp, at: { x: number; y: number }) => {
    const board = page.getByRole('button', { name: asks });
    const box = (await board.boundingBox())!;
    await board.click({ position: { x: (at.x / picture.width) * box.width, y: (at.y / picture.height) * box.height } });
  };
  await press(/^Press the wheel’s middle/, middle);
  await press(/^Press its rim/, rim);
  await expect(page.getByText('64 teeth')).toBeVisible();
  await expect(page.getByText(/1 tooth missing: 1 at/)).toBeVisible();

  await page.getByText('Measure lengths', { exact: true }).click();
  await press(/^Press one mark of the ruler/, { x: 40, y: 20 });
  await press(/^Press the other mark/, { x: 240, y: 20 });
  await page.getByLabel('Between the two marks of the ruler').fill('20 mm');
  // From the keyboard: the cross stands in the middle, and five steps to the right of it.
  const board = page.getByRole('button', { name: /^Press one end/ });
  await board.focus();
  await page.keyboard.press('Enter');
  for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  // A tenth of the picture, at ten pixels a millimetre.
  await expect(page.getByText(`${(picture.width / 100).toFixed(2)} mm ±`)).toBeVisible();
});
