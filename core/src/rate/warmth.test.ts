import { describe, expect, it } from 'vitest';
import { PER_DEGREE } from '../torsion/index.ts';
import { warmthOnRun } from './index.ts';

describe('warmth on a test run', () => {
  const plain = PER_DEGREE['not compensated']!;

  it('reckons a torsion clock that ran warm to the room it goes home to', () => {
    // A clock that keeps time at 20 °C, read in a room that warms from 22 to 26: the truth is nought again.
    const celsius = [22, 24, 26];
    const rate = celsius.reduce((a, c) => a + plain * (c - 20), 0) / 3;
    const found = warmthOnRun(plain, celsius, rate)!;
    expect(found.atHome).toBeCloseTo(0, 9);
    expect(found.says).toBe(
      'From 22 to 26 °C, which makes 60 s a day: it loses 15 s a day for each degree warmer. ' +
        'In a room of 20 °C it keeps time.',
    );
  });
  it('also where the room was even but another than at home, and one that gains with warmth', () => {
    expect(warmthOnRun(plain, [14, 14.2], 90)!.says).toMatch(/^At 14.2 °C all along.*In a room of 20 °C it gains 2 s/);
    expect(warmthOnRun(4, [25, 25], 20)!.says).toMatch(/gains 4.0 s a day for each degree.*keeps time/);
  });
  it('keeps still where there is nothing to say', () => {
    expect(warmthOnRun(plain, [20, null, 20.2], 3)).toBeNull();
    expect(warmthOnRun(plain, [27, null], 3)).toBeNull();
    expect(warmthOnRun(-0.2, [15, 25], 3)).toBeNull();
    expect(warmthOnRun(plain, [15, 25], null)!.says).not.toContain('In a room of');
  });
});
