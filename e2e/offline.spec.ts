import { appendFile, cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Visit } from '@eclat/contract';
import type { Locator, Page } from '@playwright/test';
import {
  answer,
  asked,
  expect,
  lookAtPhotos,
  makeSafe,
  openShop,
  PASS,
  signIn,
  stage,
  takeIn,
  test,
  unfold,
  freshDatabase,
} from './shop.ts';

test.use({ hasTouch: true });

const CLOCK = 'Slate mantel clock';
/** The page and its scripts are on this device, and answered from there. */
const keptHere = (page: Page) =>
  expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null), { intervals: [500] }).toBe(true);
const mark = (page: Page, words: string | RegExp) => page.getByRole('button', { name: words });

test('a day at the bench without the server, on a phone: seen at once, kept through closing, sent once', async ({
  page: first,
  server,
  context,
  browser,
}) => {
  let page = first;
  let changes = 0;
  const press = async (button: Locator) => {
    await button.tap();
    changes++;
    await expect(mark(page, `Server away: ${changes} change${changes === 1 ? '' : 's'} kept here`)).toBeVisible();
  };
  const button = (name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' });
  const photo = async () => {
    await button('Photo').tap();
    await press(button('Take it'));
    await page.keyboard.press('Escape');
  };
  const reopen = async () => {
    const here = page.url();
    await page.close();
    page = await context.newPage();
    await page.goto(here);
  };

  await openShop(page, server);
  await takeIn(page, 'Mantel or bracket clock, going barrels', CLOCK);
  await makeSafe(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await keptHere(page);
  await server.kill();

  await test.step('what comes off, each with its photo', async () => {
    for (const [n, what] of ['hands', 'dial', 'bell'].entries()) {
      await photo();
      await page.getByLabel('What', { exact: true }).fill(what);
      await press(button('Log it'));
      await expect(answer(page)).toContainText(`${n + 1} thing`);
    }
  });

  await test.step('the page is closed, and opened again without a server: all of it is there', async () => {
    await reopen();
    await expect(mark(page, 'Server away: 6 changes kept here')).toBeVisible();
    await expect(answer(page)).toContainText('3 things are off');
    // The photo of a step is drawn from this device.
    const drawn = () =>
      page.evaluate(
        () =>
          Array.from(document.querySelectorAll<HTMLImageElement>('img[src*="/api/photos/"]')).filter(
            (i) => i.naturalWidth > 0,
          ).length,
      );
    await unfold(page);
    await expect.poll(drawn).toBeGreaterThanOrEqual(3);
    await page.getByRole('link', { name: 'Eclat, to the bench' }).tap();
    await page
      .getByRole('link', { name: new RegExp(CLOCK) })
      .first()
      .tap();
    await expect(page.getByRole('heading', { name: CLOCK })).toBeVisible();
  });

  await test.step('holes by feel', async () => {
    await stage(page, 'Survey');
    const feel = () => page.getByRole('radiogroup', { name: 'Verdict by feel' });
    const verdict = (word: string) => feel().getByRole('radio', { name: word, exact: true });
    for (const arbor of ['T1', 'T2']) {
      await expect(page.getByRole('heading', { name: new RegExp(`^${arbor} .*, front$`) })).toBeVisible();
      await press(verdict('sound'));
      await expect(page.getByRole('heading', { name: new RegExp(`^${arbor} .*, back$`) })).toBeVisible();
      await press(verdict('bush'));
    }
    await expect(answer(page)).toContainText('2 to bush');
  });

  await test.step('findings, places and photos of the case', async () => {
    await stage(page, 'Assess');
    for (let n = 0; n < 9; n++) await press(button(/^in order/));
    for (let n = 0; n < 3; n++) await photo();
    await button('Add a finding').tap();
    await page.getByLabel('Place', { exact: true }).fill('hood');
    await page.getByLabel('What was seen').fill('Door sags.');
    await press(button('Record it'));
    await expect(page.getByText('Door sags.')).toBeVisible();
  });

  await test.step('on test: begun, read twice, and the power stands wound', async () => {
    await stage(page, 'Run');
    await page.getByLabel('Where it runs').fill('Shelf 2');
    await press(button('Start'));
    await expect(button(/^Power: going wound/)).toBeVisible();
    for (let n = 0; n < 2; n++) {
      await button(/^Now/).tap();
      await press(button('Save the reading'));
    }
    await reopen();
    await expect(mark(page, `Server away: ${changes} changes kept here`)).toBeVisible();
    await expect(button(/^Power: going wound/)).toBeVisible();
    await lookAtPhotos(page);
    await expect(page.getByRole('list', { name: 'On this device alone' }).getByRole('img')).toHaveCount(6);
    await page.keyboard.press('Escape');
  });
  expect(changes).toBe(20 + 6);

  await test.step('somebody else was at one of the holes: that is a choice, all else is there once', async () => {
    const here = page.url();
    const [visitId] = /[0-9a-f-]{36}/.exec(here)!;
    await page.close();
    await server.start();
    const other = await (await browser.newContext()).newPage();
    await signIn(other, server.address, 'Marit Fennick', PASS);
    const seen = JSON.parse(await asked(other, `/api/visits/${visitId}`)) as Visit;
    expect([seen.strip.steps.length, seen.photos.length, seen.holes.length]).toEqual([0, 0, 0]);
    await other.evaluate(
      (url) =>
        fetch(url, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ size: { kind: 'felt' }, pivotMm: null, verdict: 'tight', version: 0 }),
        }),
      `/api/visits/${visitId}/holes/T2.back`,
    );
    page = await context.newPage();
    await page.goto(here);
    await mark(page, '1 change not taken').tap();
    await button('Choose').tap();
    await expect(page.getByRole('dialog', { name: /Somebody changed/ })).toContainText('bush');
    await button('Keep mine').tap();
    await expect(page.getByText('Sent what was kept on this device.')).toBeVisible();

    const now = JSON.parse(await asked(page, `/api/visits/${visitId}`)) as Visit;
    expect(now.strip.steps.map((s) => s.what)).toEqual(['hands', 'dial', 'bell']);
    expect(now.photos).toHaveLength(6);
    const ofSteps = now.strip.steps.map((s) => s.photoId);
    expect(now.photos.slice(0, 3).map((p) => p.id)).toEqual(ofSteps);
    expect(Object.fromEntries(now.holes.map((h) => [h.key, h.verdict]))).toEqual({
      ...{ 'T1.front': 'sound', 'T1.back': 'bush', 'T2.front': 'sound', 'T2.back': 'bush' },
    });
    expect(now.places.map((p) => p.state)).toEqual(Array<string>(9).fill('in order'));
    expect(now.findings.map((f) => f.seen)).toEqual(['Door sags.']);
    expect(now.testRun?.readings).toHaveLength(2);
    // Stamped with when it was done, in the order in which it was done.
    const times = [...now.strip.steps, ...now.findings].map((x) => Date.parse(x.at));
    expect(times).toEqual(times.toSorted((a, b) => a - b));
    expect(Date.parse(now.strip.steps[0]!.at)).toBeLessThan(Date.parse(now.testRun!.startedAt));
  });
});

