import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { freshDatabase } from '../../../../test/shop.ts';
import { connect, migrate } from '../orm.ts';

let orm: Awaited<ReturnType<typeof connect>>;
beforeAll(async () => {
  orm = await connect(await freshDatabase(), 2);
  await orm.getMigrator().up({ to: '0013-together' });
});
afterAll(() => orm?.close());

it('a batch that was written into the note gets its column, and the rest of the note stays', async () => {
  const notes = {
    'batch 22-07': ['22-07', ''],
    'Batch 21/11, opened in May': ['21/11', 'opened in May'],
    'second shelf; batch A7': ['A7', 'second shelf'],
    'a whole batch of them': ['', 'a whole batch of them'],
    'no longer made': ['', 'no longer made'],
  };
  const sql = (text: string, values: unknown[]) => orm.em.getConnection().execute(text, values);
  const ids = Object.keys(notes).map(() => randomUUID());
  for (const [i, note] of Object.keys(notes).entries())
    await sql(
      `insert into stock_item (id, identity, kind, name, sizes, minimum, price, supplier, supplier_no, shelf, note)
       values (?, ?, 'product', 'Clock oil', '{}', 0, '', '', '', '', ?)`,
      [ids[i], String(i), note],
    );
  await migrate(orm);
  const rows = (await sql(`select id, batch, note from stock_item`, [])) as {
    id: string;
    batch: string;
    note: string;
  }[];
  for (const [i, want] of Object.values(notes).entries()) {
    const row = rows.find((r) => r.id === ids[i])!;
    expect([row.batch, row.note]).toEqual(want);
  }
});
