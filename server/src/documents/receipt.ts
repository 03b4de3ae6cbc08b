import { type Asked, things, wantedList, signature, qr } from './parts.ts';
import { cautionsFor } from '@eclat/core/cautions';
import { unproven } from '@eclat/core/intake';
import { facts, head, none, sheet } from './pdf.ts';

export async function receipt(asked: Asked): Promise<Buffer> {
  const { visit, shop, address, day } = asked;
  const cautions = cautionsFor(visit.movement.traits, 'intake');
  return sheet({
    title: `Receipt ${visit.claim}`,
    of: visit.clock.description,
    shop,
    content: [
      {
        columns: [
          facts([
            ['Taken in', day(visit.openedAt)],
            ['Owner', visit.owner.name],
            ['Phone, e-mail', [visit.owner.phone, visit.owner.email].filter(Boolean).join(', ')],
            ['Movement', `${visit.movement.name}, ${visit.movement.code}`],
            ['Numbers', visit.movement.marks.map((m) => `${m.text} (${m.place})`).join(', ')],
            ['Promised for', visit.promisedFor ? day(visit.promisedFor) : ''],
          ]),
          { svg: await qr(address), width: 70 },
        ],
      },
      ...(visit.complaint ? [head('What you told us'), { text: visit.complaint }] : []),
      ...(visit.wanted ? [head('Wanted'), { text: visit.wanted }] : []),
      ...(visit.notWanted ? [head('Not wanted: left as it is'), { text: visit.notWanted }] : []),
      ...(visit.outOfScope ? [head('Out of scope'), { text: visit.outOfScope }] : []),
      head('Received with it'),
      visit.received.length === 0 ? none('Nothing came with it.') : things(asked, false),
      ...wantedList(visit),
      ...(visit.alone
        ? [
            head('Came without its case'),
            facts([
              ['Drives', visit.alone.drives],
              ['Supply', visit.alone.supply],
              ['Borrowed to test it', visit.alone.borrowed],
              ['Therefore unproven', unproven(visit.alone.borrowed).join('; ')],
            ]),
          ]
        : []),
      ...(cautions.length > 0 ? [head('Mind'), { ul: cautions.map((c) => c.text) }] : []),
      signature('Received by'),
      { text: 'Bring this receipt when you come for the clock.', style: 'soft', margin: [0, 12, 0, 0] },
    ],
  });
}
