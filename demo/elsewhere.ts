import type { BookLog, SignedEntry, TravelledEntry } from '@eclat/contract';
import type { ServiceRecord } from '@eclat/core/history';
import { Log } from '@eclat/core/proof';
import type { KeptSections } from '@eclat/core/record';
import { freshKey } from '@eclat/server/movements/keys';
import { knowKey } from '@eclat/server/movements/known-keys.service';
import { bringRecord, recordOf } from '@eclat/server/movements/record.service';
import { signEntry, signHead } from '@eclat/server/movements/signed';
import type { Context } from '@eclat/server/platform/http/context';
import { digest } from '@eclat/server/platform/sha256';

/** A service in a made-up shop with a key of its own. */
export interface Elsewhere {
  shop: string;
  by: string;
  yearsAgo: number;
  title: string;
  text: string;
  record: Pick<ServiceRecord, 'condition' | 'bushes' | 'note'>;
  holes: readonly Record<string, unknown>[];
  /** Its thumbprint was compared, and is known here. */
  known: boolean;
}

/** What one shop wrote on the book as it stood, with its log of one entry. */
async function writtenThere(of: Elsewhere, movement: SignedEntry['movement'], parents: string[], at: Date) {
  const key = await freshKey();
  const record: ServiceRecord = {
    ...{ format: 'eclat-service-record', version: 6, causes: ['Worn hole'], parts: [], oiled: [], ...of.record },
    cleaned: [{ bath: 'ammoniated water', parts: ['plates', 'wheels'], minutes: 12 }],
    test: {
      ...{ days: 8, readings: 0, rateSecondsPerDay: null, halfWidthSecondsPerDay: null, waived: null },
      verdict: 'Watched for a week.',
    },
  };
  const sections: KeptSections = { survey: { version: 1, holes: of.holes } };
  const plain = {
    ...{ kind: 'visit' as const, date: at.toISOString().slice(0, 10), title: of.title, text: of.text, place: '' },
    ...{ shop: of.shop, signedBy: of.by, writtenAt: at.toISOString() },
  };
  const signed = await signEntry(key, {
    ...{ format: 'eclat-entry', version: 2, movement, ...plain, amends: null, parents, takenOver: null },
    signer: { name: of.by, standing: 'owner-of-shop', shop: of.shop, key: key.kid },
    sections: { serviceRecord: record, ...sections },
  });
  const log = new Log(digest, [new Uint8Array(Buffer.from(signed.hash, 'hex'))]);
  const root = Buffer.from(log.head().root).toString('hex');
  const { jws: head } = await signHead(key, {
    ...{ format: 'eclat-log-head', version: 1, shop: of.shop, key: key.kid, size: 1, root, at: plain.writtenAt },
  });
  const entry: TravelledEntry = { ...plain, record, amends: null, hash: signed.hash, signed: signed.jws };
  const logs: BookLog = { head, places: [{ hash: signed.hash, number: 0, path: [] }], since: [] };
  return { entry, logs, key: key.kid };
}

/** The clock was at other shops since, and comes back with its record: it joins the book that is here. */
export async function servedElsewhere(
  ctx: Context,
  movementId: string,
  services: readonly Elsewhere[],
  yearsAgo: (years: number) => Date,
): Promise<void> {
  const { movement, entries, logs } = await recordOf(ctx, movementId);
  const { id, code, name } = movement;
  const history = [...entries];
  const all = [...(logs ?? [])];
  for (const service of services) {
    const on = [history.at(-1)!.hash];
    const there = await writtenThere(service, { id, code, name }, on, yearsAgo(service.yearsAgo));
    history.push(there.entry);
    all.push(there.logs);
    if (service.known) await knowKey(ctx, { key: there.key, shop: service.shop });
  }
  await bringRecord(ctx, movementId, { history, logs: all, historyFrom: `${code}.json` });
}
