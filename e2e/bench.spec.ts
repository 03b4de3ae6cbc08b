import {
  answer,
  expect,
  makeSafe,
  openShop,
  opensPass,
  place,
  stage,
  stageDone,
  takeIn,
  test,
  unfold,
} from './shop.ts';

const BUSHES = [
  'kind,name,bore_mm,outside_mm,height_mm,on_hand,minimum,shelf',
  ...[
    [1, 2, 4],
    [1.2, 2.5, 6],
    [1.2, 3, 2],
  ].map(([b, o, n]) => `bush,Brass bush,${b},${o},2,${n},3,drawer 2`),
].join('\n');
/** Worn so far the long way; the others are sound. */
const WORN: Record<number, string> = { 1: '1,62', 4: '1,58', 9: '1,60', 14: '1,66', 19: '1,57' };
const THINGS = 40;

test(
  'two trains: 40 steps, two baths, a caliper, five bushes from the stores, back together with one ' +
    'part missing at first, and apart again',
  async ({ page, server }) => {
    await openShop(page, server);

    await test.step('the stores are filled from a table: first one with a bad row', async () => {
      await place(page, 'Stores');
      await page.getByRole('button', { name: 'Import a CSV' }).click();
      const file = page.getByLabel('The file');
      await file.setInputFiles({
        name: 'stores.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(`${BUSHES}\nbush,Odd bush,3,2,2,1,0,`),
      });
      await expect(page.getByRole('list', { name: 'What is wrong' })).toContainText('line 5');
      await expect(page.getByRole('button', { name: 'Take it in' })).toBeDisabled();
      await file.setInputFiles({ name: 'stores.csv', mimeType: 'text/csv', buffer: Buffer.from(BUSHES) });
      await page.getByRole('button', { name: 'Take it in' }).click();
      await expect(page.getByText('1.2 × 2.5 × 2 mm')).toBeVisible();
      await expect(answer(page)).toContainText('1 to order');
    });

    await takeIn(page, 'Mantel or bracket clock, going barrels', 'Slate mantel clock');
    await makeSafe(page);

    await test.step('what comes off, in its order', async () => {
      const usual = page.getByRole('group', { name: 'Usually next' }).getByRole('button');
      const what = page.getByLabel('What', { exact: true });
      for (let i = 1; i <= THINGS; i++) {
        if ((await usual.count()) > 0) await usual.first().click();
        else await what.fill(`screw ${i}`);
        await page.getByRole('button', { name: 'Log it' }).click();
        await expect(answer(page)).toContainText(i === 1 ? '1 thing is off' : `${i} things are off`);
      }
      await unfold(page);
      await page.getByRole('button', { name: 'Correct: hands' }).click();
      await page.getByRole('button', { name: 'Speak the remark' }).click();
      await page.getByRole('button', { name: /^Stop, [1-9] s/ }).click();
      await expect(page.getByRole('group', { name: 'Spoken remark' }).locator('audio')).toBeVisible();
      await page.getByRole('button', { name: 'Save changes' }).click();
      await expect(page.getByRole('listitem').filter({ hasText: 'hands' }).locator('audio')).toBeVisible();
      await page.getByLabel('Where is …?').fill('strike warning wheel');
      await expect(page.getByRole('status').filter({ hasText: 'strike warning wheel' })).toBeVisible();
      await stageDone(page, 'Strip');
    });

    await test.step('two runs: one is stopped by a material, the second goes by hand in solvent', async () => {
      await page.getByRole('button', { name: /^plates/ }).click();
      await page.getByRole('button', { name: /hands/ }).click();
      await expect(page.getByText('Must come out of the basket')).toBeVisible();
      await expect(page.getByRole('button', { name: 'Begin the run' })).toBeDisabled();
      await page.getByRole('button', { name: /hands/ }).click();
      await page.getByRole('button', { name: 'Begin the run' }).click();
      await expect(answer(page)).toContainText('Warm the bath');
      for (const next of ['In the bath', 'Hot rinse', 'Displace', 'Warm air'])
        await page.getByRole('button', { name: `On to: ${next}` }).click();
      await page.getByRole('button', { name: 'Parts are out', exact: true }).click();
      await expect(answer(page)).toContainText('One run is done');
      await page.getByLabel('Sequence').selectOption('By hand in solvent');
      await page.getByRole('button', { name: /^plates/ }).click();
      await page.getByRole('button', { name: 'Begin the run' }).click();
      const on = page.getByRole('button', { name: /^On to: / });
      await expect(on).toBeVisible();
      while ((await on.count()) > 0) {
        const name = await on.textContent();
        await on.click();
        await expect(on.filter({ hasText: name ?? '' })).toHaveCount(0);
      }
      await page.getByRole('button', { name: 'Parts are out', exact: true }).click();
      await expect(answer(page)).toContainText('2 runs are done');
      await stageDone(page, 'Clean');
    });

    const holes = await test.step('every hole, as a caliper types', async () => {
      await expect(answer(page)).toContainText('holes still to look at');
      const all = Number(/of (\d+) holes/.exec((await answer(page).textContent())!)![1]);
      for (let i = 0; i < all; i++) {
        await expect(answer(page)).toContainText(`${all - i} of ${all} holes`);
        for (const [label, typed] of [
          ['Pivot', '1,20'],
          ['Long way', WORN[i] ?? '1,26'],
          ['Short way', '1,26'],
        ] as const) {
          await page.getByLabel(label, { exact: true }).fill(typed);
          await page.getByLabel(label, { exact: true }).press('Enter');
        }
      }
      await expect(answer(page)).toContainText('5 to bush');
      await page.getByRole('button', { name: 'All sound' }).click();
      await expect(page.getByRole('heading', { name: 'The other parts are sound' })).toBeVisible();
      await stageDone(page, 'Survey');
      return all;
    });
    expect(holes).toBeGreaterThan(20);

    await test.step('five bushes, each off its shelf', async () => {
      for (let left = 5; left > 0; left--) {
        await expect(answer(page)).toContainText(`${left} ${left === 1 ? 'bush' : 'bushes'} still to fit`);
        await page.getByRole('button', { name: 'Fitted', exact: true }).first().click();
      }
      await expect(answer(page)).toContainText('All 5 bushes are in');
      await expect(page.getByRole('heading', { name: /^Depth to feel/ })).toBeVisible();
      await stageDone(page, 'Fit');
    });

    await test.step('the log backwards; one part is missing at first', async () => {
      const on = page.getByRole('button', { name: /^On again: / });
      for (let left = THINGS; left > 1; left--) {
        await on.first().click();
        await expect(answer(page)).toContainText(`${THINGS - left + 1} of ${THINGS}`);
      }
      await expect(page.getByRole('button', { name: 'Assemble is done' })).toBeDisabled();
      await stage(page, 'Sign');
      await expect(page.getByText(/1 thing that came off is not accounted for/)).toBeVisible();
      await stage(page, 'Assemble');
      await on.first().click(); // it lay under the bench
      await expect(answer(page)).toContainText('Everything that came off is accounted for');
      await stageDone(page, 'Assemble');
    });

    await test.step('it strikes wrong: a second pass takes off only what is in the way', async () => {
      await opensPass(page);
      await expect(answer(page)).toContainText(`${THINGS + 1} things are off, pass 2`);
      await stage(page, 'Assemble');
      await page.getByRole('button', { name: 'On again: hands' }).first().click();
      await expect(answer(page)).toContainText('Everything that came off is accounted for');
    });

    await test.step('the stores know', async () => {
      await place(page, 'Stores');
      await expect(
        page
          .getByRole('listitem')
          .filter({ hasText: '1.2 × 2.5 × 2 mm' })
          .getByText(/^[0-6]$/),
      ).toBeVisible();
      await expect(answer(page)).toContainText('to order');
    });
  },
);

