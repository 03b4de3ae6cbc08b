import { spawnSync } from 'node:child_process';
import { createPublicKey } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { SignedEntry, TravelledEntry } from '@eclat/contract';
import type { JWK } from 'jose';
import type { HistoryEntry } from '../src/movements/history.entity.ts';
import { freshKey } from '../src/movements/keys.ts';
import { sealOf } from '../src/movements/seal.ts';
import { signEntry } from '../src/movements/signed.ts';

type Row = Record<string, unknown>;

const saidIn = (jws: string): SignedEntry =>
  JSON.parse(Buffer.from(jws.split('.')[1]!, 'base64url').toString()) as SignedEntry;

/** A key that no shop here knows. */
export { freshKey as strangeKey } from '../src/movements/keys.ts';

/** As somebody would who owns the database, and no key: without a signature, under a seal of before. */
export function sealedAnew(row: Row, change: { title: string }): Row {
  const e = {
    ...{ movementId: row['movement_id'], kind: row['kind'], date: row['date'], text: row['text'], place: row['place'] },
    ...{ shop: row['shop'], signedBy: row['signed_by'], record: row['record'], amends: null, previousHash: null },
    ...{ writtenAt: new Date(row['written_at'] as string), takenOver: null, ...change },
  };
  return { ...change, jws: null, previous_hash: null, hash: sealOf(e as unknown as HistoryEntry) };
}

/** Signed again, changed, by a key of the forger’s own. */
export async function signedAnew(row: Row, change: { title: string }): Promise<Row> {
  const key = await freshKey();
  const said = saidIn(row['jws'] as string);
  const signer = { ...said.signer, key: key.kid };
  return { ...change, ...(await signEntry(key, { ...said, ...change, signer })) };
}

/** What OpenSSL says of a compact JWS: the key from its header, nothing of ours. */
export function verifiedByOpenssl(jws: string): string {
  const [head, body, signature] = jws.split('.') as [string, string, string];
  const { jwk } = JSON.parse(Buffer.from(head, 'base64url').toString()) as { jwk: JWK };
  const folder = mkdtempSync(join(tmpdir(), 'eclat-openssl-'));
  const file = (name: string, of: string | Buffer) => {
    writeFileSync(join(folder, name), of);
    return join(folder, name);
  };
  try {
    const key = createPublicKey({ key: jwk as never, format: 'jwk' }).export({ type: 'spki', format: 'pem' });
    const { stdout, stderr } = spawnSync('openssl', [
      ...['pkeyutl', '-verify', '-pubin', '-inkey', file('key.pem', key), '-rawin'],
      ...['-in', file('in', `${head}.${body}`), '-sigfile', file('sig', Buffer.from(signature, 'base64url'))],
    ]);
    return `${stdout}${stderr}`;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** An entry as another shop signs it, with its photos by their hashes. */
export async function writtenElsewhere(
  movement: SignedEntry['movement'],
  over: Partial<Pick<SignedEntry, 'title' | 'text' | 'date' | 'sections' | 'parents'>> = {},
): Promise<TravelledEntry> {
  const key = await freshKey();
  const said: SignedEntry = {
    ...{
      format: 'eclat-entry',
      version: 2,
      movement,
      kind: 'visit',
      date: '2030-04-02',
      title: 'Overhauled',
      text: '',
    },
    ...{ place: '', shop: 'Lantern Yard Workshop', signedBy: 'Hedda Quillan', writtenAt: '2030-04-02T10:00:00.000Z' },
    ...{ amends: null, parents: [], takenOver: null, sections: {} },
    signer: { name: 'Hedda Quillan', standing: 'technician', shop: 'Lantern Yard Workshop', key: key.kid },
    ...over,
  };
  const { hash, jws } = await signEntry(key, said);
  const { kind, date, title, text, place, shop, signedBy, writtenAt } = said;
  return {
    ...{ kind, date, title, text, place, shop, signedBy, writtenAt, hash },
    ...{ record: null, amends: null, signed: jws },
  };
}
