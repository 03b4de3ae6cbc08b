import { createRequire } from 'node:module';
import { openSync } from 'fontkit';
import pdfmake from 'pdfmake';
import { INK, SOFT, type Paper } from './paper.ts';

const { resolve } = createRequire(import.meta.url);
const main = (weight: string) => resolve(`@expo-google-fonts/source-sans-3/${weight}/SourceSans3_${weight}.ttf`);
const rest = (weight: string) => resolve(`dejavu-fonts-ttf/ttf/DejaVuSans${weight}.ttf`);
const face = (normal: string, bold: string) => ({ normal, bold, italics: normal, bolditalics: bold });
/** Latin, Greek and Cyrillic; and for signs and letters that it lacks, a wider one. */
const FONTS = { Eclat: face(main('400Regular'), main('700Bold')), Rest: face(rest(''), rest('-Bold')) };
const FILES = Object.values(FONTS).flatMap((f) => Object.values(f));

pdfmake.setFonts(FONTS);
// Nothing is fetched, and of the disk only the faces are read.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => FILES.includes(path));
pdfmake.setTableLayouts({
  lines: {
    hLineWidth: (i) => (i === 0 ? 0 : 0.5),
    vLineWidth: () => 0,
    hLineColor: () => '#c9ced8',
    paddingLeft: () => 0,
    paddingRight: () => 8,
    paddingTop: () => 3,
    paddingBottom: () => 3,
  },
  facts: {
    hLineWidth: () => 0,
    vLineWidth: () => 0,
    paddingLeft: () => 0,
    paddingRight: () => 12,
    paddingTop: () => 1,
    paddingBottom: () => 1,
  },
});

const letters = (path: string) => {
  const font = openSync(path);
  if (!('characterSet' in font)) throw new Error(`${path} is no single face`);
  return new Set(font.characterSet);
};
const HELD = { Eclat: letters(FONTS.Eclat.normal), Rest: letters(FONTS.Rest.normal) };
/** Stands for a letter that no face here holds. */
const NO_LETTER = '□';

interface Run {
  text: string;
  font?: 'Rest';
}

/** A text in runs of one face each. Line breaks and tabs belong to any. */
function runs(text: string, lost: Set<string>): Run[] {
  const out: Run[] = [];
  for (const letter of text.normalize('NFC')) {
    const code = letter.codePointAt(0)!;
    const plain = code < 32 || HELD.Eclat.has(code);
    if (!plain && !HELD.Rest.has(code)) lost.add(letter);
    const run: Run = plain ? { text: letter } : { text: HELD.Rest.has(code) ? letter : NO_LETTER, font: 'Rest' };
    const last = out.at(-1);
    if (last && last.font === run.font) last.text += run.text;
    else out.push(run);
  }
  return out;
}

/** The same content with every text in faces that hold its letters. */
function spelled(node: unknown, lost: Set<string>): unknown {
  if (typeof node === 'string') {
    const parts = runs(node, lost);
    return parts.every((r) => !r.font) ? parts.map((r) => r.text).join('') : { text: parts };
  }
  if (Array.isArray(node)) return node.map((n) => spelled(n, lost));
  if (typeof node !== 'object' || node === null) return node;
  const out: Record<string, unknown> = { ...node };
  for (const inside of ['text', 'stack', 'columns', 'ul', 'ol'])
    if (inside in out) {
      const said = spelled(out[inside], lost);
      out[inside] = inside === 'text' && typeof said === 'object' && !Array.isArray(said) ? (said as Run).text : said;
    }
  const { table } = out as { table?: { body: unknown } };
  if (table) out['table'] = { ...table, body: spelled(table.body, lost) };
  return out;
}

/** Of the height of a page; under it a heading, the head of a table and a row find room. */
const LOWEST_HEAD = 0.9;

/** A paper as PDF. Letters that no face holds are boxes, and its head says so. */
export function printed({ page, info, footer, content }: Paper): Promise<Uint8Array> {
  const lost = new Set<string>();
  const body = spelled(content, lost) as object[];
  const foot = (footer && spelled(footer, lost)) as object | undefined;
  return pdfmake
    .createPdf({
      ...page,
      info,
      defaultStyle: { font: 'Eclat', fontSize: 10, lineHeight: 1.2, fontFeatures: ['tnum'] } as never,
      styles: {
        title: { fontSize: 22, bold: true, color: INK },
        head: { fontSize: 13, bold: true, color: INK, margin: [0, 14, 0, 4] },
        soft: { color: SOFT },
        th: { bold: true, color: SOFT, fontSize: 9 },
      },
      ...(foot
        ? {
            footer: (now: number, all: number) => ({
              columns: [foot as never, { text: `${now} of ${all}`, alignment: 'right', width: 'auto' }],
              margin: [48, 16, 48, 0],
              fontSize: 8,
              color: SOFT,
            }),
          }
        : {}),
      // A heading so low that no line of what it heads stands under it goes to the next page.
      pageBreakBefore: (node) => node.style === 'head' && node.startPosition.verticalRatio > LOWEST_HEAD,
      content: [
        ...(lost.size > 0
          ? [{ text: 'Some letters cannot be printed and stand as boxes: the screen shows them.', style: 'soft' }]
          : []),
        ...body,
      ] as never,
    })
    .getBuffer();
}
