import { writeFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import config from '../playwright.config.ts';
import { expect, openShop, signIn, takeIn, test, unfold, watch, type ServerProcess } from './shop.ts';
import { alarmWav, heardAs, wavOf } from './sound.ts';

/** A browser whose microphone plays a file, signed in; what went wrong in it is no error of its own. */
async function hearing(server: ServerProcess, wav: string, does: (page: Page) => Promise<void>): Promise<void> {
  const { executablePath, args } = config.use!.launchOptions!;
  const browser = await chromium.launch({
    executablePath: executablePath!,
    args: [...args!, `--use-file-for-fake-audio-capture=${wav}`],
  });
  const errors: string[] = [];
  try {
    const page = await (await browser.newContext({ locale: 'en-GB', permissions: ['microphone'] })).newPage();
    watch(page, errors);
    await signIn(page, server.address);
    await does(page);
  } finally {
    await browser.close();
  }
  expect(errors).toEqual([]);
}

test('the microphone: a real one, as far as the browser knows, hears which side is short', async ({
  page,
  server,
}, info) => {
  await openShop(page, server);
  const wav = info.outputPath('clock.wav');
  // Which is the tick is told by its loudness: clearly the louder, so that sound that stutters cannot turn it round.
  writeFileSync(wav, wavOf({ ...heardAs, tockDb: 5 }, 30));
  await hearing(server, wav, async (heard) => {
    await heard.goto(`${server.address}/listen`);
    await heard.getByRole('button', { name: 'Listen', exact: true }).click();
    const short = heard.getByRole('img', { name: /^Tock to tick short, 1[34] ms/ });
    // Where sound stutters for a while it is found again once it does not: on a machine that stalls that takes minutes.
    const timeout = 180_000;
    await expect(heard.getByText('7,200', { exact: true })).toBeVisible({ timeout });
    await expect(short).toBeVisible({ timeout });
    // Both hands say where the tick is, and the words change with it.
    await heard.getByRole('radio', { name: 'right' }).click();
    await expect(heard.getByRole('img', { name: /^Left side short, 1[34] ms/ })).toBeVisible({ timeout });
    await heard.getByRole('button', { name: 'Stop listening' }).click();
    await expect(heard.getByRole('img', { name: 'Not listening' })).toBeVisible();
  });
});

test('the microphone: an alarm is heard to its end, and its length and evenness are kept in three presses', async ({
  page,
  server,
}, info) => {
  await openShop(page, server);
  await takeIn(page, 'Riveted alarm clock', 'Tin alarm');
  const visit = new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
  const wav = info.outputPath('alarm.wav');
  const { bytes, seconds } = alarmWav();
  writeFileSync(wav, bytes);
  await hearing(server, `${wav}%noloop`, async (heard) => {
    await heard.goto(`${server.address}${visit}/alarm`);
    await unfold(heard);
    const begin = heard.getByRole('button', { name: 'Hear it ring' });
    // A machine that lost part of the sound says so, and asks to hear it again: that is no wrong count.
    await expect(async () => {
      await begin.click();
      await expect(heard.getByText(/^Let it ring, to its end/)).toBeVisible();
      await heard.waitForTimeout(9000); // as long as the sound of the file
      await heard.getByRole('button', { name: 'It has ended' }).click();
      await expect(begin).toBeVisible({ timeout: 30_000 });
      await expect(heard.getByText(/blows in .* a second\.$/)).toBeVisible({ timeout: 1000 });
    }).toPass({ timeout: 150_000 });
    const rang = Number(await heard.getByLabel('Rings for, s').inputValue());
    expect(Math.abs(rang - seconds)).toBeLessThan(0.4);
    await expect(heard.getByRole('radio', { name: 'evenly' })).toBeChecked();
    await heard.getByRole('button', { name: 'Save', exact: true }).nth(1).click();
    await expect(heard.getByText(/^How it rings: [\d.]+ s, evenly/)).toBeVisible();
  });
});
