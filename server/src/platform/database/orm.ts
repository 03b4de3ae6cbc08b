import { setTimeout as wait } from 'node:timers/promises';
import { MikroORM, type EntityManager } from '@mikro-orm/postgresql';
import { Migrator } from '@mikro-orm/migrations';
import { entities } from './entities.ts';
import { First } from './migrations/0001-first.ts';
import { Workings } from './migrations/0002-workings.ts';
import { Looks } from './migrations/0003-looks.ts';
import { Find } from './migrations/0004-find.ts';
import { Counter } from './migrations/0005-counter.ts';
import { Agreement } from './migrations/0006-agreement.ts';
import { Rules } from './migrations/0007-rules.ts';
import { Strip } from './migrations/0008-strip.ts';
import { Clean } from './migrations/0009-clean.ts';
import { Beside } from './migrations/0011-beside.ts';
import { Stores } from './migrations/0010-stores.ts';
import { Sound } from './migrations/0012-sound.ts';
import { Together } from './migrations/0013-together.ts';
import { Batch } from './migrations/0014-batch.ts';
import { Opens } from './migrations/0015-opens.ts';
import { Job } from './migrations/0016-job.ts';
import { Felt } from './migrations/0017-felt.ts';
import { DepthOfPasses } from './migrations/0018-depth.ts';
import { Description } from './migrations/0019-description.ts';
import { StandRun } from './migrations/0020-stand-run.ts';
import { ShopWork } from './migrations/0021-shop-work.ts';
import { Units } from './migrations/0022-units.ts';
import { TakenOver } from './migrations/0031-taken-over.ts';
import { Notes } from './migrations/0032-notes.ts';
import { Polish } from './migrations/0033-polish.ts';
import { OwnSequences } from './migrations/0034-own-sequences.ts';
import { NotFinal } from './migrations/0035-not-final.ts';
import { DryFits } from './migrations/0036-dry-fit.ts';
import { LaterWords } from './migrations/0037-later-words.ts';
import { BenchTestVersion } from './migrations/0041-bench-test-version.ts';
import { Signed } from './migrations/0042-signed.ts';
import { Hashes } from './migrations/0043-hashes.ts';
import { LogOfEntries } from './migrations/0044-log.ts';
import { KeyChanges } from './migrations/0047-key-change.ts';
import { ClockOfEntry } from './migrations/0048-clock-of-entry.ts';
import { ShopCards } from './migrations/0049-shop-card.ts';
import { Exchange } from './migrations/0050-exchange.ts';
import { MovementLinks } from './migrations/0051-movement-link.ts';
import { ClockLinks } from './migrations/0053-clock-link.ts';
import { OrderAndMarks } from './migrations/0054-order-and-marks.ts';
import { ConservationAndPairs } from './migrations/0052-conservation-and-pairs.ts';
import { PublicBooks } from './migrations/0046-public-book.ts';
import { BroughtPhotos } from './migrations/0045-brought-photo.ts';
import { Donors } from './migrations/0039-donors.ts';
import { BenchTests } from './migrations/0040-bench-tests.ts';
import { WantedThread } from './migrations/0038-wanted-thread.ts';
import { Accounts } from './migrations/0030-accounts.ts';
import { ShopDays } from './migrations/0029-shop-days.ts';
import { NothingWithoutTrace } from './migrations/0028-nothing-without-trace.ts';
import { StrikeHearings } from './migrations/0027-strike-hearings.ts';
import { KeptWord } from './migrations/0026-kept-word.ts';
import { LeftDry } from './migrations/0025-left-dry.ts';
import { PowerOverride } from './migrations/0024-power-override.ts';
import { UnitRun } from './migrations/0023-unit-run.ts';

export type { EntityManager };

const ACQUIRE_MS = 5_000;

