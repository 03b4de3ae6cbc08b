import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { ROOT } from './lib/machine.mjs';

/** Draws the icons of the installed application from its mark. Run by hand when the mark changes. */
const folder = join(ROOT, 'web/public');
const mark = readFileSync(join(folder, 'mark.svg'), 'utf8');
// For a device that cuts its own shape: colour to the edge, the drawing within the safe middle (W3C, Web Application
// Manifest, “maskable”: a circle of four fifths).
const full = mark
  .replace('rx="7" ', '')
  .replace('<path', '<g transform="translate(4.8 4.8) scale(.7)"><path')
  .replace('</svg>', '</g></svg>');

const draw = (svg, size, name) =>
  sharp(Buffer.from(svg), { density: (72 * size) / 32 })
    .resize(size, size)
    .png({ compressionLevel: 9, palette: true })
    .toFile(join(folder, name));

await draw(mark, 192, 'icon-192.png');
await draw(mark, 512, 'icon-512.png');
await draw(full, 512, 'icon-full-512.png');
await draw(full, 180, 'icon-180.png');
