import { FAMILIES, pairsOf } from '@eclat/core/movement';
import { describe, expect, it } from 'vitest';
import { nextHole, PLATE, placeHoles } from './layout.ts';

describe('the drawn plates', () => {
  it.each(FAMILIES.map((f) => [f.id, f.traits] as const))(
    '%s: every hole inside its plate, none under another finger',
    (_, traits) => {
      for (const plate of ['front', 'back'] as const) {
        const { holes } = placeHoles(traits, plate);
        for (const a of holes) {
          expect(a.x > 14 && a.x < PLATE.width - 14 && a.y > 14 && a.y < PLATE.height - 14).toBe(true);
          for (const b of holes) if (a !== b) expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(28);
        }
      }
    },
  );
  it.each(FAMILIES.map((f) => [f.id, f.traits] as const))('%s: the arrow keys lead to every hole', (_, traits) => {
    for (const plate of ['front', 'back'] as const) {
      const { holes } = placeHoles(traits, plate);
      if (holes.length === 0) continue;
      const come = new Set<string>([holes[0]!.key]);
      for (const key of come)
        for (const arrow of ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight']) {
          const to = nextHole(holes, key, arrow);
          if (to) come.add(to);
        }
      expect(come.size).toBe(holes.length);
    }
  });
  it('leads to the right on the right arrow, and nowhere on another key', () => {
    const holes = [
      { key: 'a', x: 0, y: 0 },
      { key: 'below', x: 20, y: 40 },
      { key: 'right', x: 60, y: -10 },
    ];
    expect(nextHole(holes, 'a', 'ArrowRight')).toBe('right');
    expect(nextHole(holes, 'a', 'ArrowDown')).toBe('below');
    expect(nextHole(holes, 'a', 'ArrowLeft')).toBeNull();
    expect(nextHole(holes, 'a', 's')).toBeNull();
  });
  it('mirrors the back plate, as the plates really are', () => {
    const [front, back] = (['front', 'back'] as const).map((p) => placeHoles(FAMILIES[1]!.traits, p).holes);
    front!.forEach((h, i) => expect(h.x + back![i]!.x).toBeCloseTo(PLATE.width, 6));
  });
  it('draws a measured train to scale, and leaves the other a sketch', () => {
    const { traits } = FAMILIES[1]!;
    const mm = [31.2, 24.6, 19.4, 14.8];
    const pairs = pairsOf(traits.trains[0]!).slice(0, mm.length);
    const centresMm = Object.fromEntries(pairsOf(traits.trains[0]!).map((p, i) => [p.key, mm[i] ?? 12]));
    const { holes, unitsAMm, toScale } = placeHoles(traits, 'front', { sides: [], centresMm });
    expect(toScale).toEqual(['going']);
    const at = (id: string) => holes.find((h) => h.arbor.id === id)!;
    for (const [i, p] of pairs.entries())
      expect(Math.hypot(at(p.from.id).x - at(p.to.id).x, at(p.from.id).y - at(p.to.id).y) / unitsAMm!).toBeCloseTo(
        mm[i]!,
        6,
      );
    for (const h of holes)
      expect(h.x > 14 && h.x < PLATE.width - 14 && h.y > 14 && h.y < PLATE.height - 14, h.key).toBe(true);
    delete centresMm[pairs[0]!.key];
    expect(placeHoles(traits, 'front', { sides: [], centresMm }).unitsAMm).toBeNull();
  });
  it('swaps the sides of the trains', () => {
    const { traits } = FAMILIES[1]!;
    const x = (sides: ('going' | 'strike')[]) =>
      placeHoles(traits, 'front', { sides, centresMm: {} }).holes.find((h) => h.key === 'T1.front')!.x;
    expect(x([])).toBeGreaterThan(PLATE.width / 2);
    expect(x(['strike', 'going'])).toBeLessThan(PLATE.width / 2);
  });
});
