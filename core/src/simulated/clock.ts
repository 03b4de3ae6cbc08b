import { unlockToDropMs } from '../sound/index.ts';
import { normal, type Chance } from './chance.ts';
import { Striker } from './hits.ts';
import { Room, type RoomId } from './room.ts';
import { bellModes, loudness, tickModes, type Escaping } from './timbre.ts';

/** A clock that is heard in a room. All of it adjustable, so that it can stand in for a real one. */
export interface ClockSpec {
  sampleRate: number;
  escaping: Escaping;
  /** Beats an hour that it should make. */
  beats: number;
  /** Seconds a day that it gains. */
  rate: number;
  /** Half the difference of its two beats, ms; positive: tick to tock is the longer. */
  beatErrorMs: number;
  /** Of a lever. */
  amplitudeDeg: number;
  liftDeg: number;
  /** Independent scatter of each beat, and the step of a random walk from beat to beat, ms. */
  scatterMs: number;
  wanderMs: number;
  /** Teeth of the escape wheel and how far off each stands, ms: the same at every turn. */
  teeth: number;
  toothMs: number;
  /** How much quieter the tock is, dB. */
  tockDb: number;
  /** Loudness of the tick over its first 10 ms against the noise of the whole band, dB. */
  snrDb: number;
  room: RoomId;
}

export const AS_HEARD: ClockSpec = {
  sampleRate: 44_100,
  escaping: 'pendulum',
  beats: 7200,
  rate: 0,
  beatErrorMs: 0,
  amplitudeDeg: 270,
  liftDeg: 52,
  scatterMs: 0.1,
  wanderMs: 0,
  teeth: 30,
  toothMs: 0,
  tockDb: 1.5,
  snrDb: 20,
  room: 'bench',
};

/** Beside the clock: what carries a listener away. Times in seconds. */
export interface Disturbance {
  blows?: readonly { atS: number; hz: number; db: number }[];
  /** Somebody talks. */
  talk?: readonly { fromS: number; toS: number; db: number }[];
  other?: { spec: ClockSpec; db: number };
  /** Beats that are not heard, by number. */
  missing?: readonly number[];
}

const SOUND_OVER_S = 0.01,
  TICK_RMS = 0.05;

/** Sound of a clock, piece after piece, and the truth about it. */
export class SimulatedClock {
  /** When each beat so far really fell, seconds, at the middle of its escaping. */
  readonly beatsAtS: number[] = [];
  private readonly striker: Striker;
  private readonly room: Room | null;
  private readonly gauss: () => number;
  private readonly noiseRms: number;
  private readonly voices: readonly { modes: ReturnType<typeof tickModes>; gain: number }[];
  private readonly off: number[];
  private walk = 0;
  private next = 0;
  private at = 0;
  private readonly other: SimulatedClock | null;
  private readonly talk: Talk[];

  constructor(
    readonly spec: ClockSpec,
    chance: Chance,
    private readonly beside: Disturbance = {},
  ) {
    const { sampleRate, escaping, room, snrDb, tockDb } = spec;
    this.striker = new Striker(sampleRate);
    this.gauss = normal(chance);
    this.voices = [0, -tockDb].map((db) => {
      const modes = tickModes(escaping, chance);
      return { modes, gain: (TICK_RMS / loudness(modes, SOUND_OVER_S)) * 10 ** (db / 20) };
    });
    this.noiseRms = TICK_RMS / 10 ** (snrDb / 20);
    this.room = room === 'none' ? null : new Room(room, sampleRate, chance);
    this.off = Array.from({ length: 2 * spec.teeth }, () => spec.toothMs * this.gauss());
    for (const b of beside.blows ?? [])
      this.striker.strike({ atS: b.atS, modes: bellModes(b.hz), gain: TICK_RMS * 2 * 10 ** (b.db / 20) });
    this.other = beside.other
      ? new SimulatedClock({ ...beside.other.spec, sampleRate, snrDb: 200, room: 'none' }, chance)
      : null;
    this.talk = (beside.talk ?? []).map((t) => new Talk(t, sampleRate, chance, this.gauss));
    this.first = (0.2 + 0.6 * chance()) * Math.min(1, 3600 / spec.beats);
  }
  private readonly first: number;

