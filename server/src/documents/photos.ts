import type { Visit } from '@eclat/contract';
import type { Asked } from './parts.ts';
import type { Content } from 'pdfmake';
import type { Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { INK } from './pdf.ts';

const WIDTH = 236;
const TALLEST = 230;
const RADIUS = 8;

/** A photo with its numbered points where they were placed, and what each says below it. */
async function framed(ctx: Context, { visit, day }: Asked, photo: Visit['photos'][number]): Promise<Content> {
  const [row] = await sql<{ bytes: Buffer }>(ctx.em, 'select medium as bytes from photo where id = ?', [photo.id]);
  const scale = Math.min(WIDTH / photo.width, TALLEST / photo.height);
  const [w, h] = [photo.width * scale, photo.height * scale];
  const says = (m: (typeof photo.marks)[number]) => {
    const f = visit.findings.find((x) => x.id === m.findingId);
    return f ? `${f.place}: ${f.seen}` : m.note;
  };
  return {
    unbreakable: true,
    margin: [0, 4, 0, 8],
    stack: [
      { image: `data:image/jpeg;base64,${row!.bytes.toString('base64')}`, width: w, height: h },
      ...photo.marks.flatMap((m): Content[] => [
        {
          canvas: [
            { type: 'ellipse', x: 0, y: 0, r1: RADIUS, r2: RADIUS, color: '#ffffff', lineColor: INK, lineWidth: 2 },
          ],
          relativePosition: { x: m.x * w, y: (m.y - 1) * h },
        },
        {
          text: String(m.number),
          bold: true,
          fontSize: 9,
          color: INK,
          relativePosition: { x: m.x * w - (m.number > 9 ? 5.5 : 2.7), y: (m.y - 1) * h - 5.5 },
        },
      ]),
      {
        text: [photo.caption, `${photo.by}, ${day(photo.at)}`].filter(Boolean).join('. '),
        fontSize: 8,
        margin: [0, 3, 0, 0],
      },
      ...photo.marks.map((m): Content => ({ text: [{ text: `${m.number} `, bold: true }, says(m)], fontSize: 9 })),
    ],
  };
}

/** Photos two to a row. */
export async function photosOf(ctx: Context, asked: Asked, chosen: Visit['photos']): Promise<Content[]> {
  const out: Content[] = [];
  for (let i = 0; i < chosen.length; i += 2) {
    const pair = [
      await framed(ctx, asked, chosen[i]!),
      chosen[i + 1] ? await framed(ctx, asked, chosen[i + 1]!) : { text: '' },
    ];
    out.push({ columns: pair, columnGap: 20 });
  }
  return out;
}
