import { createRequire } from 'node:module';
import pdfmake from 'pdfmake';
import type { Content } from 'pdfmake';

const { resolve } = createRequire(import.meta.url);
const face = (weight: number) =>
  resolve(`@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`);
const FONTS = { normal: face(400), bold: face(700), italics: face(400), bolditalics: face(700) };

pdfmake.setFonts({ Eclat: FONTS });
// Nothing is fetched, and of the disk only the two faces are read.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => Object.values(FONTS).includes(path));

export const INK = '#15295a';
const SOFT = '#4b5563';

export interface PdfDocument {
  title: string;
  /** Said under the title: which clock, which claim. */
  of: string;
  shop: string;
  content: Content[];
}

/** An A4 sheet with the shop's name, page numbers, and figures that stand under each other. */
export function sheet({ title, of, shop, content }: PdfDocument): Promise<Buffer> {
  return print({
    pageSize: 'A4',
    pageMargins: [48, 56, 48, 56],
    info: { title: `${title}, ${of}`, creator: 'Eclat', producer: 'Eclat', author: shop },
    footer: (page, pages) => ({
      columns: [
        { text: `${shop} · ${title} · ${of}` },
        { text: `${page} of ${pages}`, alignment: 'right', width: 'auto' },
      ],
      margin: [48, 16, 48, 0],
      fontSize: 8,
      color: SOFT,
    }),
    content: [
      { text: shop, color: SOFT },
      { text: title, style: 'title' },
      { text: of, margin: [0, 0, 0, 12], fontSize: 12 },
      ...content,
    ],
  });
}

export function print(definition: Parameters<typeof pdfmake.createPdf>[0]): Promise<Buffer> {
  return pdfmake
    .createPdf({
      defaultStyle: { font: 'Eclat', fontSize: 10, lineHeight: 1.2, fontFeatures: ['tnum'] } as never,
      styles: {
        title: { fontSize: 22, bold: true, color: INK },
        head: { fontSize: 13, bold: true, color: INK, margin: [0, 14, 0, 4] },
        soft: { color: SOFT },
        th: { bold: true, color: SOFT, fontSize: 9 },
      },
      ...definition,
    })
    .getBuffer();
}

export const head = (text: string): Content => ({ text, style: 'head' });
export const none = (text: string): Content => ({ text, style: 'soft' });

/** A plain table: thin lines between rows, the head repeated on each page. */
export const rows = (widths: (number | '*' | 'auto')[], header: string[], body: Content[][]): Content => ({
  table: { headerRows: 1, dontBreakRows: true, widths, body: [header.map((text) => ({ text, style: 'th' })), ...body] },
  layout: {
    hLineWidth: (i: number) => (i === 0 ? 0 : 0.5),
    vLineWidth: () => 0,
    hLineColor: () => '#c9ced8',
    paddingLeft: () => 0,
    paddingRight: () => 8,
    paddingTop: () => 3,
    paddingBottom: () => 3,
  },
});

/** Names and what they are, two columns. */
export const facts = (list: readonly (readonly [string, string])[]): Content => ({
  table: {
    widths: ['auto', '*'],
    body: list.filter(([, v]) => v !== '').map(([k, v]) => [{ text: k, style: 'soft' }, { text: v }]),
  },
  layout: {
    hLineWidth: () => 0,
    vLineWidth: () => 0,
    paddingLeft: () => 0,
    paddingRight: () => 12,
    paddingTop: () => 1,
    paddingBottom: () => 1,
  },
});
