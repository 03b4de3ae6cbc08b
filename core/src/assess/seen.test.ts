import { describe, expect, it } from 'vitest';
import { causeUncured, findingWords, isCircle } from './index.ts';

const finding = (id: string, seen: string, followsFrom: string | null = null, why = '') => ({
  ...{ id, place: id, seen, followsFrom },
  overturned: why === '' ? null : { why },
});
const WARP = finding('rack tail', 'Bent');
const PIN = finding('stop pin', 'Bent.', 'rack tail');

describe('a finding', () => {
  it('is told with what brought it about and what a later look found, else as it was written', () => {
    expect(findingWords(WARP, [WARP, PIN])).toBe('Bent');
    expect(findingWords(PIN, [WARP, PIN])).toBe('Bent. Because of rack tail: Bent.');
    expect(findingWords(finding('contact', 'Condemned', null, 'Makes every time in place'), [])).toBe(
      'Condemned. Later look: Makes every time in place.',
    );
    // What it followed from was taken back.
    expect(findingWords(PIN, [PIN])).toBe('Bent.');
  });
  it('never follows from itself, over however many steps', () => {
    const a = finding('a', 'x', 'b');
    const b = finding('b', 'x', 'c');
    expect(isCircle('c', 'a', [a, b, finding('c', 'x')])).toBe(true);
    expect(isCircle('d', 'a', [a, b, finding('c', 'x')])).toBe(false);
    expect(isCircle('d', 'd', [])).toBe(true);
  });
  // Common practice: a stop pin that another fault bent bends again.
  it('that follows from another is not cured alone', () => {
    const line = (findingId: string | null, state: string | null = 'accepted') => ({ findingId, state });
    const uncured = (...lines: ReturnType<typeof line>[]) => causeUncured('stop pin', [WARP, PIN], lines)?.id;
    expect(uncured(line('stop pin'))).toBe('rack tail');
    expect(uncured(line('stop pin'), line('rack tail', 'declined'))).toBe('rack tail');
    expect(uncured(line('stop pin'), line('rack tail', null))).toBeUndefined();
    expect(causeUncured(null, [WARP, PIN], [])).toBeNull();
  });
});
