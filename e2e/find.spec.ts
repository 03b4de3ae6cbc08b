import type { Page } from '@playwright/test';
import { expect, openShop, place, stage, takeIn, test } from './shop.ts';

/** Opened by its keys, typed, taken: no pointer. */
async function find(page: Page, typed: string, option: RegExp): Promise<void> {
  await page.keyboard.press('Control+K');
  const box = page.getByRole('dialog', { name: 'Find' });
  await expect(box.getByRole('combobox')).toBeFocused();
  await page.keyboard.type(typed);
  await expect(box.getByRole('option', { name: option }).first()).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Enter');
  await expect(box).toBeHidden();
}

test('anything is found by a few letters and Enter from every screen, and nothing typed there is lost', async ({
  page,
  server,
}) => {
  await openShop(page, server);
  await takeIn(page, 'Longcase clock', 'Tall clock');
  await stage(page, 'Intake');
  await page.getByLabel('Wanted', { exact: true }).fill('A full service');
  await find(page, 'surv', /^Survey/);
  await expect(page).toHaveURL(/\/survey$/);
  await find(page, 'rack snail', /^Rack, snail/);
  await expect(page.getByRole('radiogroup', { name: 'Rack, snail, lifting pieces?' })).toBeInViewport();
  // A number that stands on the movement: only the server knows it.
  await find(page, '6438', /^Tall clock.*in the shop now/);
  await expect(page.getByRole('heading', { name: 'Tall clock' })).toBeVisible();
  await stage(page, 'Intake');
  await expect(page.getByLabel('Wanted', { exact: true })).toHaveValue('A full service');

  await test.step('by finger, on a phone, from within a clock', async () => {
    await page.setViewportSize({ width: 390, height: 844 });
    await page.getByRole('button', { name: 'Look up' }).click();
    await page.getByRole('button', { name: 'Find anything' }).click();
    // A phone shows its keyboard when the field has the focus.
    await expect(page.getByRole('combobox', { name: 'Find' })).toBeFocused();
    await page.keyboard.type('mainspr');
    await page
      .getByRole('option', { name: /mainspring/i })
      .first()
      .click();
    await expect(page).toHaveURL(/\/workings\//);
  });

  await test.step('arrows walk what a search field found', async () => {
    await page.setViewportSize({ width: 1280, height: 800 });
    await place(page, 'Movement books');
    await page.getByLabel('Search the movements').fill('6438');
    await expect(page.getByRole('link', { name: /Square-plate movement/ })).toBeVisible();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/movements\/[0-9a-f-]{36}$/);
  });
});
