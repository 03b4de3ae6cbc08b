import { clockIn, expect, stage, test } from './shop.ts';

test('what was done at a clock is undone step by step, by key, button and notice, across stages and a reload', async ({
  page,
  server,
}) => {
  const { visitId, now } = await clockIn(page, server);
  const undo = page.getByRole('button', { name: 'Undo', exact: true }).last();
  const said = (words: string | RegExp) => expect(page.getByText(words)).toBeVisible();

  await stage(page, 'Assess');
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByLabel('Place', { exact: true }).fill('hood');
  await page.getByLabel('What was seen').fill('Door sags.');
  await page.getByRole('button', { name: 'Record it' }).click();
  await said('Door sags.');
  await stage(page, 'Survey');
  const feel = page.getByRole('radiogroup', { name: 'Verdict by feel' });
  const verdict = (word: string) => feel.getByRole('radio', { name: word, exact: true });
  const hole = (at: RegExp) => expect(page.getByRole('heading', { name: at })).toBeVisible();
  await hole(/^T1 .*, front$/);
  await verdict('sound').click();
  await hole(/^T1 .*, back$/);
  await verdict('bush').click();
  await hole(/^T2 .*, front$/);
  await expect.poll(async () => (await now()).holes.length).toBe(2);

  await test.step('the last first; its hole is in hand again', async () => {
    await page.keyboard.press('Control+Z');
    await said('Undone. Hole: T1 back.');
    await hole(/^T1 .*, back$/);
    expect((await now()).holes.map((h) => h.key)).toEqual(['T1.front']);
  });

  await test.step('a word that was changed goes back to the word before', async () => {
    await page.getByRole('button', { name: /^T1 .*, front: sound$/ }).click();
    await verdict('bush').click();
    await expect.poll(async () => (await now()).holes.map((h) => h.verdict)).toEqual(['bush']);
    await page.reload();
    await undo.click();
    await said('Undone. Hole: T1 front.');
    expect((await now()).holes.map((h) => h.verdict)).toEqual(['sound']);
    await undo.click();
    await expect.poll(async () => (await now()).holes).toEqual([]);
  });

  await test.step('what somebody else said in between is what it goes back to', async () => {
    await page.getByRole('button', { name: /^T1 .*, front: not looked at$/ }).click();
    await verdict('sound').click();
    await hole(/^T1 .*, back$/);
    await expect.poll(async () => (await now()).holes.map((h) => h.version)).toEqual([1]);
    await page.evaluate(
      (url) =>
        fetch(url, {
          method: 'PUT',
          headers: { 'content-type': 'application/json', 'idempotency-key': crypto.randomUUID() },
          body: JSON.stringify({ size: { kind: 'felt' }, pivotMm: null, verdict: 'tight', version: 1 }),
        }),
      `/api/visits/${visitId}/holes/T1.front`,
    );
    await page.getByRole('button', { name: /^T1 .*, front: tight$/ }).click();
    await verdict('bush').click();
    await expect.poll(async () => (await now()).holes.map((h) => h.verdict)).toEqual(['bush']);
    await undo.click();
    await expect.poll(async () => (await now()).holes.map((h) => h.verdict)).toEqual(['tight']);
    await said('Undone. Hole: T1 front.');
    await undo.click();
    await said('Not undone. Hole: T1 front: it was changed since.');
  });

  await test.step('without the server too, and once', async () => {
    await server.kill();
    await page.getByRole('button', { name: /^T1 .*, back: not looked at$/ }).click();
    await verdict('bush').click();
    await expect(page.getByRole('button', { name: /^T1 .*, back: bush$/ })).toBeVisible();
    await undo.click();
    await expect(page.getByRole('button', { name: /^T1 .*, back: not looked at$/ })).toBeVisible();
    await server.start();
    await said('Sent what was kept on this device.');
    expect((await now()).holes.map((h) => h.key)).toEqual(['T1.front']);
  });

  await test.step('what somebody else went on from is not, and that is said', async () => {
    const [found] = (await now()).findings;
    await page.evaluate(
      ([url, id]) =>
        fetch(url!, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'idempotency-key': crypto.randomUUID() },
          body: JSON.stringify({ kind: 'labour', what: 'Hang the door', quantity: '1', price: '40', findingId: id }),
        }),
      [`/api/visits/${visitId}/lines`, found!.id],
    );
    await undo.click();
    await said('Not undone. Finding: Door sags: “Hang the door” depends on it.');
    expect((await now()).findings).toHaveLength(1);
    await expect(undo).toBeDisabled();
  });
});
