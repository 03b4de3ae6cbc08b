/**
 * npm run let-in [-- NAME]: for whoever stands at the server. Gives an owner of the shop (or the person named) a new
 * passphrase, lets them in again if they were locked out, and forgets failed guesses.
 */
import { randomInt } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import pg from 'pg';
import { withShop } from './lib/pgtools.mjs';
import { giveUp, main } from './lib/say.mjs';

const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const part = () => Array.from({ length: 5 }, () => LETTERS[randomInt(LETTERS.length)]).join('');
const name = process.argv[2] ?? null;

async function letIn(client) {
  const { rows } = await client.query(
    `select id, name, role from person where ($1::text is null and role = 'owner-of-shop') or lower(name) = lower($1)
      order by active desc, name limit 1`,
    [name],
  );
  const [person] = rows;
  if (!person) giveUp(name ? `Nobody here is called ${name}.` : 'This shop has no owner yet: open it in the browser.');
  const passphrase = [part(), part(), part(), part()].join('-');
  await client.query('begin');
  await client.query('update person set passphrase_hash = $2, active = true where id = $1', [
    person.id,
    await hash(passphrase),
  ]);
  await client.query('delete from session where person_id = $1', [person.id]);
  await client.query('delete from device where person_id = $1', [person.id]);
  await client.query('delete from sign_in_failure where name = lower($1)', [person.name]);
  await client.query('commit');
  await client.query("select pg_notify('eclat', $1)", [JSON.stringify({ topics: ['session', 'people'], visits: [] })]);
  console.log(
    `\n  ${person.name} (${person.role.replaceAll('-', ' ')}) signs in with\n\n    ${passphrase}\n\n` +
      '  Change it after that, under your name.\n',
  );
}

await main(() =>
  withShop(async (url) => {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    try {
      await letIn(client);
    } finally {
      await client.end();
    }
  }),
);
process.exit();