  private get periodS(): number {
    return 3600 / this.spec.beats / (1 + this.spec.rate / 86_400);
  }

  private beat(): void {
    const { spec, gauss } = this;
    const k = this.next++;
    const tock = k % 2;
    this.walk += spec.wanderMs * gauss();
    const atS =
      this.first +
      k * this.periodS +
      (tock * spec.beatErrorMs + this.walk + spec.scatterMs * gauss() + this.off[k % this.off.length]!) / 1000;
    this.beatsAtS.push(atS);
    if (this.beside.missing?.includes(k)) return;
    const voice = this.voices[tock]!;
    const gain = voice.gain * (1 + 0.08 * gauss());
    if (spec.escaping === 'pendulum') return this.striker.strike({ atS, modes: voice.modes, gain });
    const apart = unlockToDropMs(spec.beats, spec.liftDeg, spec.amplitudeDeg) / 1000;
    this.striker.strike({ atS: atS - apart / 2, modes: voice.modes, gain: 0.45 * gain });
    this.striker.strike({ atS: atS - apart * (0.12 + 0.02 * gauss()), modes: voice.modes, gain: 0.35 * gain });
    this.striker.strike({ atS: atS + apart / 2, modes: voice.modes, gain });
  }

  /** The next so many samples. */
  give(count: number): Float32Array {
    const out = new Float32Array(count);
    const untilS = (this.at + count) / this.spec.sampleRate;
    // A beat begins to sound before its middle, and scatters.
    while (this.first + (this.next - 1) * this.periodS < untilS + 0.2 + this.periodS) this.beat();
    this.striker.into(out);
    if (this.other) {
      const gain = 10 ** ((this.beside.other?.db ?? 0) / 20);
      const heard = this.other.give(count);
      for (let i = 0; i < count; i++) out[i] = out[i]! + gain * heard[i]!;
    }
    for (const t of this.talk) t.into(out, this.at);
    this.room?.through(out);
    if (this.spec.snrDb < 150) for (let i = 0; i < count; i++) out[i] = out[i]! + this.noiseRms * this.gauss();
    this.at += count;
    return out;
  }
}

/** Something like a voice: syllables of a buzzing throat and of hissing, with pauses. */
class Talk {
  private until = 0;
  private hz = 120;
  private kind: 'throat' | 'hiss' | 'pause' = 'pause';
  private phase = 0;
  private last = 0;
  constructor(
    private readonly t: { fromS: number; toS: number; db: number },
    private readonly sampleRate: number,
    private readonly chance: Chance,
    private readonly gauss: () => number,
  ) {}

  into(out: Float32Array, at: number): void {
    const gain = TICK_RMS * 10 ** (this.t.db / 20);
    for (let i = 0; i < out.length; i++) {
      const now = at + i;
      if (now < this.t.fromS * this.sampleRate || now >= this.t.toS * this.sampleRate) continue;
      if (now >= this.until) {
        const r = this.chance();
        this.kind = noiseOf(r);
        this.until = now + this.sampleRate * (0.05 + 0.2 * this.chance());
        this.hz = 90 + 130 * this.chance();
      }
      if (this.kind === 'pause') continue;
      let y: number;
      if (this.kind === 'throat') {
        this.phase = (this.phase + this.hz / this.sampleRate) % 1;
        y = Math.exp(-this.phase * 6) * Math.sin(2 * Math.PI * this.phase * 9) * 1.6;
      } else {
        const white = this.gauss();
        y = 0.4 * (white - this.last);
        this.last = white;
      }
      out[i] = out[i]! + gain * y;
    }
  }
}

function noiseOf(r: number): 'throat' | 'hiss' | 'pause' {
  if (r < 0.55) return 'throat';
  if (r < 0.75) return 'hiss';
  return 'pause';
}