test('an electric master on its bench, its case drying beside it', async ({ page, server }) => {
  await openShop(page, server);
  await takeIn(page, 'Electrically wound or master clock', 'Master clock of the hall');
  await stage(page, 'Electric bench');
  await page.getByLabel('Which coil').fill('Rewind coil');
  await page.getByLabel('Ohms, one end free').fill('109');
  await page.getByLabel('What belongs there').first().fill('110');
  await page.getByRole('button', { name: 'Save the reading' }).click();
  await expect(page.getByText('109 Ω where 110 Ω belong')).toBeVisible();
  await page.getByLabel('Supply, volts').fill('24');
  for (const [volts, milliamps, did] of [
    ['9', '81', 'moves'],
    ['15', '137', 'lifts'],
    ['17', '154', 'advances'],
    ['24', '219', 'advances'],
  ] as const) {
    await page.getByLabel('Volts', { exact: true }).fill(volts);
    await page.getByLabel('Milliamps').fill(milliamps);
    await page.getByRole('button', { name: did, exact: true }).click();
    await expect(page.getByRole('list', { name: 'Voltage' })).toContainText(`${volts} V, ${milliamps} mA: ${did}`);
  }
  await expect(answer(page)).toContainText('It steps from 17 V');
  await expect(page.getByRole('img', { name: /Current against voltage/ })).toBeVisible();

  await stage(page, 'Case, dial, glass');
  await page.getByRole('button', { name: 'Add a task' }).click();
  await page.getByRole('button', { name: 'Finish coat' }).click();
  await page.getByLabel('Product').fill('shellac');
  await page.getByRole('button', { name: 'Add the task' }).click();
  await page.getByRole('button', { name: 'Coat or time 1' }).click();
  await page.getByRole('button', { name: 'It is agreed, and done' }).click();
  await expect(answer(page)).toContainText(/Waiting: 23:59:\d\d more/);
  await page.reload();
  await expect(answer(page)).toContainText(/Waiting: 23:59:\d\d more/);
});
