import { randomUUID } from 'node:crypto';
import type { BookLog, SignedEntry, TravelledEntry } from '@eclat/contract';
import type { ServiceRecord } from '@eclat/core/history';
import { Log } from '@eclat/core/proof';
import type { KeptSections } from '@eclat/core/record';
import { keepBrought } from '@eclat/server/movements/book-photos.service';
import { freshKey } from '@eclat/server/movements/keys';
import { knowKey } from '@eclat/server/movements/known-keys.service';
import { bringRecord, recordOf } from '@eclat/server/movements/record.service';
import { signEntry, signHead } from '@eclat/server/movements/signed';
import type { Context } from '@eclat/server/platform/http/context';
import { decodePhoto, type Decoded } from '@eclat/server/photos/decode';
import { digest } from '@eclat/server/platform/sha256';
import { photograph, type Picture } from './pictures.ts';

/** A service in a made-up shop with a key of its own. */
export interface Elsewhere {
  shop: string;
  by: string;
  yearsAgo: number;
  title: string;
  text: string;
  record: Pick<ServiceRecord, 'condition' | 'causes' | 'cleaned' | 'bushes' | 'note'>;
  holes: readonly Record<string, unknown>[];
  photos: readonly { picture: Picture; caption: string }[];
  /** It calls the clock by an id of its own, and saw this of the case. */
  ofCase?: string;
  /** Its thumbprint was compared, and is known here. */
  known: boolean;
}

/** Photos of one service, as its shop keeps them. */
async function taken({ photos }: Elsewhere, random: () => number): Promise<(Decoded & { caption: string })[]> {
  const all: (Decoded & { caption: string })[] = [];
  for (const { picture, caption } of photos)
    all.push({ ...(await decodePhoto(await photograph(picture, random()))), caption });
  return all;
}

/** What one shop wrote on the book as it stood, with its log of one entry. */
async function writtenThere(
  of: Elsewhere,
  movement: SignedEntry['movement'],
  parents: string[],
  at: Date,
  photos: Awaited<ReturnType<typeof taken>>,
) {
  const key = await freshKey();
  const record: ServiceRecord = {
    ...{ format: 'eclat-service-record', version: 6, parts: [], oiled: [], ...of.record },
    test: {
      ...{ days: 8, readings: 0, rateSecondsPerDay: null, halfWidthSecondsPerDay: null, waived: null },
      verdict: 'Watched for a week.',
    },
  };
  const named = photos.map(({ caption, hash, width, height }) => ({
    ...{ caption, stage: 'assess', hash, width, height, by: of.by, at: at.toISOString() },
  }));
  const findings = of.ofCase ? [{ place: 'case', seen: of.ofCase, severity: 'looks' }] : [];
  const sections: KeptSections = {
    ...{ survey: { version: 1, holes: of.holes }, photos: { version: 1, photos: named } },
    ...(of.ofCase && {
      clock: { version: 1, in: [{ clock: randomUUID(), places: ['case'] }] },
      assessment: { version: 1, findings },
    }),
  };
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
  random: () => number,
): Promise<void> {
  const { movement, entries, logs } = await recordOf(ctx, movementId);
  const { id, code, name } = movement;
  const history = [...entries];
  const all = [...(logs ?? [])];
  const photos: Decoded[] = [];
  for (const service of services) {
    const on = [history.at(-1)!.hash];
    const pictures = await taken(service, random);
    const there = await writtenThere(service, { id, code, name }, on, yearsAgo(service.yearsAgo), pictures);
    history.push(there.entry);
    all.push(there.logs);
    photos.push(...pictures);
    if (service.known) await knowKey(ctx, { key: there.key, shop: service.shop });
  }
  await bringRecord(ctx, movementId, { history, logs: all, historyFrom: `${code}.zip` });
  for (const photo of photos) await keepBrought(ctx, photo);
}