export async function connect(clientUrl: string, pool = 10): Promise<MikroORM> {
  return MikroORM.init({
    clientUrl,
    entities,
    extensions: [Migrator],
    discovery: { disableDynamicFileAccess: true },
    metadataCache: { enabled: false },
    migrations: {
      migrationsList: [
        { name: '0001-first', class: First },
        { name: '0002-workings', class: Workings },
        { name: '0003-looks', class: Looks },
        { name: '0004-find', class: Find },
        { name: '0005-counter', class: Counter },
        { name: '0006-agreement', class: Agreement },
        { name: '0007-rules', class: Rules },
        { name: '0008-strip', class: Strip },
        { name: '0009-clean', class: Clean },
        { name: '0010-stores', class: Stores },
        { name: '0011-beside', class: Beside },
        { name: '0012-sound', class: Sound },
        { name: '0013-together', class: Together },
        { name: '0014-batch', class: Batch },
        { name: '0015-opens', class: Opens },
        { name: '0016-job', class: Job },
        { name: '0017-felt', class: Felt },
        { name: '0018-depth', class: DepthOfPasses },
        { name: '0019-description', class: Description },
        { name: '0020-stand-run', class: StandRun },
        { name: '0021-shop-work', class: ShopWork },
        { name: '0022-units', class: Units },
        { name: '0023-unit-run', class: UnitRun },
        { name: '0024-power-override', class: PowerOverride },
        { name: '0025-left-dry', class: LeftDry },
        { name: '0026-kept-word', class: KeptWord },
        { name: '0027-strike-hearings', class: StrikeHearings },
        { name: '0028-nothing-without-trace', class: NothingWithoutTrace },
        { name: '0029-shop-days', class: ShopDays },
        { name: '0030-accounts', class: Accounts },
        { name: '0031-taken-over', class: TakenOver },
        { name: '0032-notes', class: Notes },
        { name: '0033-polish', class: Polish },
        { name: '0034-own-sequences', class: OwnSequences },
        { name: '0035-not-final', class: NotFinal },
        { name: '0036-dry-fit', class: DryFits },
        { name: '0037-later-words', class: LaterWords },
        { name: '0038-wanted-thread', class: WantedThread },
        { name: '0039-donors', class: Donors },
        { name: '0040-bench-tests', class: BenchTests },
        { name: '0041-bench-test-version', class: BenchTestVersion },
        { name: '0042-signed', class: Signed },
        { name: '0043-hashes', class: Hashes },
        { name: '0044-log', class: LogOfEntries },
        { name: '0045-brought-photo', class: BroughtPhotos },
        { name: '0046-public-book', class: PublicBooks },
        { name: '0047-key-change', class: KeyChanges },
        { name: '0048-clock-of-entry', class: ClockOfEntry },
        { name: '0049-shop-card', class: ShopCards },
        { name: '0050-exchange', class: Exchange },
        { name: '0051-movement-link', class: MovementLinks },
        { name: '0052-conservation-and-pairs', class: ConservationAndPairs },
        { name: '0053-clock-link', class: ClockLinks },
        { name: '0054-order-and-marks', class: OrderAndMarks },
      ],
      snapshot: false,
      silent: true,
      tableName: 'migrations',
    },
    pool: { min: 0, max: pool },
    // Who finds no connection free is told soon, and does not stand in the way of all others.
    driverOptions: { acquireConnectionTimeout: ACQUIRE_MS },
    forceUtcTimezone: true,
  });
}

/** Whether the role of this connection owns the tables: it could change what was signed, and switch triggers off. */
async function ownsTables(orm: MikroORM): Promise<boolean> {
  const [row] = await orm.em
    .getConnection()
    .execute<{ owns: boolean }[]>(`select has_schema_privilege('public', 'create') as owns`);
  return row!.owns;
}

const WAIT_MS = 500,
  MOST_WAITS = 120;

/**
 * The database is as this version needs it: a process whose role owns the tables sees to it itself; another waits for
 * whoever does.
 * @throws when nobody does so within a minute
 */
export async function ready(orm: MikroORM): Promise<void> {
  if (await ownsTables(orm)) return migrate(orm);
  for (let waits = 0; waits < MOST_WAITS; waits++) {
    if (await isCurrent(orm)) return;
    await wait(WAIT_MS);
  }
  throw new Error(
    'the database is of another version, and the role of DATABASE_URL may not change it. Run `node ' +
      'dist/server/migrate.js` with ECLAT_OWNER_URL, or `npm start`.',
  );
}

async function isCurrent(orm: MikroORM): Promise<boolean> {
  const newest = orm.config.get('migrations').migrationsList!.at(-1)!.name;
  try {
    const asked = orm.em.getConnection().execute<unknown[]>('select 1 from migrations where name = ?', [newest]);
    return (await asked).length > 0;
  } catch (error) {
    // It is not made yet, or not for this role.
    if (/^42(P01|501)$/.test((error as { code?: string }).code ?? '')) return false;
    throw error;
  }
}

/** Any number of servers may start at once: the first migrates, the others wait for it. */
export const MIGRATION_LOCK = 6_438_001;

export async function migrate(orm: MikroORM): Promise<void> {
  await orm.em.fork().transactional(async (em) => {
    await em
      .getConnection()
      .execute('select pg_advisory_xact_lock(?)', [MIGRATION_LOCK], 'run', em.getTransactionContext());
    await orm.getMigrator().up();
  });
}