test('two tabs of one person send what waits once, each change after the one before it', async ({
  page,
  server,
  context,
}) => {
  await openShop(page, server);
  await takeIn(page, 'Longcase clock', CLOCK);
  await stage(page, 'Survey');
  await keptHere(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('heading', { name: CLOCK })).toBeVisible();
  await server.kill();
  const feel = page.getByRole('radiogroup', { name: 'Verdict by feel' });
  const verdicts = ['sound', 'tight', 'bush', 'sound'];
  for (const [n, verdict] of verdicts.entries()) {
    if (n > 0) await page.getByRole('button', { name: new RegExp(`^T1 .*, front: ${verdicts[n - 1]!}$`) }).click();
    await feel.getByRole('radio', { name: verdict, exact: true }).click();
    await expect(mark(page, new RegExp(`^Server away: ${n + 1} change`))).toBeVisible();
  }
  await expect(mark(other, 'Server away: 4 changes kept here')).toBeVisible();
  // Slow enough that both are at it at once.
  const sent: string[] = [];
  await context.route('**/holes/**', async (route) => {
    const reply = await route.fetch().catch(() => null); // it may still be starting
    if (!reply) return route.abort();
    sent.push((route.request().postDataJSON() as { verdict: string }).verdict);
    await new Promise((soon) => setTimeout(soon, 1000));
    await route.fulfill({ response: reply });
  });
  await server.start();
  await expect.poll(() => sent.length).toBeGreaterThanOrEqual(verdicts.length);
  for (const tab of [page, other]) await expect(mark(tab, /kept here|not taken/)).toBeHidden();
  expect(sent).toEqual(verdicts);
  await expect(other.getByRole('button', { name: /^T1 .*, front: sound$/ })).toBeVisible();
});

test('a newer version waits until it is asked for, and takes nothing from under a hand that types', async ({
  page,
  serve,
}) => {
  const web = await mkdtemp(join(tmpdir(), 'eclat-web-'));
  await cp('dist/web', web, { recursive: true });
  const server = await serve(await freshDatabase(), { ECLAT_WEB: web });
  await openShop(page, server);
  await takeIn(page, 'Longcase clock', CLOCK);
  await keptHere(page);
  await stage(page, 'Assess');
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByLabel('What was seen').pressSequentially('Door sa');
  await appendFile(join(web, 'offline.worker.js'), '\n// A newer one.\n');
  const opened = await page.evaluate(() => performance.timeOrigin);
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update()); // as it does each hour
  await expect(mark(page, 'A new version is ready')).toBeVisible();
  await page.keyboard.type('gs');
  await expect(page.getByLabel('What was seen')).toHaveValue('Door sags');
  expect(await page.evaluate(() => performance.timeOrigin)).toBe(opened);
  await mark(page, 'A new version is ready').click();
  await page.getByRole('button', { name: 'Load the new version' }).click();
  await expect.poll(() => page.evaluate(() => performance.timeOrigin).catch(() => opened)).not.toBe(opened);
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await expect(page.getByLabel('What was seen')).toHaveValue('Door sags');
  await expect(mark(page, 'A new version is ready')).toBeHidden();
  await rm(web, { recursive: true });
});
