import { answer, expect, openShop, PASS, photograph, place, signIn, stage, stageDone, takeIn, test } from './shop.ts';

const CLOCK = 'Slate mantel clock';

/** A moment so many days ago, as a datetime-local field takes it. */
const daysAgo = (days: number) => {
  const at = new Date(Date.now() - days * 86_400_000);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 19);
};

test('one clock goes from the counter to its signed service history, and a killed server loses nothing', async ({
  page,
  server,
}) => {
  await openShop(page, server);

  await test.step('intake', async () => {
    await takeIn(page, 'Fusee clock', CLOCK);
    await expect(answer(page)).toContainText('No photograph yet');
    await page
      .getByLabel('Choose photos')
      .setInputFiles({ name: 'front.jpg', mimeType: 'image/jpeg', buffer: await photograph() });
    await expect(page.getByRole('button', { name: /^Photo ./ })).toHaveCount(1);
    await page
      .getByLabel('Choose photos')
      .setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') });
    await expect(page.getByText('notes.jpg: This is not a photo that can be read.')).toBeVisible();
    await page.getByRole('button', { name: 'Throw it away' }).click();
    await stageDone(page, 'Intake');
  });

  await test.step('assess', async () => {
    await page.getByRole('button', { name: 'Add a finding' }).click();
    await page.getByLabel('Place', { exact: true }).fill('going train, centre wheel');
    await page.getByLabel('What was seen').fill('Back hole oval, black oil.');
    await page.getByRole('radio', { name: 'stops it' }).click();
    await page.getByRole('button', { name: 'Record it' }).click();
    await expect(answer(page)).toContainText('1 finding: 1 that stops it');
    await page.getByRole('button', { name: 'Take back: going train, centre wheel' }).click();
    await expect(answer(page)).toContainText('Look and record first');
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect(answer(page)).toContainText('1 finding');
    await stageDone(page, 'Assess');
  });

  await test.step('diagnose', async () => {
    const symptom = (name: string, say: string) =>
      page.getByRole('radiogroup', { name }).getByRole('radio', { name: say }).click();
    await symptom('Uneven beat', 'Yes');
    await symptom('Stops after hours', 'Yes');
    await expect(answer(page)).toContainText('Likeliest: not level');
    await symptom('Uneven beat', 'No');
    await expect(answer(page)).not.toContainText('not level');
    await page.getByLabel('Cause', { exact: true }).fill('Worn centre hole');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
    await stageDone(page, 'Diagnose');
  });

  await test.step('agree: the owner decides before the work', async () => {
    await expect(answer(page)).toContainText('Write the estimate');
    await page.getByRole('button', { name: 'Add a line' }).click();
    await page.getByLabel('What is done').fill('Overhaul of the going train');
    await page.getByLabel('Hours').fill('6,5');
    await page.getByLabel('An hour costs').fill('50');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(answer(page)).toContainText('The owner has 1 line to answer');
    await expect(page.getByRole('button', { name: 'Agree is done' })).toBeDisabled();
    await page.getByRole('radio', { name: 'accepted' }).click();
    await expect(answer(page)).toContainText('Agreed: 325.00');
    await stageDone(page, 'Agree');
  });

  await test.step('power down: shut until it is safe', async () => {
    await expect(answer(page)).toContainText('Do not open the plates');
    await expect(page.getByRole('button', { name: 'Begin the strip' })).toBeDisabled();
    for (const n of [2, 1]) {
      await expect(page.getByRole('button', { name: 'I have read this' })).toHaveCount(n);
      await page.getByRole('button', { name: 'I have read this' }).first().click();
    }
    await page.getByRole('radio', { name: 'Wound', exact: true }).click();
    await expect(page.getByRole('button', { name: 'going wound' })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Begin the strip' })).toBeDisabled();
    await page.getByRole('radio', { name: 'Let down' }).click();
    await expect(answer(page)).toContainText('Safe to open');
    await page.getByLabel('Turns let down').fill('5,5');
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByRole('button', { name: 'Begin the strip' }).click();
    await expect(answer(page)).toContainText('The strip has begun');
  });

  await test.step('the server is killed between two steps: all that was acknowledged is there', async () => {
    await server.kill();
    await server.start();
    await page.reload();
    await expect(page.getByLabel('Turns let down')).toHaveValue('5.5');
    await expect(answer(page)).toContainText('The strip has begun');
    await stage(page, 'Assess');
    await expect(page.getByText('Back hole oval, black oil.')).toBeVisible();
    await stage(page, 'Intake');
    await expect(page.getByRole('button', { name: /^Photo ./ })).toHaveCount(1);
    await stage(page, 'Power down');
    await stageDone(page, 'Power down');
  });

  await test.step('strip: what comes off is logged with its place, found again, corrected', async () => {
    await expect(answer(page)).toContainText('Log what comes off');
    for (const [what, place] of [
      ['hands', 'tub 1'],
      ['dial', 'tub 1'],
      ['pillar nuts or pins', 'mesh cage'],
      ['going centre wheel', 'going rack'],
    ] as const) {
      await page.getByLabel('What', { exact: true }).fill(what);
      await page.getByRole('group', { name: 'Held by' }).getByRole('button', { name: 'nut', exact: true }).click();
      await page.getByLabel('Another place').fill(place);
      await page.getByRole('button', { name: 'Log it' }).click();
      await expect(page.getByRole('button', { name: `Correct: ${what}` })).toBeVisible();
    }
    await page.getByLabel('Where is …?').fill('centre wheel');
    await expect(page.getByRole('status').filter({ hasText: 'going rack' })).toBeVisible();
    await expect(answer(page)).toContainText('4 things are off');
    await page.getByRole('button', { name: 'Take out: dial' }).click();
    await expect(answer(page)).toContainText('3 things are off');
    await page.getByRole('button', { name: 'Undo' }).last().click();
    await expect(answer(page)).toContainText('4 things are off');
    await stageDone(page, 'Strip');
  });

  await test.step('clean: materials set the limit, the timer survives a reload', async () => {
    await page.getByRole('button', { name: /^plates/ }).click();
    await expect(page.getByText('At most 15 minutes')).toBeVisible();
    await page.getByRole('button', { name: /hands/ }).click();
    await expect(page.getByText('Must come out of the basket')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Begin the run' })).toBeDisabled();
    await page.getByRole('button', { name: /hands/ }).click();
    await page.getByLabel('Minutes').fill('20');
    await expect(page.getByText('At most 15.', { exact: true })).toBeVisible();
    await page.getByLabel('Minutes').fill('5');
    await page.getByRole('button', { name: 'Begin the run' }).click();
    await expect(answer(page)).toContainText('Warm the bath');
    await page.getByRole('button', { name: 'On to: In the bath' }).click();
    await expect(answer(page)).toContainText(/In the bath, then look: [45]:\d\d to go/);
    await page.reload();
    await expect(answer(page)).toContainText(/In the bath, then look: [45]:\d\d to go/);
    await expect(page.getByRole('list', { name: 'Running timers' })).toContainText(CLOCK);
    for (const next of ['Hot rinse', 'Displace', 'Warm air'])
      await page.getByRole('button', { name: `On to: ${next}` }).click();
    await page.getByLabel('What it looks like now').fill('even and clean');
    await page.getByRole('button', { name: 'Parts are out', exact: true }).click();
    await expect(answer(page)).toContainText('One run is done');
    await stageDone(page, 'Clean');
  });

  await test.step('survey: thirty figures by caliper, no press in between', async () => {
    const holes = 10;
    const caliper = async (figure: string) => {
      await page.keyboard.type(figure);
      await page.keyboard.press('Enter');
    };
    await expect(answer(page)).toContainText(`${holes} of ${holes} holes`);
    await page.getByLabel('Pivot', { exact: true }).click();
    // The first is typed in thousandths by hand, and asked about.
    await page.keyboard.type('122');
    await page.getByRole('button', { name: '122 thousandths' }).click();
    await page.keyboard.press('Enter');
    for (const figure of ['3.15', '3.15']) await caliper(figure);
    // The device goes on as fast as it can, with comma or point, with its unit; one hole is worn.
    for (let i = 1; i < holes; i++)
      for (const figure of ['1,20', i === 3 ? '1.62 mm' : '1.25 mm', '1.25 mm']) await caliper(figure);
    await expect(answer(page)).toContainText('1 to bush: 0 front, 1 back');
    await expect(answer(page)).toContainText(`All ${holes} holes are looked at`);
    await expect(page.getByRole('button', { name: 'T2 centre wheel, back: bush' })).toBeVisible();
    // A figure that comes when the focus was lost behind a field is no shortcut: the survey stays open.
    await page.getByLabel('Pivot', { exact: true }).focus();
    await page.keyboard.type('1');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.type('.62 mm');
    await expect(page).toHaveURL(/\/survey$/);
    await stageDone(page, 'Survey');
  });

  await test.step('fit', async () => {
    await expect(answer(page)).toContainText('1 bush still to fit');
    await expect(page.getByText('1.2 × 2.5 × 2 mm')).toBeVisible();
    await page.getByRole('button', { name: 'Fitted', exact: true }).click();
    await expect(answer(page)).toContainText('The bush is in');
    await page.getByRole('button', { name: 'Enter the part' }).click();
    await expect(page.getByText('What was fitted is needed.')).toBeVisible();
    await page.getByLabel('What was fitted').fill('Suspension spring');
    for (const [size, typed] of [
      ['Strength', '0,10'],
      ['Width', '6'],
      ['Length', '22'],
    ] as const)
      await page.getByLabel(size, { exact: true }).fill(typed);
    await page.getByRole('button', { name: 'Enter the part' }).click();
    await expect(page.getByText('Old part: returned to the owner')).toBeVisible();
    await expect(page.getByText('0.1 × 6 × 22 mm')).toBeVisible();
    await stageDone(page, 'Fit');
  });

  await test.step('assemble: the log backwards; one thing missing at first', async () => {
    // The dial was taken out, and put back at its place.
    await expect(answer(page)).toContainText('Next on: going centre wheel');
    for (const what of ['going centre wheel', 'dial', 'hands'])
      await page.getByRole('button', { name: `On again: ${what}` }).click();
    await expect(answer(page)).toContainText('3 of 4 accounted for');
    await expect(page.getByRole('button', { name: 'Assemble is done' })).toBeDisabled();
    await page.getByRole('button', { name: 'Not fitted: pillar nuts or pins' }).click();
    const sheet = page.getByRole('dialog');
    await expect(sheet.getByRole('button', { name: 'Save it' })).toBeDisabled();
    await sheet.getByLabel('By what').fill('four new nuts');
    await sheet.getByRole('button', { name: 'Save it' }).click();
    await expect(answer(page)).toContainText('Everything that came off is accounted for');
    await stageDone(page, 'Assemble');
  });

  await test.step('oil: every point, and what stays dry', async () => {
    await expect(answer(page)).toContainText('points to go');
    const points = page.getByRole('checkbox');
    const n = await points.count();
    for (let done = 1; done <= n; done++) {
      await points.first().click();
      await expect(page.getByRole('button', { name: `${done} done`, exact: true })).toBeVisible();
    }
    await expect(answer(page)).toContainText('Every point is oiled or left dry');
    await stageDone(page, 'Oil');
  });

  await test.step('run: readings from paper and by a press, rate with its interval', async () => {
    await page.getByLabel('Where it runs').fill('Test stand 1');
    await page.getByLabel('Running since').fill(daysAgo(8.5));
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await page.getByRole('button', { name: 'An earlier reading, from paper' }).click();
    for (const [days, seconds] of [
      [8.4, 3],
      [6, 27],
      [4, 46],
      [2, 67],
      [0.1, 86],
    ] as const) {
      await page.getByLabel('Read at').fill(daysAgo(days));
      await page.getByLabel('Seconds off').fill(String(seconds));
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await expect(page.getByLabel('Seconds off')).toHaveValue('');
    }
    await expect(answer(page)).toContainText(/Gains (9\.9|10\.\d|10) s a day, give or take 0\.\d: inside 60 s a day/);
    await expect(page.getByRole('img', { name: /5 readings over 8\.4 days/ })).toBeVisible();
    await page.getByRole('button', { name: /^Now/ }).click();
    await expect(page.getByLabel('What the hands showed')).toBeFocused();
    await page.getByRole('button', { name: 'Press again' }).click();
    await stageDone(page, 'Run');
    await stageDone(page, 'Deliver'); // it is fetched at the counter
  });

  await test.step('sign', async () => {
    await expect(answer(page)).toContainText('1 thing that came with it is not ticked as going home');
    await page.getByLabel('Case key').click();
    await expect(answer(page)).toContainText('1 thing stands in the way');
    await page.getByRole('link', { name: /functions in position have no answer/ }).click();
    const open = page.getByRole('button', { name: /^Passed: / });
    await expect(open).not.toHaveCount(0);
    for (let left = await open.count(); left > 0; left--) {
      await open.first().click();
      await expect(open).toHaveCount(left - 1);
    }
    await stage(page, 'Sign');
    await expect(answer(page)).toContainText('Ready to sign');
    await page.getByLabel('For the next repairer').fill('Mrs Tarrowby says it was dropped.');
    await expect(answer(page)).toContainText('“tarrowby” belongs to the owner');
    await page.getByLabel('For the next repairer').fill('Chain sound, third hole marginal.');
    await page.getByRole('button', { name: 'Sign and close' }).click();
    await page.getByLabel('Your passphrase').fill(PASS);
    await page.getByRole('dialog').getByRole('button', { name: 'Sign', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Square-plate movement' })).toBeVisible();
    await expect(page.getByText('Chain sound, third hole marginal.')).toBeVisible();
    await expect(page.locator('body')).not.toContainText('Tarrowby');
  });

  await test.step('the book: an amendment, an inscription of uncertain date, another owner', async () => {
    await page.getByRole('button', { name: 'Add an amendment' }).click();
    await page.getByLabel('What is to be added or put right').fill('The spring is 32 mm wide.');
    await page.getByLabel('Your passphrase, to sign it').fill(PASS);
    await page.getByRole('button', { name: 'Sign and add it' }).click();
    await expect(page.getByText('The spring is 32 mm wide.')).toBeVisible();
    await page.getByRole('button', { name: 'Enter an inscription' }).click();
    await page.getByLabel('What is written there, letter by letter').fill('Clnd 189');
    await page.getByRole('button', { name: 'Unreadable' }).click();
    await page.getByLabel('On what', { exact: true }).selectOption('Front plate');
    await page.getByLabel('Date, as sure as it is').fill('189?');
    await page.getByRole('button', { name: 'Enter it' }).click();
    await expect(page.getByText('Write 1894-03-07')).toBeVisible();
    await page.getByLabel('Date, as sure as it is').fill('189X');
    await page.getByRole('button', { name: 'Enter it' }).click();
    await expect(page.getByRole('main').getByText('year illegible', { exact: true }).first()).toBeVisible();
    await expect(page.getByText('On the front plate.')).toBeVisible();
    await page.getByRole('button', { name: /^What is written on it/ }).click();
    await expect(page.getByRole('link', { name: 'Hand A Clnd 189[…]' })).toBeVisible();

    await place(page, 'Take in');
    await expect(page.getByRole('heading', { name: 'Take a clock in' })).toBeVisible();
    await page.getByLabel('Name', { exact: true }).fill('Casimir Pell');
    await page.getByLabel('The clock').fill('Round dial clock');
    await page.getByRole('button', { name: 'Add a number or mark' }).click();
    await page.getByLabel('Number or mark').fill('6438');
    const known = page.getByRole('list', { name: 'Known here' });
    await expect(known).toContainText('It has been here: Square-plate movement');
    await expect(known).toContainText('1890s, year illegible');
    await known.getByRole('button', { name: 'It is this one' }).click();
    await expect(page.getByRole('radio', { name: 'In that clock' })).toBeChecked();
    await page.getByLabel('What the owner says is wrong').fill('Due for oil.');
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByRole('heading', { name: 'Round dial clock' })).toBeVisible();
    await page.getByRole('link', { name: 'Eclat, to the bench' }).click();
    await expect(page.getByText('One clock in the shop')).toBeVisible();
  });
});

test('what is typed is never lost: over a reload, without a server, and after signing in again', async ({
  page,
  server,
  context,
}) => {
  await openShop(page, server);
  await place(page, 'Take in');
  await page.getByLabel('What the owner says is wrong').fill('Half a sentence about');
  await page.reload();
  await expect(page.getByLabel('What the owner says is wrong')).toHaveValue('Half a sentence about');

  await takeIn(page, 'Longcase clock', 'Tall clock');
  await stage(page, 'Assess');
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByLabel('Place', { exact: true }).fill('hood');
  await page.getByLabel('What was seen').fill('Door sags.');
  await server.kill();
  await page.getByRole('button', { name: 'Record it' }).click();
  await expect(page.getByRole('button', { name: 'Server away: 1 change kept here' })).toBeVisible();
  await server.start();
  await expect(page.getByRole('button', { name: /kept here/ })).toBeHidden();
  await expect(page.getByText('Door sags.')).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Door sags.' })).toHaveCount(1);

  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByLabel('What was seen').fill('Hinge bent, not sent yet');
  await context.clearCookies();
  await page.reload();
  await signIn(page, page.url());
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await expect(page.getByLabel('What was seen')).toHaveValue('Hinge bent, not sent yet');
});
