import type { Picture } from '../photo/index.ts';
import { normal, seeded, type Chance } from './chance.ts';

/** A toothed wheel as a camera sees it. Angles in radians, lengths in pixels, light from 0 to 1. */
export interface WheelScene {
  teeth: number;
  /** Pixels from tooth to tooth along the rim. */
  pitchPx: number;
  tilt: number;
  /** Direction about which it is tilted. */
  tiltTo: number;
  /** Of the first tooth. */
  turned: number;
  /** Distance of the camera in radii of the wheel: near ones draw the far side smaller. */
  cameraRadii: number;
  spokes: number;
  wheel: number;
  ground: number;
  /** How much lighter the ground is at one edge than at the other. */
  shade: number;
  noise: number;
  /** Broken off, by number from the first. */
  missing: readonly number[];
  /** Where the light is thrown back, and over how much of the rim (0 to 1). */
  glareAt: number;
  glare: number;
}

/** The picture, with where a person would press: the middle and a place on the rim. */
export interface WheelShot {
  picture: Picture;
  middle: { x: number; y: number };
  rim: { x: number; y: number };
}

const HUB = 0.22;
const HOLE = 0.08;

/** How far out the wheel reaches at an angle of its own, in radii of its pitch circle. */
function outline(scene: WheelScene, angle: number): number {
  const module = 2 / scene.teeth;
  const pitch = (2 * Math.PI) / scene.teeth;
  const place = (((angle - scene.turned) / pitch) % scene.teeth) + scene.teeth;
  const tooth = Math.round(place) % scene.teeth;
  const off = Math.abs(place - Math.round(place));
  if (scene.missing.includes(tooth)) return 1 - 1.4 * module;
  // A flank that leans a little, and a rounded tip: cycloidal clock teeth, about as wide as their gaps.
  const share = Math.min(1, Math.max(0, (0.3 - off) / 0.1));
  const round = 1 - 0.35 * (off / 0.25) ** 2;
  return 1 + module * (share * (1.3 * round + 1.4) - 1.4);
}

/** Whether a point of the wheel's own plane is brass. */
function isBrass(scene: WheelScene, x: number, y: number): boolean {
  const r = Math.hypot(x, y);
  if (r < HOLE) return false;
  const angle = Math.atan2(y, x);
  if (r > outline(scene, angle)) return false;
  const inner = 1 - 1.4 * (2 / scene.teeth) - 0.1;
  if (r > inner || r < HUB) return true;
  const spoke = Math.abs((((angle * scene.spokes) / (2 * Math.PI)) % 1) + 1.5) % 1;
  return (Math.abs(spoke - 0.5) * 2 * Math.PI * r) / scene.spokes < 0.07;
}

/** Where a pixel lies on the plane of the wheel, in radii. */
function onPlane(scene: WheelScene, dx: number, dy: number): [number, number] {
  const [c, s] = [Math.cos(scene.tiltTo), Math.sin(scene.tiltTo)];
  const [u, v] = [c * dx + s * dy, -s * dx + c * dy];
  // The plane is turned about u by the tilt; a pinhole at `cameraRadii` before its middle.
  const d = scene.cameraRadii;
  const y = (v * d) / (d * Math.cos(scene.tilt) - v * Math.sin(scene.tilt));
  const x = u * (1 + (y * Math.sin(scene.tilt)) / d);
  return [c * x - s * y, s * x + c * y];
}

/** Draws it, four samples a pixel. */
export function drawWheel(scene: WheelScene, chance: Chance): WheelShot {
  const gauss = normal(chance);
  const radius = (scene.teeth * scene.pitchPx) / (2 * Math.PI);
  const size = Math.ceil(2 * radius * 1.55 + 24);
  const light = new Float32Array(size * size);
  const middle = { x: size / 2 + 4 * (chance() - 0.5), y: size / 2 + 4 * (chance() - 0.5) };
  const shadeTo = 2 * Math.PI * chance();
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      const across = (Math.cos(shadeTo) * (x - middle.x) + Math.sin(shadeTo) * (y - middle.y)) / size;
      const ground = scene.ground + scene.shade * across;
      let sum = 0;
      for (const [sx, sy] of [
        [0.25, 0.25],
        [0.75, 0.25],
        [0.25, 0.75],
        [0.75, 0.75],
      ] as const) {
        const [px, py] = onPlane(scene, (x + sx - middle.x) / radius, (y + sy - middle.y) / radius);
        sum += isBrass(scene, px, py) ? scene.wheel + 0.5 * scene.shade * across : ground;
      }
      const angle = Math.atan2(y - middle.y, x - middle.x);
      const away = Math.abs(Math.atan2(Math.sin(angle - scene.glareAt), Math.cos(angle - scene.glareAt)));
      const glare = scene.glare > 0 && away < Math.PI * scene.glare ? 1 : 0;
      const lit = sum / 4 + glare * 0.9;
      light[y * size + x] = Math.min(1, Math.max(0, lit)) + scene.noise * gauss();
    }
  const press = 2 * Math.PI * chance();
  const at = (angle: number, r: number) => {
    // The rim as it is seen: found by walking out until the plane says so.
    let [near, far] = [0, 2];
    for (let i = 0; i < 30; i++) {
      const mid = (near + far) / 2;
      const [px, py] = onPlane(scene, mid * Math.cos(angle), mid * Math.sin(angle));
      if (Math.hypot(px, py) < r) near = mid;
      else far = mid;
    }
    return { x: middle.x + near * radius * Math.cos(angle), y: middle.y + near * radius * Math.sin(angle) };
  };
  const amiss = (r: number) => (chance() - 0.5) * 2 * r;
  const rim = at(press, 1);
  const slip = 0.03 * radius + 1;
  return {
    picture: { width: size, height: size, light },
    middle: { x: middle.x + amiss(slip), y: middle.y + amiss(slip) },
    rim: { x: rim.x + amiss(slip), y: rim.y + amiss(slip) },
  };
}

/** Any wheel that a bench may bring: of a fixed seed, so that it is always the same. */
export function anyWheel(seed: number): { scene: WheelScene; shot: WheelShot } {
  const chance = seeded(seed);
  const between = (a: number, b: number) => a + (b - a) * chance();
  const teeth = Math.round(between(12, 160));
  const most = Math.max(8, Math.min(24, (2 * Math.PI * 230) / teeth));
  const dark = chance() < 0.5;
  const scene: WheelScene = {
    teeth,
    pitchPx: between(6, most),
    tilt: between(0, Math.PI / 6),
    tiltTo: between(0, 2 * Math.PI),
    turned: between(0, 2 * Math.PI),
    cameraRadii: between(6, 20),
    spokes: Math.round(between(3, 6)),
    wheel: between(0.55, 0.7),
    ground: dark ? between(0.12, 0.3) : between(0.85, 0.95),
    shade: between(0, 0.25),
    noise: between(0.01, 0.06),
    missing: Array.from({ length: Math.floor(between(0, 4)) }, () => Math.floor(between(0, teeth))),
    glareAt: between(0, 2 * Math.PI),
    glare: chance() < 0.5 ? 0 : between(0, 0.2),
  };
  return { scene, shot: drawWheel(scene, chance) };
}
