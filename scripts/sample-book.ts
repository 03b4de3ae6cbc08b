import { readdirSync } from 'node:fs';
import type { BookLog, KeyChange, MovementBook, SignedEntry, TravelledEntry } from '@eclat/contract';
import type { ServiceRecord } from '@eclat/core/history';
import { Log } from '@eclat/core/proof';
import { clockSection, inscriptionSection } from '@eclat/core/record';
import type { SigningKey } from '@eclat/server/movements/keys';
import { ALG, signChange, signEntry, signHead } from '@eclat/server/movements/signed';
import { digest } from '@eclat/server/platform/sha256';
import { calculateJwkThumbprint, importJWK } from 'jose';

export const SAMPLE = 'sample-book.json';
const PHOTO = readdirSync(new URL('../docs/formats/photos/', import.meta.url))[0]!.replace('.jpg', '');

/** Public examples: RFC 8037, appendix A.1, and RFC 8032, 7.1, test 2. Whoever likes can sign with them. */
const KEYS = [
  { d: 'nWGxne_9WmC6hEr0kuwsxERJxWl7MmkZcDusAxyuf2A', x: '11qYAYKxCrfVS_7TyWQHOg7hcvPapiMlrwIaaPcHURo' },
  {
    d: Buffer.from('4ccd089b28ff96da9db6c346ec114e0f5b8a319f35aba624da8cf6ed4fb8a6fb', 'hex').toString('base64url'),
    x: Buffer.from('3d4017c3e843895a92b70aa74d1b7ebc9c982ccf2ec4968cc0cd55f12af4660c', 'hex').toString('base64url'),
  },
];

async function keyOf({ d, x }: (typeof KEYS)[number]): Promise<SigningKey> {
  const jwk = { kty: 'OKP', crv: 'Ed25519', x };
  return { jwk, kid: await calculateJwkThumbprint(jwk), secret: (await importJWK({ ...jwk, d }, ALG)) as CryptoKey };
}

const SHOP = 'Brackwater Clocks';
const BY = 'Eben Strake';
const MOVEMENT = { id: '6f1c2d1e-0000-4000-8000-000000000001', code: 'M-777777', name: 'Fusee timepiece' };
const CLOCK = '6f1c2d1e-0000-4000-8000-000000000002';
const RECORD: ServiceRecord = {
  ...{ format: 'eclat-service-record', version: 6, condition: [], causes: ['Worn hole'], cleaned: [], parts: [] },
  bushes: [{ hole: 'T3 third wheel, back plate', pivotMm: 1.2, boreMm: 1.22, outsideMm: 2.5, heightMm: 1.8 }],
  oiled: [],
  test: {
    ...{ days: 8, readings: 0, rateSecondsPerDay: null, halfWidthSecondsPerDay: null, waived: null },
    verdict: 'Watched for a week.',
  },
  note: '',
};
const HOLE = {
  ...{ hole: 'T3 third wheel, back plate', verdict: 'bush', judged: 'by caliper', past: 'original', key: 'T3.back' },
  ...{ pivotMm: 1.2, holeLongMm: 1.41, holeShortMm: 1.24, by: BY, at: '2026-05-03T09:00:00.000Z' },
};

type Said = Pick<SignedEntry, 'kind' | 'date' | 'title' | 'text' | 'place' | 'writtenAt' | 'sections'>;

const SAID: readonly Said[] = [
  {
    ...{
      kind: 'inscription',
      date: '189X',
      title: 'Inscription on the back board: oak',
      text: 'Eb. [Str?]ake\nclnd 189[…]',
    },
    ...{ place: 'lower left', writtenAt: '2026-05-02T09:00:00.000Z' },
    sections: {
      ...clockSection(CLOCK),
      ...inscriptionSection({
        ...{ carrier: 'back board', which: 'oak', how: 'pencil', sameHandAs: null, likely: false, ownHand: false },
      }),
      photos: {
        version: 1,
        photos: [{ caption: 'Back board', stage: 'Intake', hash: PHOTO, width: 160, height: 120 }],
      },
    },
  },
  {
    ...{ kind: 'visit', date: '2026-05-12', title: 'Cured in place: 1 bush fitted', text: '', place: '' },
    writtenAt: '2026-05-12T14:00:00.000Z',
    sections: { serviceRecord: RECORD, ...clockSection(CLOCK), survey: { version: 1, holes: [HOLE] } },
  },
  {
    ...{ kind: 'amendment', date: '2027-02-01', title: 'Amendment to “Inscription on the back board: oak”' },
    ...{ text: 'Under raking light it reads 1893.', place: '', writtenAt: '2027-02-01T10:30:00.000Z', sections: {} },
  },
];

/** The log of one key over what it signed here, as a file carries it. */
async function logOf(key: SigningKey, hashes: readonly string[], at: string, changes: KeyChange[]): Promise<BookLog> {
  const log = new Log(
    digest,
    hashes.map((h) => new Uint8Array(Buffer.from(h, 'hex'))),
  );
  const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');
  const { size, root } = log.head();
  const { jws } = await signHead(key, {
    ...{ format: 'eclat-log-head', version: 1, shop: SHOP, key: key.kid, size, root: hex(root), at },
  });
  return {
    head: jws,
    ...(changes.length > 0 && { changes }),
    places: hashes.map((hash, number) => ({ hash, number, path: log.inclusion(number).map(hex) })),
    since: [],
  };
}

/** A book to try a reader on; written anew it is the same to the letter, for Ed25519 signs without chance. */
export async function sampleText(): Promise<string> {
  const [first, second] = await Promise.all([keyOf(KEYS[0]!), keyOf(KEYS[1]!)]);
  const entries: TravelledEntry[] = [];
  for (const { sections, ...said } of SAID) {
    const key = said.kind === 'amendment' ? second : first;
    const amends = said.kind === 'amendment' ? 0 : null;
    const { hash, jws } = await signEntry(key, {
      ...{ format: 'eclat-entry', version: 2, movement: MOVEMENT, ...said, shop: SHOP, signedBy: BY, takenOver: null },
      signer: { name: BY, standing: 'owner-of-shop', shop: SHOP, key: key.kid },
      amends: amends === null ? null : entries[amends]!.hash,
      parents: entries.slice(-1).map((e) => e.hash),
      sections,
    });
    const record = (sections['serviceRecord'] as ServiceRecord | undefined) ?? null;
    entries.push({ ...said, shop: SHOP, signedBy: BY, record, amends, hash, signed: jws });
  }
  const [one, two, three] = entries.map((e) => e.hash) as [string, string, string];
  const ended = await logOf(first, [one, two], SAID[1]!.writtenAt, []);
  const { size, root } = JSON.parse(Buffer.from(ended.head.split('.')[1]!, 'base64url').toString()) as {
    size: number;
    root: string;
  };
  const change = await signChange(first, second, {
    ...{ format: 'eclat-key-change', version: 1, shop: SHOP, from: first.kid, to: second.kid },
    ...{ at: '2027-01-15T08:00:00.000Z', last: { size, root } },
  });
  const book: MovementBook = {
    ...{ format: 'eclat-movement-book', version: 1 },
    movement: { ...MOVEMENT, familyId: 'fusee', maker: 'Tessel', marks: [{ place: 'dial', text: '655' }] },
    entries,
    logs: [ended, await logOf(second, [three], SAID[2]!.writtenAt, [change])],
  };
  return `${JSON.stringify(book, null, 2)}\n`;
}
