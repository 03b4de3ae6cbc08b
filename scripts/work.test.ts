import { spawnSync } from 'node:child_process';
import { WORKINGS } from '@eclat/core/workings';
import { describe, expect, it } from 'vitest';

const ROOT = new URL('..', import.meta.url);
const work = (...args: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', 'scripts/work.ts', ...args], { cwd: ROOT, encoding: 'utf8' });

describe('the workings on the command line', () => {
  it('are listed as JSON with the schema of their inputs', () => {
    const list = JSON.parse(work('--list').stdout) as { id: string; inputs: { type: string } }[];
    expect(list.map((w) => w.id)).toEqual(WORKINGS.map((w) => w.id));
    expect(list.every((w) => w.inputs.type === 'object')).toBe(true);
  });
  it('answer with JSON and 0', () => {
    const done = work('pendulum-length', '{"beats":3600}');
    expect([done.status, done.stderr]).toEqual([0, '']);
    // Published: seconds pendulum at standard gravity.
    expect((JSON.parse(done.stdout) as { result: { lengthMm: number } }).result.lengthMm).toBeCloseTo(993.621, 2);
  });
  it.each([
    [['pendulum-length', '{"beats":0}'], 'beats'],
    [['pendulum-length', '{oops'], 'not JSON'],
    [['nothing'], 'no working'],
    [[], 'Say which'],
  ])('%j ends with 2 and a problem', (args, says) => {
    const done = work(...(args as string[]));
    expect([done.status, done.stdout]).toEqual([2, '']);
    expect(JSON.parse(done.stderr)).toMatchObject({ status: 422 });
    expect(done.stderr).toContain(says);
  });
});
