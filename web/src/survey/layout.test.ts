import { FAMILIES } from '@eclat/core/movement';
import { describe, expect, it } from 'vitest';
import { PLATE, placeHoles } from './layout.ts';

describe('the drawn plates', () => {
  it.each(FAMILIES.map((f) => [f.id, f.traits] as const))('%s: every hole inside its plate, none under another finger', (_, traits) => {
    for (const plate of ['front', 'back'] as const) {
      const holes = placeHoles(traits, plate);
      for (const a of holes) {
        expect(a.x > 14 && a.x < PLATE.width - 14 && a.y > 14 && a.y < PLATE.height - 14).toBe(true);
        for (const b of holes) if (a !== b) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(28);
      }
    }
  });
  it('mirrors the back plate, as the plates really are', () => {
    const [front, back] = (['front', 'back'] as const).map((p) => placeHoles(FAMILIES[1]!.traits, p));
    front!.forEach((h, i) => expect(h.x + back![i]!.x).toBeCloseTo(PLATE.width, 6));
  });
});
