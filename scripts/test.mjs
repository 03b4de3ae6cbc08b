/**
 * All tests, from nothing: installs what is missing, then lint with the layer rule, types, unit tests, server tests
 * against a throw-away PostgreSQL, and end-to-end tests in headless Chromium against the built product.
 * `--only static|unit|server|e2e` runs one part.
 */
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { checkMachine, requireBuild, requireChromium, requirePackages, ROOT } from './lib/machine.mjs';
import { requirePostgres, startCluster } from './lib/postgres.mjs';
import { main, say } from './lib/say.mjs';

const { values } = parseArgs({ options: { only: { type: 'string' } } });
// A disk that stalls holds servers and browsers up for minutes: what is thrown away afterwards stands in memory, where
// there is room.
const MEMORY = '/dev/shm';
const ROOM = 4 * 2 ** 30;
if (existsSync(MEMORY)) {
  const { bavail, bsize } = statfsSync(MEMORY);
  if (bavail * bsize > ROOM) process.env.TMPDIR = MEMORY;
}
const scratch = mkdtempSync(join(tmpdir(), 'eclat-tests-'));
const ran = [];

const inNode = (bin, args, env) => [
  process.execPath,
  [join(ROOT, 'node_modules', bin), ...args],
  { cwd: ROOT, env: { ...process.env, ...env } },
];
function note(name, started, status, report) {
  const counted = report?.() ?? { passed: status === 0 ? 1 : 0, failed: status === 0 ? 0 : 1 };
  // A runner that ended badly without a failed test to show has still failed.
  if (status !== 0 && counted.failed === 0) counted.failed = 1;
  ran.push({ name, ...counted, seconds: Math.round((Date.now() - started) / 1000) });
}

function run(name, bin, args, env = {}, report = undefined) {
  console.log(`\n── ${name} ──`);
  const started = Date.now();
  const [node, all, options] = inNode(bin, args, env);
  const { status } = spawnSync(node, all, { ...options, stdio: ['ignore', 'inherit', 'inherit'] });
  note(name, started, status, report);
}

/** Beside each other, since each of these keeps one core busy; what each says comes out whole, when it ends. */
async function runBeside(checks) {
  const waiting = [...checks];
  const next = async () => {
    for (let check = waiting.shift(); check; check = waiting.shift()) {
      const [name, bin, args] = check;
      const started = Date.now();
      const [node, all, options] = inNode(bin, args, {});
      const child = spawn(node, all, { ...options, stdio: ['ignore', 'pipe', 'pipe'] });
      const said = [];
      child.stdout.on('data', (chunk) => said.push(chunk));
      child.stderr.on('data', (chunk) => said.push(chunk));
      const [status] = await once(child, 'close');
      console.log(`\n── ${name} ──\n${Buffer.concat(said)}`);
      note(name, started, status);
    }
  };
  await Promise.all([next(), next()]);
}

const json = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

/** The failed tests of one file, each with the first lines of why; a file that did not load fails whole. */
function failedOf({ name, message, assertionResults }) {
  const failed = assertionResults.filter((a) => a.status === 'failed');
  const why = (text) => (text ?? '').split('\n').slice(0, 6).join('\n      ');
  const file = name.replace(`${ROOT}/`, '');
  if (failed.length === 0) return message ? [`${file}\n      ${why(message)}`] : [];
  return failed.map((a) => `${file}: ${a.fullName}\n      ${why(a.failureMessages[0])}`);
}

function vitest(name, projects, env = {}) {
  const file = join(scratch, `${name}.json`);
  run(
    name,
    'vitest/vitest.mjs',
    [
      'run',
      ...projects.flatMap((p) => ['--project', p]),
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${file}`,
    ],
    env,
    () => {
      const report = json(file);
      return (
        report && {
          passed: report.numPassedTests,
          failed: report.numFailedTests + (report.success || report.numFailedTests > 0 ? 0 : 1),
          which: report.testResults.flatMap(failedOf),
        }
      );
    },
  );
}

const LAYERS = [
  '--config',
  'dependency-cruiser.config.cjs',
  'core/src',
  'contract/src',
  'server/src',
  'web/src',
  'demo',
];

const PARTS = {
  // The slowest begins.
  static: () =>
    runBeside([
      ['lint', 'eslint/bin/eslint.js', ['.', '--max-warnings', '0']],
      ['types', '../scripts/types.mjs', []],
      ['layers', 'dependency-cruiser/bin/dependency-cruise.mjs', LAYERS],
      ['format', 'prettier/bin/prettier.cjs', ['--check', '--log-level', 'warn', '.']],
    ]),
  unit: () => vitest('unit', ['core', 'contract', 'web']),
  server: () => {
    requirePostgres();
    vitest('server', ['server', 'scripts']);
  },
  e2e: async () => {
    requirePostgres();
    const chromium = requireChromium();
    requireBuild();
    const folder = mkdtempSync(join(tmpdir(), 'eclat-cluster-'));
    const cluster = await startCluster(folder, ['fsync=off', 'synchronous_commit=off', 'full_page_writes=off']);
    const file = join(scratch, 'e2e.json');
    try {
      run(
        'e2e',
        '@playwright/test/cli.js',
        ['test'],
        {
          ECLAT_TEST_DATABASE_URL: cluster.url,
          ECLAT_TRY_FOLDER: join(scratch, 'demo-files'),
          CHROMIUM: chromium,
          PLAYWRIGHT_JSON_OUTPUT_NAME: file,
        },
        () => {
          const stats = json(file)?.stats;
          return stats && { passed: stats.expected + stats.flaky, failed: stats.unexpected, again: stats.flaky };
        },
      );
    } finally {
      await cluster.stop();
      rmSync(folder, { recursive: true, force: true });
    }
  },
};

await main(async () => {
  checkMachine();
  requirePackages();
  try {
    for (const [name, part] of Object.entries(PARTS)) if (!values.only || values.only === name) await part();
  } finally {
    rmSync(scratch, { recursive: true, force: true });
  }
  if (ran.length === 0) say(`no part is called "${values.only}"; there are ${Object.keys(PARTS).join(', ')}`);
  console.log('\nWhat ran');
  for (const r of ran)
    console.log(
      `  ${r.name.padEnd(8)} ${String(r.passed).padStart(4)} passed ${String(r.failed).padStart(3)} ` +
        `failed ${String(r.seconds).padStart(4)} s` +
        (r.again ? `, ${r.again} of them at the second try` : ''),
    );
  // Last, where it is read first.
  for (const r of ran) for (const which of r.which ?? []) console.log(`\n  failed: ${which}`);
  const total = (key) => ran.reduce((n, r) => n + r[key], 0);
  console.log(`\n${total('passed')} passed, ${total('failed')} failed`);
  return total('failed') > 0 || ran.length === 0 ? 1 : 0;
});
process.exit();
