import { DAY } from './course.ts';
import { addPerson } from '@eclat/server/people/people.service';
import { Shop } from '@eclat/server/people/people.entity';
import { amend } from '@eclat/server/movements/history.service';
import { connect, ready, type EntityManager } from '@eclat/server/platform/database/orm';
import type { Person, Visit } from '@eclat/contract';
import { dayOf, daysAfter, ownZone } from '@eclat/core/days';
import type { Bath } from '@eclat/core/cleaning';
import { fillBath } from '@eclat/server/cleaning/bath-book.service';
import { listStores, orderItem, importTable } from '@eclat/server/stores/stores.service';
import { addCause } from '@eclat/server/diagnosis/knowledge.service';
import type { DemoClock } from './clock.ts';
import { CLOCKS } from './clocks/index.ts';
import { BATHS_IN_USE, ORDERED, OWN_CAUSE } from './shop-data.ts';
import { servedElsewhere } from './elsewhere.ts';
import { HISTORIES, type Read } from './histories.ts';
import table from './stores.csv?raw';
import { writeTryFiles } from './try-files.ts';
import { seeded } from '@eclat/core/simulated';
import { Workshop } from './workshop.ts';

const PASSPHRASE = 'brass-lark-mends-nine';
const TEAM = {
  marit: ['Marit Fennick', 'owner-of-shop'],
  ines: ['Ines Calloway', 'technician'],
  tobiah: ['Tobiah Rusk', 'technician'],
  wilf: ['Wilf Arden', 'counter'],
} as const;

const now = new Date();
const random = seeded(1894);
const movements = new Map<string, string>();
const clockIds = new Map<string, string>();
/** Owners by name: a returning one is the same person. */
const owners = new Map<string, string>();
const fills: { id: string; bath: Bath; at: Date }[] = [];

const url = process.env['DATABASE_URL'];
if (!url) throw new Error('DATABASE_URL is not set');
const orm = await connect(url);
await ready(orm);
try {
  // The demo is loaded once and whole: a load that was cut off leaves nothing behind.
  if (!(await orm.em.fork().findOne(Shop, { one: true }))) {
    console.log('· loading the demo shop');
    await orm.em.fork().transactional(load);
  }
} finally {
  await orm.close(true);
}

async function load(em: EntityManager): Promise<void> {
  if (process.env['ECLAT_DEMO_SHOP'] === 'second') return loadSecond(em);
  em.create(Shop, {
    timeZone: ownZone(),
    one: true,
    name: 'Fennick Row Clock Room',
    createdAt: new Date(now.getTime() - 15 * 365 * DAY),
    hourlyRate: '52.00',
    taxPercent: '20',
    pricesIncludeTax: true,
    currency: 'crowns',
    hoursPerWeek: 55,
  });
  const people = {} as Record<keyof typeof TEAM, Person>;
  for (const [key, [name, role]] of Object.entries(TEAM) as [keyof typeof TEAM, (typeof TEAM)[keyof typeof TEAM]][])
    people[key] = await addPerson(em, { name, role, passphrase: PASSPHRASE });
  await importTable({ em, person: people.wilf, now: new Date(now.getTime() - 900 * DAY), touched: new Set() }, table);
  await em.flush();
  for (const history of HISTORIES) await past(em, people, history);
  await addCause({ em, person: people.ines, now: new Date(now.getTime() - 400 * DAY), touched: new Set() }, OWN_CAUSE);
  for (const { daysAgo, ...bath } of BATHS_IN_USE) {
    const ctx = { em, person: people.ines, now: new Date(now.getTime() - daysAgo * DAY), touched: new Set<string>() };
    fills.push({ id: (await fillBath(ctx, { ...bath, note: '' })).id, bath: bath.bath, at: ctx.now });
  }
  for (const { supplierNo, quantity, inDays } of ORDERED) {
    const ctx = { em, person: people.wilf, now: new Date(now.getTime() - 2 * DAY), touched: new Set<string>() };
    const item = (await listStores(ctx)).find((i) => i.supplierNo === supplierNo)!;
    await orderItem(ctx, item.id, {
      quantity,
      expectedOn: dayIn(inDays),
      visitId: null,
    });
  }
  for (const clock of CLOCKS.toSorted((a, b) => b.daysAgo - a.daysAgo)) await present(em, people, clock);
  const folder = process.env['ECLAT_TRY_FOLDER'];
  for (const { id, brings } of HISTORIES)
    if (brings && folder) {
      await em.flush();
      const ctx = { em, person: people.marit, now, touched: new Set<string>() };
      await writeTryFiles(ctx, movements.get(id)!, brings, yearsAgo, folder);
    }
}

/** Another shop, at work since last year: what stands in its books it is sent by the first. */
async function loadSecond(em: EntityManager): Promise<void> {
  em.create(Shop, {
    ...{ timeZone: ownZone(), one: true, name: 'Mill House Clock Works', place: 'Pellmere' },
    createdAt: yearsAgo(1),
    ...{ hourlyRate: '48.00', taxPercent: '20', pricesIncludeTax: true, currency: 'crowns', hoursPerWeek: 30 },
  });
  await addPerson(em, { name: 'Jonna Pellow', role: 'owner-of-shop', passphrase: PASSPHRASE });
}

