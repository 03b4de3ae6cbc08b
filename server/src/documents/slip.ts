import { type Asked, short, qr } from './parts.ts';
import { dueAgain } from '@eclat/core/aftercare';
import type { Context } from '../platform/http/context.ts';
import { tag } from './pdf.ts';

/**
 * For inside the case: the movement's code, when it was worked on, when it is due; nothing of the owner. It scratches
 * nothing.
 */
export async function slip(ctx: Context, { visit, shop, address, day }: Asked): Promise<Buffer> {
  const signed = day(visit.closedAt ?? ctx.now);
  const due = dueAgain(visit.movement.traits, signed, visit.replacement.out !== null);
  const by = visit.stages.find((s) => s.stage === 'sign')?.by || ctx.person.name;
  return tag(`Slip ${visit.movement.code}`, 255, 130, [
    {
      columns: [
        { svg: await qr(`${new URL(address).origin}/movements/${visit.movement.id}`), width: 92 },
        {
          width: '*',
          margin: [10, 0, 0, 0],
          stack: [
            { text: visit.movement.code, fontSize: 18, bold: true },
            { text: short(visit.movement.name, 44), fontSize: 8 },
            { text: `Serviced ${signed}`, fontSize: 9, margin: [0, 4, 0, 0] },
            { text: `${by}, ${shop}`, fontSize: 8 },
            {
              text: `Oil ${due.oil.slice(0, 7)} · overhaul ${due.overhaul.slice(0, 7)}`,
              fontSize: 8,
              margin: [0, 4, 0, 0],
            },
          ],
        },
      ],
    },
  ]);
}
