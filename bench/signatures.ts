import type { SignedEntry } from '@eclat/contract';
import type { HistoryEntry } from '@eclat/server/movements/history.entity';
import { proofsOf } from '@eclat/server/movements/proof';
import { signEntry } from '@eclat/server/movements/signed';
import { Log, logTroubles } from '@eclat/core/proof';
import { digest as hash } from '@eclat/server/platform/sha256';
import { calculateJwkThumbprint, exportJWK, generateKeyPair } from 'jose';

/** Books of eight visits each: what it takes to sign an entry, and to check it again with what stands beside it. */
const ENTRIES = Number(process.argv[2] ?? 10_000);
const A_BOOK = 8;
const { publicKey, privateKey } = await generateKeyPair('EdDSA', { crv: 'Ed25519' });
const jwk = await exportJWK(publicKey);
const key = { kid: await calculateJwkThumbprint(jwk), jwk, secret: privateKey };
const record = {
  condition: Array.from({ length: 6 }, () => ({ place: 'going train, third wheel', seen: 'Front hole oval.' })),
  bushes: Array.from({ length: 5 }, () => ({ hole: 'T3.front', pivotMm: 1.1, boreMm: 1.15, outsideMm: 2.5 })),
  oiled: Array.from({ length: 14 }, () => ({ where: 'T3 front', grade: 'clock oil', batch: '22-07' })),
};
const rows: HistoryEntry[] = [];
const begun = performance.now();
for (let i = 0; i < ENTRIES; i++) {
  const movementId = `6f1c2d1e-0000-4000-8000-${String(Math.floor(i / A_BOOK)).padStart(12, '0')}`;
  const said: SignedEntry = {
    ...{ format: 'eclat-entry', version: 2, movement: { id: movementId, code: 'M-777777', name: 'Fusee timepiece' } },
    ...{ kind: 'visit', date: '2031-05-02', title: 'Overhauled', text: '', place: '', shop: 's', signedBy: 'b' },
    writtenAt: new Date(1e12 + i).toISOString(),
    signer: { name: 'b', standing: 'technician', shop: 's', key: key.kid },
    ...{ amends: null, parents: i % A_BOOK ? [rows.at(-1)!.hash] : [], takenOver: null },
    sections: { serviceRecord: record },
  };
  const { kind, date, title, text, place, shop, signedBy } = said;
  rows.push({
    ...{ id: String(i), movementId, kind, date, title, text, place, shop, signedBy, record },
    ...{ writtenAt: new Date(said.writtenAt), takenOver: null, amends: null, previousHash: null },
    ...(await signEntry(key, said)),
  } as unknown as HistoryEntry);
}
const signed = performance.now();
let proved = 0;
for (let i = 0; i < ENTRIES; i += A_BOOK) {
  const proofs = await proofsOf(rows.slice(i, i + A_BOOK), {
    own: new Set([key.kid]),
    known: new Map(),
    roots: new Map(),
    next: new Map(),
    since: null,
  });
  for (const { proof } of proofs.values()) if (proof === 'proved') proved++;
}
const each = (from: number, to: number) => `${((to - from) / ENTRIES).toFixed(2)} ms each`;
console.log(`\nSignatures, ${ENTRIES} entries of ${rows[0]!.jws!.length} bytes`);
console.log(`  signed    ${each(begun, signed)}`);
console.log(`  checked   ${each(signed, performance.now())}, ${proved} proved`);
if (proved !== ENTRIES) process.exitCode = 1;

/** The log over them: one head, the proof of each entry of a book, and the check of the whole. */
const entries = rows.map((r, number) => ({ number, hash: r.hash }));
const logBegun = performance.now();
const log = new Log(
  hash,
  entries.map((e) => new Uint8Array(Buffer.from(e.hash, 'hex'))),
);
const root = Buffer.from(log.head().root).toString('hex');
const path = Array.from({ length: A_BOOK }, (_, i) => log.inclusion(ENTRIES - A_BOOK + i))[0]!;
const logProved = performance.now();
const troubles = logTroubles(hash, entries, [{ size: ENTRIES, root }], new Set(entries.map((e) => e.hash)));
const logChecked = performance.now();
console.log(
  `log      head and proofs of a book in ${(logProved - logBegun).toFixed(0)} ms, ${path.length} hashes each`,
);
console.log(`         whole log checked in ${(logChecked - logProved).toFixed(0)} ms, ${troubles.length} troubles`);
