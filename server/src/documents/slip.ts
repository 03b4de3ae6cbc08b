import { type Asked, short, qr } from './parts.ts';
import { dueAgain } from '@eclat/core/aftercare';
import { letterMonth } from '@eclat/core/days';
import { shapeById } from '@eclat/core/workflow';
import { publicAddress, publicPageOf } from '../movements/public-page-of.ts';
import { shortProof } from '../movements/log.service.ts';
import type { Context } from '../platform/http/context.ts';
import { tag } from './pdf.ts';

/**
 * What the code on a slip says: words that can be read in eighty years, without Eclat and without any server. Whoever
 * holds the proof can hold the shop to it.
 */
export const slipWords = (said: {
  code: string;
  name: string;
  did: string;
  signed: string;
  by: string;
  due: string;
  proof: string | null;
  movementId: string;
  /** Of the book, if it has a public page. */
  address: string | null;
}): string =>
  [
    `Clock movement ${said.code}, ${said.name}`,
    `${said.did} ${said.signed}`,
    said.by,
    said.due,
    said.proof ?? 'Not signed yet',
    ...(said.address ? [said.address] : []),
    `Movement ${said.movementId}`,
  ].join('\n');

/**
 * For inside the case: the movement's code, when it was worked on, when it is due; nothing of the owner. It scratches
 * nothing.
 */
export async function slip(ctx: Context, { visit, shop, day, dayOn, address }: Asked): Promise<Buffer> {
  const signed = dayOn(visit.closedAt ?? ctx.now);
  const due = dueAgain(visit.movement.traits, signed, visit.replacement.out !== null);
  const by = `${visit.stages.find((s) => s.stage === 'sign')?.by || ctx.person.name}, ${shop}`;
  const again = `Oil ${due.oil.slice(0, 7)} · overhaul ${due.overhaul.slice(0, 7)}`;
  const page = await publicPageOf(ctx.em, visit.movement.id);
  const words = slipWords({
    ...{ code: visit.movement.code, name: short(visit.movement.name, 44), signed, by, due: again },
    did: shapeById(visit.job.shape).done,
    proof: visit.entryId && (await shortProof(ctx.em, visit.entryId, ctx.now)),
    movementId: visit.movement.id,
    address: page && publicAddress(new URL(address).origin, page.token),
  });
  return tag(`Slip ${visit.movement.code}`, 255, 130, [
    {
      columns: [
        { svg: await qr(words), width: 104 },
        {
          width: '*',
          margin: [10, 0, 0, 0],
          stack: [
            { text: visit.movement.code, fontSize: 18, bold: true },
            { text: short(visit.movement.name, 44), fontSize: 8 },
            { text: `Serviced ${day(signed)}`, fontSize: 9, margin: [0, 4, 0, 0] },
            { text: by, fontSize: 8 },
            {
              text: `Oil ${letterMonth(due.oil)} · overhaul ${letterMonth(due.overhaul)}`,
              fontSize: 8,
              margin: [0, 4, 0, 0],
            },
          ],
        },
      ],
    },
  ]);
}
