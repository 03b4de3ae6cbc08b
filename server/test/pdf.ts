import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The words of a PDF as a reader finds them, and the faces it carries. Read by pdf.js, not by what wrote it. */
export async function readPdf(bytes: Uint8Array): Promise<{ text: string; pages: number; texts: string[] }> {
  const task = getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 });
  const pdf = await task.promise;
  const texts: string[] = [];
  for (let n = 1; n <= pdf.numPages; n++) {
    const { items } = await (await pdf.getPage(n)).getTextContent();
    texts.push(items.map((i) => ('str' in i ? i.str + (i.hasEOL ? '\n' : '') : '')).join(''));
  }
  await task.destroy();
  return { text: texts.join('\n'), pages: pdf.numPages, texts };
}
