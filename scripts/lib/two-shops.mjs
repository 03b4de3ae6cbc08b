import { randomUUID } from 'node:crypto';
import { say } from './say.mjs';

const PASSPHRASE = 'brass-lark-mends-nine';

/** Somebody signed in at a shop, through the same addresses as a browser. */
async function signedIn(address, name) {
  let cookie = '';
  const send = async (method, path, body) => {
    const reply = await fetch(`${address}/api${path}`, {
      method,
      headers: {
        origin: address,
        cookie,
        'content-type': 'application/json',
        'idempotency-key': randomUUID(),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    if (!reply.ok) throw new Error(`${method} ${path} at ${address}: ${reply.status} ${await reply.text()}`);
    const set = reply.headers.getSetCookie().map((c) => c.split(';')[0]);
    if (set.length > 0) cookie = set.join('; ');
    return reply.json();
  };
  await send('PUT', '/session', { name, passphrase: PASSPHRASE });
  return send;
}

async function settled(send, change) {
  const { version, timeZone } = await send('GET', '/shop');
  await send('PUT', '/shop', { version, timeZone, answers: 'by marks', ...change });
}

/** One knows the other by its card. */
async function knows(send, other) {
  const { card, said } = await other('GET', '/shop-card');
  await send('POST', '/signing-keys', { key: said.key, shop: said.shop, card });
  return said.key;
}

/** The clock goes to the second shop with its book; both may ask for it from then on. */
async function lend(first, second, keys) {
  const { items } = await first('GET', '/movements');
  const [most] = items.toSorted((a, b) => b.entries - a.entries);
  const { movement, entries: history, logs } = await first('GET', `/movements/${most.id}/record`);
  const { name, familyId, maker } = movement;
  const visit = await second('POST', '/visits', {
    owner: { name: 'Corin Ashgrove', phone: '0555 010 771', email: '', address: 'Weir Cottage, Pellmere' },
    clock: { description: 'The same clock, moved to Pellmere' },
    movement: { name, familyId, maker, marks: [], history, logs, historyFrom: `${movement.code}.zip` },
    another: true,
    // Looked at and reported: nothing more is asked of it.
    shape: 'report',
    complaint: 'Stops at night.',
    received: [],
  });
  const there = `/movements/${visit.movement.id}`;
  await second('POST', `${there}/inscriptions`, {
    date: String(new Date().getFullYear()),
    text: 'Pellow, Pellmere. Suspension new',
    carrier: 'back board',
    how: 'pencil',
    ownHand: true,
  });
  await first('PUT', `/movements/${most.id}/shares`, { key: keys.second, shared: true });
  await second('PUT', `${there}/shares`, { key: keys.first, shared: true });
}

/** Two made-up shops know each other’s key and address, and have a movement in common. Twice done, it is once done. */
export async function introduce(firstAt, secondAt) {
  const first = await signedIn(firstAt, 'Marit Fennick');
  const second = await signedIn(secondAt, 'Jonna Pellow');
  await settled(first, { webAddress: firstAt, place: 'Aldermere' });
  await settled(second, { webAddress: secondAt, place: 'Pellmere' });
  const keys = { first: await knows(second, first), second: await knows(first, second) };
  const { items } = await second('GET', '/movements');
  if (items.length === 0) await lend(first, second, keys);
  say('the two shops know each other; one movement was in both');
}
