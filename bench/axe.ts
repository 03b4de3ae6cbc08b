import { chromium } from '@playwright/test';
import { screensOf, violationsOn } from '../e2e/screens.ts';
import { signIn } from './sign-in.ts';

/**
 * Every screen as everybody can use it: on the bench, on an upright tablet and on a phone, light and dark, with all
 * that folds open; and what opens above the clock. It fails where axe finds something.
 */
const address = process.env['ECLAT_ADDRESS']!;
const SIZES = [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const;
const THEMES = ['light', 'dark'] as const;
const UNFOLD = `document.querySelectorAll('main [data-fold][aria-expanded="false"]').forEach((e) => e.click())`;

const cookie = await signIn(address);
const browser = await chromium.launch({
  executablePath: process.env['CHROMIUM']!,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const context = await browser.newContext({ locale: 'en-GB' });
await context.addCookies([{ ...cookie, url: address }]);
const page = await context.newPage();
const screens = await screensOf(page, address);
const onClock = screens.find((s) => s.endsWith('/survey'))!;
/** What opens above a screen: where, and the key that opens it. */
const ABOVE = [
  ['/', '?'],
  [onClock, 'g'],
  [onClock, 'p'],
  ...['photos', 'findings', 'workings', 'rules', 'past', 'notes'].map((tab) => [`${onClock}?look=${tab}`, '']),
] as const;

let bad = 0;
let seen = 0;
async function lookAt(path: string, key: string, unfold: boolean): Promise<void> {
  await page.goto(address + path);
  const title = page.locator('h1').first();
  if (
    !(await title.waitFor({ state: 'attached' }).then(
      () => true,
      () => false,
    ))
  ) {
    console.log(`  ${path} has no title`);
    bad++;
    return;
  }
  await page.waitForLoadState('networkidle');
  if (unfold) await page.evaluate(UNFOLD);
  if (key) {
    await page.keyboard.press(key);
    await page.getByRole('dialog').waitFor();
  }
  for (const colorScheme of THEMES) {
    await page.emulateMedia({ colorScheme });
    const found = await violationsOn(page);
    seen++;
    bad += found.length;
    const at = `${page.viewportSize()!.width} ${colorScheme} ${path.replace(/[0-9a-f-]{36}/, '…')} ${key}`;
    for (const v of found) console.log(`  ${at}: ${v}`);
  }
}

for (const [width, height] of SIZES) {
  await page.setViewportSize({ width, height });
  for (const path of screens) await lookAt(path, '', true);
  for (const [path, key] of ABOVE) await lookAt(path!, key!, false);
  console.log(`  ${width} × ${height}: ${screens.length} screens and ${ABOVE.length} sheets, light and dark`);
}
await browser.close();
console.log(`  axe found ${bad} in ${seen} looks`);
if (bad > 0) process.exitCode = 1;
