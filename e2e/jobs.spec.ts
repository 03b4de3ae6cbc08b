import type { Page } from '@playwright/test';
import { expect, openShop, stage, stageDone, takeIn, test } from './shop.ts';

const answer = (page: Page) => page.getByRole('status').first();
const agreed = (page: Page) => page.getByRole('button', { name: /^What is agreed/ });

test('a clock cured in place is asked only what its job holds, and signed as what it was', async ({ page, server }) => {
  await openShop(page, server.address);
  await takeIn(page, 'Balance clock with lever platform', 'Wardroom clock');

  await test.step('what is agreed is changed with a reason; what does not belong says why', async () => {
    await expect(agreed(page)).toHaveText('Full overhaul');
    await agreed(page).click();
    const sheet = page.getByRole('dialog', { name: 'What is agreed' });
    await sheet.getByRole('radio', { name: 'Cure in place' }).click();
    await sheet.getByRole('radio', { name: 'Without guarantee' }).click();
    await sheet.getByRole('button', { name: 'Keep it' }).click();
    await expect(sheet.getByText('A reason is needed.')).toBeVisible();
    await sheet.getByLabel('Why it changes').fill('Not worth an overhaul');
    await page.keyboard.press('Enter');
    await expect(agreed(page)).toHaveText('Cure in place · Without guarantee');
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
    await page.getByRole('button', { name: 'Bring it in' }).click();
    await expect(page.getByRole('button', { name: 'Oil is done' })).toBeVisible();
    await page.getByRole('button', { name: 'Leave it as it is' }).click();
    await page.keyboard.type('oiled last year');
    await page.getByRole('button', { name: 'Not in this job' }).click();
    await stage(page, 'Deliver');
    await stageDone(page, 'Deliver');
    await page.getByRole('checkbox').first().click();
    await expect(answer(page)).toContainText('Ready to sign');
    await page.getByRole('button', { name: 'Sign and close' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Sign', exact: true }).click();
    await expect(page.getByText('Cured in place: work on 2 parts', { exact: true })).toBeVisible();
    await expect(page.getByText('Cure in place; without guarantee')).toBeVisible();
    await expect(page.getByText('Run, as far as agreed: tried over one night, the owner fetches it')).toBeVisible();
    await expect(page.getByText('Oil: oiled last year')).toBeVisible();
    await expect(page.getByText(/^Power down, Strip, Clean, Survey, Assemble: “Cure in place”/)).toBeVisible();
  });
});
