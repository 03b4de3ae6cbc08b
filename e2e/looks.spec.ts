import type { BenchRow } from '@eclat/contract';
import { FAMILIES } from '@eclat/core/movement';
import { STAGE_IDS } from '@eclat/core/workflow';
import { allBooks, screensOf, violationsOn } from './screens.ts';
import { demoDatabase, expect, signIn, test } from './shop.ts';

test.describe.configure({ mode: 'parallel' });

const BENCH = { width: 1280, height: 800 },
  TABLET = { width: 820, height: 1180 },
  PHONE = { width: 390, height: 844 };

for (const [half, name] of ['one half', 'the other half'].entries())
  test(`the demo shop, ${name}: screens that everybody can use, on the bench and on a tablet in the dark`, async ({
    page,
    serve,
  }) => {
    const server = await serve(await demoDatabase(), { ECLAT_DEMO: '1' });
    const look = async (size: typeof BENCH, colorScheme: 'light' | 'dark' = 'light') => {
      await page.setViewportSize(size);
      await page.emulateMedia({ colorScheme });
    };
    await (half === 0 ? look(BENCH) : look(TABLET, 'dark'));
    await page.goto(server.address);
    await expect(page.getByRole('heading', { name: 'Fennick Row Clock Room' })).toBeVisible();
    const violations = () => violationsOn(page);
    expect(await violations()).toEqual([]);
    await signIn(page, server.address, 'Ines Calloway', 'brass-lark-mends-nine');

    const rows = (await (await page.request.get(`${server.address}/api/bench`)).json()) as BenchRow[];
    expect(rows.length).toBeGreaterThanOrEqual(18);
    expect(new Set(rows.map((r) => r.familyId))).toEqual(new Set(FAMILIES.map((f) => f.id)));
    expect(new Set(rows.map((r) => r.next.stage))).toEqual(new Set(STAGE_IDS));
    expect(rows.some((r) => r.next.urgency === 'danger') && rows.some((r) => r.next.urgency === 'due')).toBe(true);
    const old = (await allBooks(page, server.address)).filter((m) => m.entries >= 4);
    expect(old).toHaveLength(3);

    const at = (stage: string) => `/visits/${rows.find((r) => r.next.stage === stage)!.visitId}/${stage}`;
    // Colours and pieces are shared: each screen is looked through in one of the two, those with figures of their own
    // in both.
    const figures = ['/', ...(['survey', 'run', 'clean', 'agree'] as const).map(at)];
    const paths = await screensOf(page, server.address);
    const soft = expect.configure({ soft: true });
    for (const [i, path] of paths.entries()) {
      if (i % 2 !== half) continue;
      await look(BENCH);
      await page.goto(server.address + path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await expect(page.getByText(/^(Loading|Drawing)/)).toHaveCount(0);
      const sideways = (where: string) =>
        soft
          .poll(() => page.evaluate<number>('document.documentElement.scrollWidth - window.innerWidth'), {
            message: `${path} scrolls sideways ${where}`,
          })
          .toBeLessThanOrEqual(0);
      const [inLight, inDark] = figures.includes(path) ? [true, true] : [i % 4 < 2, i % 4 >= 2];
      await sideways('on the bench');
      if (inLight) soft(await violations(), `${path}, light`).toEqual([]);
      await look(TABLET, 'dark');
      await sideways('on a tablet');
      if (inDark) soft(await violations(), `${path}, dark`).toEqual([]);
      // A phone takes photos and readings; there, only the width is held to.
      await look(PHONE);
      await sideways('on a phone');
    }
    if (half === 1) return;
    for (const [size, tab] of [
      [BENCH, 'photos'],
      [PHONE, 'rules'],
    ] as const) {
      await look(size);
      await page.goto(`${server.address}${at('oil')}?look=${tab}`);
      await expect(page.getByRole('dialog', { name: 'Look up' })).toBeVisible();
      soft(await violations(), `look up ${tab}`).toEqual([]);
    }
  });
