import type { Content } from 'pdfmake';
import { SOFT, type Paper } from './paper.ts';
import { aside } from '../platform/aside/aside.ts';

export { INK } from './paper.ts';

export interface Sheet {
  title: string;
  /** Said under the title: which clock, which claim. */
  of: string;
  shop: string;
  content: Content[];
}

const BY = { creator: 'Eclat', producer: 'Eclat' };

/** An A4 sheet with the shop's name, page numbers, and figures that stand under each other. */
export const sheet = ({ title, of, shop, content }: Sheet): Promise<Buffer> =>
  print({
    page: { pageSize: 'A4', pageMargins: [48, 56, 48, 56] },
    info: { title: `${title}, ${of}`, author: shop, ...BY },
    footer: { text: `${shop} · ${title} · ${of}` },
    content: [
      { text: shop, color: SOFT },
      { text: title, style: 'title' },
      { text: of, margin: [0, 0, 0, 12], fontSize: 12 },
      ...content,
    ],
  });

/** A label or slip, as large as the thing it is tied to wants it: width and height in points. */
export const tag = (title: string, width: number, height: number, content: Content[]): Promise<Buffer> =>
  print({ page: { pageSize: { width, height }, pageMargins: [10, 10, 10, 6] }, info: { title, ...BY }, content });

const print = async (paper: Paper): Promise<Buffer> => Buffer.from(await aside('printed', paper));

export const head = (text: string): Content => ({ text, style: 'head' });
export const none = (text: string): Content => ({ text, style: 'soft' });

/** A plain table: thin lines between rows, the head repeated on each page. */
export const rows = (widths: (number | '*' | 'auto')[], header: string[], body: Content[][]): Content => ({
  table: {
    headerRows: 1,
    keepWithHeaderRows: 1,
    dontBreakRows: true,
    widths,
    body: [header.map((text) => ({ text, style: 'th' })), ...body],
  },
  layout: 'lines',
});

/** Names and what they are, two columns. */
export const facts = (list: readonly (readonly [string, string])[]): Content => ({
  table: {
    widths: ['auto', '*'],
    body: list.filter(([, v]) => v !== '').map(([k, v]) => [{ text: k, style: 'soft' }, { text: v }]),
  },
  layout: 'facts',
});