function ownerOf({ owner: name, phone = '' }: Pick<DemoClock, 'owner' | 'phone'>) {
  if (name === undefined) return { ownStock: true };
  return owners.has(name) ? { ownerId: owners.get(name)! } : { owner: { name, phone, email: '', address: '' } };
}

function yearsAgo(years: number): Date {
  return new Date(now.getTime() - years * 365.25 * DAY);
}

async function past(
  em: EntityManager,
  people: Record<keyof typeof TEAM, Person>,
  history: (typeof HISTORIES)[number],
): Promise<void> {
  for (const [i, v] of history.visits.entries()) {
    const shop = new Workshop(em, people.marit, yearsAgo(v.yearsAgo), now, random, fills);
    const known = movements.get(history.id);
    if (known && history.elsewhere && i === history.visits.length - 1)
      await servedElsewhere(
        { em, person: people.marit, now: shop.time, touched: new Set() },
        known,
        history.elsewhere,
        yearsAgo,
        random,
      );
    const visit = await shop.takeIn({
      ...ownerOf(v),
      clock: { description: v.clock, ...(known && { id: clockIds.get(history.id)! }) },
      ...(known ? { movementId: known } : { movement: history.movement }),
      complaint: v.complaint,
    });
    movements.set(history.id, visit.movement.id);
    clockIds.set(history.id, visit.clock.id);
    owners.set(v.owner, visit.owner.id);
    await shop.photo(visit.id, v.picture, 'As it came');
    if (i === 0) await readInscriptions(shop, visit, history.inscriptions);
    await shop.carry(visit, 'sign', v.course);
    const entry = await shop.sign(visit.id, v.note);
    if (v.amendment)
      await amend(
        { em, person: people.marit, now: new Date(shop.time.getTime() + 2 * DAY), touched: new Set() },
        entry.id,
        v.amendment,
      );
  }
}

async function readInscriptions(shop: Workshop, visit: Visit, read: readonly Read[]): Promise<void> {
  const photos = new Map<string, string>();
  const hands = new Map<string, string>();
  for (const { hand, likely, shownBy, ...said } of read) {
    if (shownBy && !photos.has(shownBy.caption))
      photos.set(
        shownBy.caption,
        (
          await shop.photo(
            visit.id,
            shownBy.picture,
            shownBy.caption,
            shownBy.picture === 'plate' ? 'assess' : 'intake',
          )
        ).hash,
      );
    const entry = await shop.inscribe(visit.movement.id, {
      ...said,
      ...{ keep: '', likely: likely ?? false, sameHandAs: (hand && hands.get(hand)) ?? null },
      photos: shownBy ? [photos.get(shownBy.caption)!] : [],
    });
    if (hand && !hands.has(hand)) hands.set(hand, entry.hash);
  }
}

function dayIn(days: number): string {
  return daysAfter(dayOf(now, ownZone()), days);
}

async function present(em: EntityManager, people: Record<keyof typeof TEAM, Person>, c: DemoClock): Promise<void> {
  const person = people[c.by];
  const opened = new Date(now.getTime() - c.daysAgo * DAY);
  opened.setHours(9, Math.floor(random() * 50), 0, 0);
  if (opened > now) opened.setTime(now.getTime() - 3_600_000);
  const shop = new Workshop(em, person, opened, now, random, fills);
  const promisedFor = c.promisedInDays === undefined ? null : dayIn(c.promisedInDays);
  const visit = await shop.takeIn({
    ...ownerOf(c),
    shape: c.shape ?? 'overhaul',
    terms: c.terms ?? 'guaranteed',
    trial: c.trial ? { expected: c.trial.expected, reviewOn: dayIn(c.trial.reviewInDays) } : null,
    clock: { description: c.clock, ...(c.known && { id: clockIds.get(c.known)! }) },
    ...(c.known ? { movementId: movements.get(c.known)! } : { movement: c.movement! }),
    complaint: c.complaint,
    wanted: c.wanted ?? '',
    notWanted: c.notWanted ?? '',
    outOfScope: c.outOfScope ?? '',
    received: c.received ?? [],
    promisedFor,
  });
  if (c.owner) owners.set(c.owner, visit.owner.id);
  if (c.callback) await shop.comesBack(visit);
  if (c.stage !== 'intake' || c.daysAgo > 0) await shop.photo(visit.id, c.picture, 'As it came');
  if (c.stage !== 'intake' && c.stage !== 'assess') await shop.photo(visit.id, 'plates', 'Before the strip', 'assess');
  if (c.course?.worn)
    await shop.photo(visit.id, 'wear', `Worn hole, ${Object.keys(c.course.worn)[0]!.replace('.', ' ')}`, 'assess');
  for (const words of c.notes ?? []) await shop.note(visit.id, words);
  // What the counter took in is worked on at the bench.
  if (person.role === 'counter') shop.handTo(people.ines);
  await shop.carry(visit, c.stage, c.course ?? {});
}
