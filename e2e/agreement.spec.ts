import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { answer, expect, lookAtPhotos, openShop, photograph, stage, stageDone, takeIn, test, watch } from './shop.ts';

const violations = async (page: Page) =>
  (await new AxeBuilder({ page }).setLegacyMode(true).analyze()).violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`);

async function writeLine(page: Page, what: string, hours: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a line' }).click();
  await page.getByLabel('What is done').fill(what);
  await page.getByLabel('Hours').fill(hours);
  await page.getByLabel('An hour costs').fill('50');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText(what, { exact: true })).toBeVisible();
}

test('the owner decides on a page of their own; an addition during the work waits while the rest goes on', async ({
  page,
  server,
  browser,
  errors,
}) => {
  await openShop(page, server);
  await takeIn(page, 'Mantel or bracket clock, going barrels', 'Slate mantel clock');
  await page
    .getByLabel('Choose photos')
    .setInputFiles({ name: 'plate.jpg', mimeType: 'image/jpeg', buffer: await photograph() });

  await test.step('a point on a photo is tied to a finding', async () => {
    await stage(page, 'Assess');
    await page.getByRole('button', { name: 'Add a finding' }).click();
    await page.getByLabel('Place', { exact: true }).fill('going train, second wheel');
    await page.getByRole('button', { name: 'hole worn oval' }).click();
    await page.getByLabel('Proposal').fill('Bush');
    await page.getByLabel('Hours').fill('0,5');
    await page.getByRole('button', { name: 'Record it' }).click();
    await expect(answer(page)).toContainText('1 finding: 1 that stops it');
    await lookAtPhotos(page);
    await page.getByRole('button', { name: /^Photo ./ }).click();
    const sheet = page.getByRole('dialog').last();
    await sheet.getByRole('img', { name: 'The photo' }).click({ position: { x: 60, y: 40 } });
    await sheet.getByLabel('Point 1 shows').selectOption({ label: 'going train, second wheel: Hole worn oval' });
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await expect(page.getByTitle('Point on a photo')).toHaveText('1');
  });

  await test.step('lines from findings, and alternatives side by side', async () => {
    for (const s of ['Intake', 'Assess', 'Diagnose']) {
      await stage(page, s);
      await stageDone(page, s);
    }
    await page.getByRole('button', { name: 'Bush (going train, second wheel)' }).click();
    await page.getByLabel('An hour costs').fill('50');
    await page.getByRole('button', { name: 'Add it' }).click();
    await page.getByRole('button', { name: 'Cure the fault and stop' }).click();
    await page.getByRole('button', { name: 'Full overhaul', exact: true }).click();
    await expect(answer(page)).toContainText('The owner has not chosen how far to go');
    expect(await violations(page)).toEqual([]);
  });

  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const owner = await context.newPage();
  watch(owner, errors);
  await test.step('the owner chooses, accepts and asks, without signing in', async () => {
    await page.getByRole('button', { name: 'Create the page' }).click();
    const address = await page.getByLabel('Address of the owner’s page').inputValue();
    await owner.goto(address);
    await expect(owner.getByRole('heading', { name: 'Slate mantel clock' })).toBeVisible();
    await expect(owner.getByText('going train, second wheel: Hole worn oval').first()).toBeVisible();
    await expect(owner.getByRole('img').first()).toBeVisible();
    expect(await violations(owner)).toEqual([]);
    await owner
      .getByRole('listitem')
      .filter({ hasText: 'Full overhaul' })
      .getByRole('button', { name: 'Choose this' })
      .click();
    await owner
      .getByRole('group', { name: 'Bush (going train, second wheel)' })
      .getByRole('button', { name: 'Accept' })
      .click();
    await expect(owner.getByText(/Thank you. You accepted 25.00/)).toBeVisible();
    await owner.getByLabel('Your question').fill('Will it keep its chip?');
    await owner.getByRole('button', { name: 'Send it' }).click();
    await expect(owner.getByText('Not answered yet.')).toBeVisible();
    // The shop sees it without a reload.
    await expect(answer(page)).toContainText('The owner asks: “Will it keep its chip?”');
    await expect(page.getByText(/accepted, by link, by Odile Tarrowby/)).toBeVisible();
    await page.getByLabel('Answer', { exact: true }).fill('It will.');
    await page.getByRole('button', { name: 'Answer', exact: true }).click();
    await expect(answer(page)).toContainText('Agreed: 25.00');
    await stageDone(page, 'Agree');
    // It leads on; going back before it has led on would be no step at all.
    await expect(page).toHaveURL(/\/power$/);
  });

  await test.step('an addition waits for its own word; the work goes on', async () => {
    await stage(page, 'Agree');
    await expect(page).toHaveURL(/\/agree$/);
    await writeLine(page, 'A cracked pinion, found while apart', '3');
    await expect(page.getByText('found during the work')).toBeVisible();
    await page.getByRole('link', { name: 'Eclat, to the bench' }).click();
    const row = page.getByRole('link', { name: /Slate mantel clock/ });
    await expect(row).toContainText('owner asked: 1');
    await expect(row).toContainText('Let down 2 trains');
    await owner.reload();
    await owner
      .getByRole('group', { name: 'A cracked pinion, found while apart' })
      .getByRole('button', { name: 'Decline' })
      .click();
    await expect(row).not.toContainText('owner asked');
  });

  await test.step('papers open, and the address ends by a press', async () => {
    await row(page).click();
    await stage(page, 'Agree');
    for (const paper of ['estimate', 'condition', 'receipt', 'return', 'label']) {
      const pdf = await page.request.get(
        page.url().replace('/visits/', '/api/visits/').replace('/agree', `/papers/${paper}.pdf`),
      );
      expect(pdf.headers()['content-type']).toBe('application/pdf');
    }
    await page.getByRole('button', { name: 'End it' }).click();
    await expect(page.getByText('The address no longer works.')).toBeVisible();
    await owner.reload();
    await expect(owner.getByText('This address no longer works')).toBeVisible();
  });
  await context.close();
});

const row = (page: Page) => page.getByRole('link', { name: /Slate mantel clock/ });
