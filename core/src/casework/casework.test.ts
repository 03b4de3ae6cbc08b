import { describe, expect, it } from 'vitest';
import { TASKS, taskStands, type TaskState } from './index.ts';

const T0 = Date.parse('2031-05-02T09:00:00Z');
const H = 3_600_000;
const at = (h: number) => ({ at: new Date(T0 + h * H).toISOString(), by: 'Ines' });
const coats = (...hours: number[]): TaskState => ({
  times: 3,
  log: hours.map(at),
  waitEndsAt: hours.length > 0 ? new Date(T0 + (hours.at(-1)! + 24) * H).toISOString() : null,
  doneAt: null,
});

describe('a task beside the movement', () => {
  it('waits after each coat, wants the next, and is not done by drying alone', () => {
    expect(taskStands(coats(), T0)).toBe('to do');
    expect(taskStands(coats(0), T0 + 23 * H)).toBe('waiting');
    expect(taskStands(coats(0), T0 + 24 * H)).toBe('once more');
    expect(taskStands(coats(0, 24, 48), T0 + 71 * H)).toBe('waiting');
    expect(taskStands(coats(0, 24, 48), T0 + 72 * H)).toBe('ready');
    expect(taskStands({ ...coats(0, 24, 48), doneAt: at(73).at }, T0 + 72 * H)).toBe('done');
  });
  // Practice: glue overnight; stain and each coat of finish 24 h.
  it('offers the waits of the trade', () => {
    const wait = (what: string) => TASKS.find((x) => x.what === what)!.waitHours;
    expect(wait('Glued and clamped')).toBeGreaterThanOrEqual(8);
    expect([wait('Stained'), wait('Finish coat')]).toEqual([24, 24]);
    for (const what of ['Sanded', 'Stained', 'Finish coat'])
      expect(TASKS.find((x) => x.what === what)!.once).toBe(true);
  });
});
