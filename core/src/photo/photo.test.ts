import { describe, expect, it } from 'vitest';
import { anyWheel, drawWheel, seeded, type WheelScene } from '../simulated/index.ts';
import { countTeeth, lengthBy, ovalBy, seenAngle } from './index.ts';

const PLAIN: WheelScene = {
  teeth: 60,
  pitchPx: 10,
  tilt: 0.2,
  tiltTo: 1,
  turned: 0.3,
  cameraRadii: 10,
  spokes: 4,
  wheel: 0.65,
  ground: 0.2,
  shade: 0.1,
  noise: 0.02,
  missing: [],
  glareAt: 0,
  glare: 0,
};
const count = (scene: Partial<WheelScene>, seed = 3) => {
  const { picture, middle, rim } = drawWheel({ ...PLAIN, ...scene }, seeded(seed));
  return countTeeth(picture, middle, rim);
};

describe('teeth on a photo', () => {
  // Wheels that are drawn: 12 to 160 teeth, six pixels a tooth and more, tilt to 30°, a camera at 6 to 20 radii, noise,
  // shade, glare over up to a fifth, up to three teeth missing. All two hundred are counted by the bench "teeth".
  it('are counted right or not at all', { timeout: 600_000 }, () => {
    const seeds = Array.from({ length: 16 }, (_, i) => 1 + 12 * i);
    const counted = seeds.map((seed) => {
      const { scene, shot } = anyWheel(seed);
      return { seed, is: scene.teeth, said: countTeeth(shot.picture, shot.middle, shot.rim).teeth };
    });
    expect(counted.filter((c) => c.said !== null && c.said !== c.is)).toEqual([]);
    expect(counted.filter((c) => c.said === c.is).length).toBeGreaterThanOrEqual(13);
  });

  it('that are broken off are named where they stood', () => {
    const { teeth, each } = count({ missing: [7, 8, 31] });
    expect(teeth).toBe(60);
    const gone = each.filter((t) => t.state === 'missing');
    expect(gone).toHaveLength(3);
    // Two of them beside each other, the third 23 teeth on.
    const [a, b, c] = gone.map((t) => t.number) as [number, number, number];
    expect([b - a, c - b, a - c + 60].sort((x, y) => x - y)).toEqual([1, 23, 36]);
  });

  it('are not counted where there are none, or too few pixels for them', () => {
    expect(count({ teeth: 60, missing: Array.from({ length: 60 }, (_, i) => i) }).teeth).toBeNull();
    expect(count({ teeth: 150, pitchPx: 2.5, noise: 0.06 }).teeth).toBeNull();
    const flat = { width: 400, height: 400, light: new Float32Array(160_000).fill(0.5) };
    expect(countTeeth(flat, { x: 200, y: 200 }, { x: 320, y: 200 }).teeth).toBeNull();
    // The smallest that is taken, a middle at the edge of the photo, and a finger that taps one place twice.
    expect(countTeeth(flat, { x: 200, y: 200 }, { x: 208, y: 200 }).teeth).toBeNull();
    expect(countTeeth(flat, { x: 0, y: 0 }, { x: 0, y: 300 }).teeth).toBeNull();
    expect(() => countTeeth(flat, { x: 200, y: 200 }, { x: 201, y: 200 })).toThrow(/away from the middle/);
  });

  it('a circle through a pinhole is an ellipse, whose angle is the one reckoned', () => {
    // Oracle: the points themselves, on the ellipse whose middle and axes follow from two of them.
    const [tilt, camera] = [0.5, 6];
    const lean = Math.sin(tilt) / camera;
    const seen = (a: number) => {
      const far = 1 + Math.sin(a) * lean;
      return [Math.cos(a) / far, (Math.sin(a) * Math.cos(tilt)) / far] as const;
    };
    const [top, low] = [seen(Math.PI / 2)[1], seen(-Math.PI / 2)[1]];
    const [middle, short] = [(top + low) / 2, (top - low) / 2];
    for (const a of [0.1, 1, 2, 3, 4, 5.5]) {
      const [u, v] = seen(a);
      const t = seenAngle(a, lean);
      expect(u * Math.sqrt(1 - lean * lean)).toBeCloseTo(Math.cos(t), 9);
      expect((v - middle) / short).toBeCloseTo(Math.sin(t), 9);
    }
  });
});

describe('lengths on a photo', () => {
  const scale = { from: { x: 100, y: 50 }, to: { x: 900, y: 50 }, mm: 40 };
  it('are what the ruler says, with what the presses make of it', () => {
    const { mm, within } = lengthBy(scale, { x: 0, y: 0 }, { x: 300, y: 400 });
    expect(mm).toBeCloseTo(25, 9);
    // Oracle: presses that are off by chance, a thousand times.
    const chance = seeded(9);
    const amiss = () => 1.5 * Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());
    const off = (p: { x: number; y: number }) => ({ x: p.x + amiss(), y: p.y + amiss() });
    let inside = 0;
    for (let i = 0; i < 1000; i++) {
      const pressed = { from: off(scale.from), to: off(scale.to), mm: 40 };
      if (Math.abs(lengthBy(pressed, off({ x: 0, y: 0 }), off({ x: 300, y: 400 })).mm - 25) <= within) inside++;
    }
    expect(inside / 1000).toBeGreaterThan(0.93);
    expect(inside / 1000).toBeLessThan(0.975);
  });
  it('call a hole oval only when it is by more than the presses can be off', () => {
    const across = (mm: number, y: number) =>
      [
        { x: 200, y },
        { x: 200 + 20 * mm, y },
      ] as const;
    expect(ovalBy(scale, across(2.5, 10), across(2.0, 20))).toMatchObject({ worn: true });
    expect(ovalBy(scale, across(2.05, 10), across(2.0, 20)).worn).toBe(false);
    expect(ovalBy(scale, across(2.0, 10), across(2.5, 20)).long.mm).toBeCloseTo(2.5, 9);
    expect(() => lengthBy({ ...scale, to: { x: 110, y: 50 } }, { x: 0, y: 0 }, { x: 9, y: 9 })).toThrow(
      /farther apart/,
    );
  });
});
