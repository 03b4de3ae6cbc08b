import { createServer } from 'node:http';
import { readFileSync } from 'node:fs';
import { needChromium } from './lib/machine.mjs';
const { chromium } = await import('@playwright/test');
const srv = createServer((q, r) => { const u = q.url.slice(1); if (u === 'favicon.ico') return r.end(); if (u === '') { r.setHeader('content-type','text/html'); return r.end('<body></body>'); } r.setHeader('content-type', u.endsWith('.mjs') ? 'text/javascript' : 'application/pdf'); r.end(readFileSync(u.endsWith('.mjs') ? `/tmp/pj/node_modules/pdfjs-dist/build/${u}` : `/tmp/s1/${u}`)); }).listen(4999);
const browser = await chromium.launch({ executablePath: needChromium(), args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 900, height: 1200 } });
for (const name of process.argv.slice(2)) {
  await page.goto('http://127.0.0.1:4999/');
  const n = await page.evaluate(async (name) => {
    const pdfjs = await import('/pdf.min.mjs'); pdfjs.GlobalWorkerOptions.workerSrc = '/pdf.worker.min.mjs';
    const doc = await pdfjs.getDocument('/' + name + '.pdf').promise;
    document.body.style.margin = 0;
    for (let i = 1; i <= Math.min(doc.numPages, 3); i++) { const p = await doc.getPage(i); const v = p.getViewport({ scale: 1.3 }); const c = document.createElement('canvas'); c.width = v.width; c.height = v.height; c.style.border = '1px solid #999'; document.body.append(c); await p.render({ canvasContext: c.getContext('2d'), viewport: v }).promise; }
    return doc.numPages;
  }, name);
  await page.setViewportSize({ width: n > 1 ? 1620 : 800, height: 1120 });
  await page.screenshot({ path: `/tmp/s1/${name}.png` });
  console.log(name, n);
}
await browser.close(); srv.close();
