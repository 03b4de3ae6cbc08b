import { type Asked, short, qr } from './parts.ts';
import { tag } from './pdf.ts';

/** Tied to the clock: claim, what it is, whose, and a code that opens the visit. */
export async function label({ visit, shop, address, day }: Asked): Promise<Buffer> {
  return tag(`Label ${visit.claim}`, 255, 156, [
    {
      columns: [
        { svg: await qr(address), width: 96 },
        {
          width: '*',
          margin: [10, 0, 0, 0],
          stack: [
            { text: visit.claim, fontSize: 22, bold: true },
            { text: short(visit.clock.description, 40), bold: true, fontSize: 10 },
            { text: visit.movement.code, fontSize: 10 },
            { text: `${day(visit.openedAt)} · ${shop}`, fontSize: 7 },
          ],
        },
      ],
    },
    {
      text:
        'With it: ' +
        short(visit.received.map((r) => (r.count > 1 ? `${r.count} ${r.what}` : r.what)).join(', ') || 'nothing', 80),
      fontSize: 7,
      margin: [0, 4, 0, 0],
    },
  ]);
}

/** The label as a picture: what a label printer is sent. */
export async function labelPicture({ visit, shop, address, day }: Asked): Promise<string> {
  const safe = (t: string) => t.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
  const code = (await qr(address)).replace(
    /^[^]*?viewBox="0 0 (\d+) \d+"[^>]*>/,
    (_, n: string) =>
      `<svg x="14" y="14" width="152" height="152" viewBox="0 0 ${n} ${n}" shape-rendering="crispEdges">`,
  );
  const text = (y: number, size: number, words: string, bold = false) =>
    `<text x="182" y="${y}" font-size="${size}" font-family="sans-serif"` +
    (bold ? ' font-weight="bold"' : '') +
    `>${safe(words)}</text>`;
  return (
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 480 180" width="480" height="180"><rect ' +
    `width="480" height="180" fill="#fff"/>${code}${text(52, 40, visit.claim, true)}` +
    text(84, 16, short(visit.clock.description, 30), true) +
    `${text(110, 18, visit.movement.code)}${text(134, 14, `${day(visit.openedAt)} · ${shop}`)}` +
    text(158, 13, short(visit.received.map((r) => r.what).join(', '), 42)) +
    '</svg>'
  );
}
