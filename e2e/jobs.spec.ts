import type { Page } from '@playwright/test';
import { answer, expect, makeSafe, openShop, PASS, place, stage, stageDone, takeIn, test } from './shop.ts';

const agreed = (page: Page) => page.getByRole('button', { name: /^What is agreed/ });

test('a clock cured in place is asked only what its job holds, and signed as what it was', async ({ page, server }) => {
  await openShop(page, server);
  await takeIn(page, 'Balance clock with lever platform', 'Wardroom clock');

  await test.step('what is agreed is changed with a reason; what does not belong says why', async () => {
    await page.getByRole('button', { name: /^Stages/ }).click();
    await expect(agreed(page)).toHaveText('Full overhaul');
    await agreed(page).click();
    const sheet = page.getByRole('dialog', { name: 'What is agreed' });
    await sheet.getByRole('radio', { name: 'Cure in place' }).click();
    await sheet.getByRole('radio', { name: 'Without guarantee' }).click();
    await sheet.getByRole('button', { name: 'Save it' }).click();
    await expect(sheet.getByText('A reason is needed.')).toBeVisible();
    await sheet.getByLabel('Why it changes').fill('Not worth an overhaul');
    await page.keyboard.press('Enter');
    await expect(agreed(page)).toHaveText('Cure in place · Without guarantee');
    await page.keyboard.press('Escape');
    await stage(page, 'Survey');
    await expect(answer(page)).toContainText('Survey is not in this job');
    await expect(answer(page)).toContainText('“Cure in place” goes without it.');
  });

  await test.step('each stage leads to the next one of the job', async () => {
    await stage(page, 'Intake');
    await stageDone(page, 'Intake');
    await stageDone(page, 'Assess');
    await stageDone(page, 'Diagnose');
    await stageDone(page, 'Agree');
    await expect(page).toHaveURL(/\/fit$/);
  });

  await test.step('what was done in place is entered from the keyboard, before and after', async () => {
    await page.getByLabel('Part', { exact: true }).focus();
    await page.keyboard.type('Balance and hairspring');
    for (const typed of ['cleaned in place', 'amplitude 120°', 'amplitude 280°']) {
      await page.keyboard.press('Tab');
      await page.keyboard.type(typed);
    }
    await page.keyboard.press('Enter');
    await expect(page.getByText('before: amplitude 120°; after: amplitude 280°')).toBeVisible();
    await expect(page.getByLabel('Part', { exact: true })).toBeFocused();
    await page.keyboard.type('Lever');
    await page.keyboard.press('Tab');
    await page.keyboard.type('oil blotted');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Lever: oil blotted')).toBeVisible();
    await stageDone(page, 'Fit');
    await expect(page).toHaveURL(/\/run$/);
  });

  await test.step('a stage is left with its reason, one is brought in, and the signature asks no more', async () => {
    await page.getByRole('button', { name: 'Leave it as it is' }).click();
    await page.keyboard.type('tried over one night, the owner fetches it');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/deliver$/);
    await stage(page, 'Oil');
    await page.getByRole('button', { name: 'Add it to this job' }).click();
    await expect(page.getByRole('button', { name: 'Oil is done' })).toBeVisible();
    await page.getByRole('button', { name: 'Leave it as it is' }).click();
    await page.keyboard.type('oiled last year');
    await page.getByRole('button', { name: 'Not in this job' }).click();
    await stage(page, 'Deliver');
    await stageDone(page, 'Deliver');
    await page.getByRole('checkbox').first().click();
    await expect(answer(page)).toContainText('Ready to sign');
    await page.getByRole('button', { name: 'Sign and close' }).click();
    await page.getByLabel('Your passphrase').fill(PASS);
    await page.getByRole('dialog').getByRole('button', { name: 'Sign', exact: true }).click();
    await expect(page.getByText('Cured in place: work on 2 parts', { exact: true })).toBeVisible();
    await expect(page.getByText('Cure in place; without guarantee')).toBeVisible();
    await expect(page.getByText('Run, as far as agreed: tried over one night, the owner fetches it')).toBeVisible();
    await expect(page.getByText('Oil: oiled last year')).toBeVisible();
    await expect(page.getByText(/^Power down, Strip, Clean, Survey, Assemble: “Cure in place”/)).toBeVisible();
  });
});

test('print work goes at its own pace, the clock runs with its dial off, an old part goes on after it', async ({
  page,
  server,
}) => {
  await openShop(page, server);
  await takeIn(page, 'Recorder or instrument', 'Time recorder of the joinery');
  const side = (name: string) => stage(page, name);

  await test.step('a sub-assembly is named, goes on by a press, and is left with its reason', async () => {
    await makeSafe(page);
    await side('Sub-assemblies');
    await page.getByRole('button', { name: 'print work' }).press('Enter');
    const panel = page.getByRole('list', { name: 'Stages of the print work' }).locator('xpath=..');
    await page.getByRole('button', { name: 'Power down is done' }).press('Enter');
    await panel.getByRole('button', { name: 'Strip does not belong, or is left' }).press('Enter');
    await page.keyboard.type('Its rods stay together');
    await page.getByRole('button', { name: 'Not in this job' }).press('Enter');
    await expect(answer(page)).toContainText('Print work: clean is next');
    await expect(panel).toContainText('Strip: not in this job, Its rods stay together');
    await place(page, 'Bench');
    await expect(page.getByRole('link', { name: /Time recorder of the joinery/ })).toContainText('Photographs first');
  });

  await test.step('a run with the dial off is wound and no danger; ended, it is one', async () => {
    await page.getByRole('link', { name: /Time recorder of the joinery/ }).click();
    await stage(page, 'Assemble');
    await page.getByRole('button', { name: 'dial and hands' }).press('Enter');
    await page.getByRole('button', { name: 'Wound and going' }).press('Enter');
    await expect(page.getByText('Going, off: dial and hands.')).toBeVisible();
    await place(page, 'Bench');
    const row = page.getByRole('link', { name: /Time recorder of the joinery/ });
    await expect(row).toContainText('Runs on the stand, off: dial and hands');
    await row.click();
    await stage(page, 'Assemble');
    await page.getByLabel('What it showed').fill('Even beat for a night');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/Off: dial and hands\. Even beat for a night/)).toBeVisible();
    await place(page, 'Bench');
    await expect(row).toContainText('Apart with a train wound');
    await row.click();
  });

  await test.step('an old part goes on as work of the shop, and ends in the stores', async () => {
    await stage(page, 'Fit');
    await page.getByRole('button', { name: 'Begin such work' }).press('Enter');
    await page.getByLabel('What it is').fill('Old ribbon spool');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'End it' }).press('Enter');
    await page.getByRole('button', { name: 'Into the stores' }).press('Enter');
    await expect(page.getByText('Ended: 1')).toBeVisible();
    await place(page, 'Stores');
    await expect(page.getByText('Old ribbon spool').first()).toBeVisible();
  });
});
