import { describe, expect, it } from 'vitest';
import { anyWheel, drawWheel, seeded, type WheelScene } from '../simulated/index.ts';
import { countTeeth, drawMark, layOver, lengthBy, ovalBy, seenAngle } from './index.ts';

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

const SIZE = { width: 1000, height: 500 };
describe('marks on a photo', () => {
  const box = { x: 0.2, y: 0.8, to: { x: 0.6, y: 0.2 } };
  it('an arrow ends where it points, with both sides of its head behind the tip', () => {
    const { path, number } = drawMark({ ...box, shape: 'arrow' }, SIZE, 20);
    const [tail, tip, left, , right] = [...path.matchAll(/[-\d.]+ [-\d.]+/g)].map(([pair]) =>
      pair.split(' ').map(Number),
    );
    expect([tail, tip, number]).toEqual([[200, 400], [600, 100], { x: 200, y: 400 }]);
    for (const [x, y] of [left!, right!]) {
      expect(Math.hypot(x! - 600, y! - 100)).toBeCloseTo(20, 2);
      expect(x).toBeLessThan(600);
      expect(y).toBeGreaterThan(100);
    }
  });
  it('an outline stays in its box whichever corner came first, and its number on it', () => {
    const back = { x: 0.6, y: 0.2, to: { x: 0.2, y: 0.8 } };
    expect(drawMark({ ...back, shape: 'outline' }, SIZE, 20).path).toBe(
      drawMark({ ...box, shape: 'outline' }, SIZE, 20).path,
    );
    // (x/a)² + (y/b)² = 1: any text on plane geometry.
    const { x, y } = drawMark({ ...box, shape: 'outline' }, SIZE, 20).number;
    expect(((x - 400) / 200) ** 2 + ((y - 250) / 150) ** 2).toBeCloseTo(1, 9);
    expect([x < 400, y > 250]).toEqual([true, true]);
  });
});

describe('a photo laid over another', () => {
  const longest = { under: 1000, over: 1000 };
  // Taken again from the other side of the bench: a quarter turn, half as large, elsewhere. Worked by hand.
  it('is turned, resized and shifted so that two spots lie on theirs', () => {
    const { a, b, dx, dy } = layOver(
      [
        { x: 100, y: 100 },
        { x: 100, y: 300 },
      ],
      [
        { x: 0, y: 0 },
        { x: 400, y: 0 },
      ],
      longest,
    );
    expect([a, b, dx, dy].map((v) => Number(v.toFixed(9)))).toEqual([0, 0.5, 100, 100]);
  });
  // As SVG would draw it, checked against complex numbers: w = α z + β.
  it('keeps the shape of what it shows', () => {
    const at = (l: ReturnType<typeof layOver>, x: number, y: number) => [
      l.a * x - l.b * y + l.dx,
      l.b * x + l.a * y + l.dy,
    ];
    const l = layOver(
      [
        { x: 30, y: 700 },
        { x: 910, y: 40 },
      ],
      [
        { x: 200, y: 250 },
        { x: 640, y: 900 },
      ],
      longest,
    );
    expect(at(l, 200, 250).map(Math.round)).toEqual([30, 700]);
    expect(at(l, 640, 900).map(Math.round)).toEqual([910, 40]);
    const [o, p, q] = [at(l, 0, 0), at(l, 100, 0), at(l, 0, 100)] as [number[], number[], number[]];
    const side = ([x, y]: number[]) => [x! - o[0]!, y! - o[1]!] as const;
    const [u, v] = [side(p), side(q)];
    expect(u[0] * v[0] + u[1] * v[1]).toBeCloseTo(0, 6);
    expect(Math.hypot(...u)).toBeCloseTo(Math.hypot(...v), 6);
  });
  it('is refused where two presses are one spot', () => {
    const near = [
      { x: 500, y: 500 },
      { x: 503, y: 501 },
    ] as const;
    const far = [
      { x: 0, y: 0 },
      { x: 900, y: 0 },
    ] as const;
    expect(() => layOver(near, far, longest)).toThrow('farther apart');
    expect(() => layOver(far, near, longest)).toThrow('farther apart');
  });
});
