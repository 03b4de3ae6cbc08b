import { closeSync, fstatSync, openSync, readSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { hearWav } from '@eclat/core/sound';
import { Outside } from '@eclat/core/units';

const USE = 'npm run --silent listen -- FILE.wav [--beats N] [--lift DEGREES] [--teeth N] [--card PPM]';

/** A reason on standard error, and 2. */
function refuse(title: string): void {
  process.stderr.write(`${JSON.stringify({ type: 'about:blank', title, status: 422 }, null, 2)}\n`);
  process.exitCode = 2;
}

const LIMITS = { beats: [300, 40_000], lift: [20, 90], teeth: [3, 120], card: [-5000, 5000] } as const;
function figure(name: keyof typeof LIMITS, typed: string | undefined): number | undefined {
  if (typed === undefined) return undefined;
  const [least, most] = LIMITS[name];
  const n = Number(typed);
  if (typed.trim() === '' || !(n >= least && n <= most))
    throw new Outside(name, `--${name} takes a number from ${least} to ${most}.`);
  return n;
}

function run(): void {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      beats: { type: 'string' },
      lift: { type: 'string' },
      teeth: { type: 'string' },
      card: { type: 'string' },
    },
  });
  const [name, ...more] = positionals;
  if (!name || more.length > 0) return refuse(`Say which file: ${USE}`);
  const file = openSync(resolve(process.env['ECLAT_FROM'] ?? '.', name), 'r');
  try {
    const { size } = fstatSync(file);
    const read = (from: number, to: number) => {
      const bytes = new Uint8Array(Math.max(0, Math.min(to, size) - from));
      readSync(file, bytes, 0, bytes.length, from);
      return bytes;
    };
    const ppm = figure('card', values.card);
    const report = hearWav(read, size, {
      beats: figure('beats', values.beats),
      liftDeg: figure('lift', values.lift),
      teeth: figure('teeth', values.teeth),
      card: ppm === undefined ? undefined : { ppmFast: ppm, error: 0 },
    });
    process.stdout.write(`${JSON.stringify(report, null, 2)}\n`);
  } finally {
    closeSync(file);
  }
}

process.stdout.on('error', () => process.exit()); // the reader had enough
try {
  run();
} catch (error) {
  const { code, message } = error as { code?: string; message: string };
  if (error instanceof Outside) refuse(message);
  else if (code === 'ENOENT') refuse('There is no such file.');
  else if (code === 'EISDIR' || code === 'EACCES') refuse('This file cannot be read.');
  else if (code?.startsWith('ERR_PARSE_ARGS')) refuse(`${message} ${USE}`);
  else throw error;
}
