import { connect } from './platform/database/orm.ts';
import { checkStore } from './movements/verify.ts';

/** Looks through the whole store and says what is not as it was sealed. Ends with 1 where something is not. */
const orm = await connect(process.env['DATABASE_URL']!);
try {
  const { books, entries, proofs, broken, log } = await checkStore(orm.em.fork(), new Date());
  for (const b of broken) console.error(`✗ ${b.code}, ${b.date}, “${b.title}”: ${b.proof}`);
  for (const trouble of log) console.error(`✗ ${trouble}`);
  const counts = Object.entries(proofs).flatMap(([proof, n]) => (n > 0 ? `${n} ${proof}` : []));
  console.log(`${entries} entries in ${books} books: ${counts.join(', ') || 'none'}.`);
  process.exitCode = broken.length + log.length > 0 ? 1 : 0;
} finally {
  await orm.close();
}
