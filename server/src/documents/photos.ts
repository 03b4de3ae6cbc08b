import type { Visit } from '@eclat/contract';
import { drawMark, type ShapeOnPhoto } from '@eclat/core/photo';
import type { Asked } from './parts.ts';
import type { Content } from 'pdfmake';
import type { Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { INK } from './pdf.ts';

const WIDTH = 236;
const TALLEST = 230;
const RADIUS = 8;

/** An arrow or an outline: light under dark, seen on brass and on black oil alike. */
function lineOf(mark: ShapeOnPhoto, width: number, height: number): string {
  const { path } = drawMark(mark, { width, height }, RADIUS * 1.4);
  const stroke = (colour: string, wide: number) =>
    `<path d="${path}" fill="none" stroke="${colour}" stroke-width="${wide}" stroke-linejoin="round"/>`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">` +
    `${stroke('#ffffff', 4)}${stroke(INK, 1.6)}</svg>`
  );
}

/** A photo with its numbered points, arrows and outlines where they were placed, and what each says below it. */
async function framed(ctx: Context, { visit, day }: Asked, photo: Visit['photos'][number]): Promise<Content> {
  const [row] = await sql<{ bytes: Buffer }>(ctx.em, 'select medium as bytes from photo where id = ?', [photo.id]);
  const scale = Math.min(WIDTH / photo.width, TALLEST / photo.height);
  const [w, h] = [photo.width * scale, photo.height * scale];
  const drawn = photo.marks.map((m) => ({ m, at: drawMark(m, { width: w, height: h }, RADIUS).number }));
  const says = (m: (typeof photo.marks)[number]) => {
    const f = visit.findings.find((x) => x.id === m.findingId);
    return f ? `${f.place}: ${f.seen}` : m.note;
  };
  return {
    unbreakable: true,
    margin: [0, 4, 0, 8],
    stack: [
      { image: `data:image/jpeg;base64,${row!.bytes.toString('base64')}`, width: w, height: h },
      ...photo.marks
        .filter((m) => m.to !== null)
        .map((m): Content => ({ svg: lineOf(m, w, h), relativePosition: { x: 0, y: -h } })),
      ...drawn.flatMap(({ m, at }): Content[] => [
        {
          canvas: [
            { type: 'ellipse', x: 0, y: 0, r1: RADIUS, r2: RADIUS, color: '#ffffff', lineColor: INK, lineWidth: 2 },
          ],
          relativePosition: { x: at.x, y: at.y - h },
        },
        {
          text: String(m.number),
          bold: true,
          fontSize: 9,
          color: INK,
          relativePosition: { x: at.x - (m.number > 9 ? 5.5 : 2.7), y: at.y - h - 5.5 },
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
