import { writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import config from '../playwright.config.ts';
import { expect, openShop, signIn, test, watch } from './shop.ts';
import { heardAs, wavOf } from './sound.ts';

test('the microphone: a real one, as far as the browser knows, hears which side is short', async ({
  page,
  server,
}, info) => {
  await openShop(page, server);
  const wav = info.outputPath('clock.wav');
  // Which is the tick is told by its loudness: clearly the louder, so that sound that stutters cannot turn it round.
  writeFileSync(wav, wavOf({ ...heardAs, tockDb: 5 }, 30));
  const { executablePath, args } = config.use!.launchOptions!;
  const browser = await chromium.launch({
    executablePath: executablePath!,
    args: [...args!, `--use-file-for-fake-audio-capture=${wav}`],
  });
  const errors: string[] = [];
  try {
    const heard = await (await browser.newContext({ locale: 'en-GB', permissions: ['microphone'] })).newPage();
    watch(heard, errors);
    await signIn(heard, server.address);
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
  } finally {
    await browser.close();
  }
  expect(errors).toEqual([]);
});
