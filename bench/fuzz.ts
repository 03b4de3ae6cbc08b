import { Browser } from '../server/test/browser.ts';
import { fuzz } from '../server/test/fuzz.ts';

/** npm run fuzz -- REQUESTS [SEED]: what the schemas allow, and what they do not, to every door of the demo shop. */
const address = process.env['ECLAT_ADDRESS']!;
const requests = Number(process.argv[2] ?? 20_000);
const seed = Number(process.argv[3] ?? Date.now() % 1_000_000);
const seat = async (name: string) => {
  const browser = new Browser(address);
  await browser.ok('PUT', '/session', { name, passphrase: 'brass-lark-mends-nine' });
  return browser;
};
const began = Date.now();
const { failures, statuses } = await fuzz(
  {
    technician: await seat('Ines Calloway'),
    counter: await seat('Wilf Arden'),
    'owner-of-shop': await seat('Marit Fennick'),
  },
  { requests, seed },
);
const seconds = (Date.now() - began) / 1000;
console.log(`${requests} requests of seed ${seed} in ${seconds.toFixed(0)} s:`, JSON.stringify(statuses));
const byDoor = new Map<string, typeof failures>();
for (const f of failures) byDoor.set(`${f.door} ${f.status}`, [...(byDoor.get(`${f.door} ${f.status}`) ?? []), f]);
for (const [door, all] of byDoor)
  console.log(`${all.length} × ${door}\n   ${all[0]!.sent}\n   ${all[0]!.said.slice(0, 300)}`);
console.log(failures.length === 0 ? 'no door fell' : `${failures.length} fell`);
process.exitCode = failures.length === 0 ? 0 : 1;
