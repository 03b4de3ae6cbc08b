import { connect, migrate } from './platform/database/orm.ts';
import { letIn, roleOf } from './platform/database/roles.ts';

/**
 * Brings the database to this version, under the role that owns it, and lets the role of the application in. The
 * serving process is never given the owner’s address.
 */
const { DATABASE_URL: url, ECLAT_OWNER_URL: owner = url } = process.env;
if (!url || !owner) {
  console.error('DATABASE_URL is not set; ECLAT_OWNER_URL is the address for the role that owns the tables.');
  process.exit(2);
}
const orm = await connect(owner, 2);
try {
  await migrate(orm);
  if (roleOf(owner).name !== roleOf(url).name) await letIn(orm, url);
} finally {
  await orm.close(true);
}
