import { counted } from '../units/index.ts';
import type { Lock } from './find/found.ts';
import { Account } from './report/account.ts';
import { saidBy, timerFor, trackCoarse } from './hear.ts';
import { lockOn, LOCK_S } from './find/lock.ts';
import { soundReport, type Known, type SoundReport } from './report/report.ts';
import { SoundRing } from './signal/ring.ts';
import { Frames } from './signal/frames.ts';
import type { BeatTimer, TimedBeat } from './follow/timer.ts';
import { Tracker, type Met } from './follow/tracker.ts';

/** Samples are kept this long. A beat older than that cannot be timed again. */
const SOUND_S = 20;
/**
 * When to search for the beat, seconds: first after FIRST_S of sound, then every AGAIN_S until it is found. Once found,
 * it is checked every ANEW_S.
 */
const FIRST_S = 3,
  AGAIN_S = 1.5,
  ANEW_S = 20;
/** After this many beats and this many seconds without a sound the beat is lost, and the search begins again. */
const LOST_BEATS = 4,
  LOST_S = 5,
  LEAVE_OUT_S = 0.2;
/** The two arcs on screen show the last few beats only, so that a hand on the crutch sees its effect at once. */
const JUST_NOW = 9;
const LIVE_S = 60,
  HISTORY_S = 10,
  HISTORY_MOST = 180,
  HOUR_S = 3600;
/** Two spacings that differ by more than this share are different beats. A change of beat must be found twice. */
const OTHER_BEAT = 0.02;
const LOG_MOST = 2000;
/** A gap in the sound shorter than this counts as silence. */
const GAP_S = 1;

/** An hour, or what there was of it. Seconds count from the beginning of the listening. */
export interface LoggedHour {
  fromS: number;
  toS: number;
  report: SoundReport | null;
}
export interface LoggedEvent {
  atS: number;
  kind: 'found' | 'stopped' | 'missed' | 'not listened';
  says: string;
}
export interface Moment {
  atS: number;
  rate: number;
  rateError: number;
  /** Odd half: above nought the way from tick to tock is the longer. */ oddMs: number | null;
  amplitude: number | null;
}

/** Tick to tock and tock to tick at this moment, ms. */
export interface Sides {
  tickToTockMs: number;
  tockToTickMs: number;
}

export interface Live {
  state: 'listening' | 'heard' | 'lost';
  /** Seconds of sound so far, and its loudness, dB below full scale. */
  seconds: number;
  levelDb: number;
  beats: number;
  /** When the last beat fell. */
  lastS: number | null;
  sides: Sides | null;
  /** The sides are rough: the sounds are still being learnt. */
  rough: boolean;
}

interface Followed {
  lock: Lock;
  tracker: Tracker;
  timer: BeatTimer;
  account: Account;
  waiting: Met[];
  partFrom: number;
}

/**
 * Listens for as long as sound comes: finds the beat, follows it, finds it again when it was lost. What it keeps is
 * seconds of sound and an hour of beats; of everything before there is a line an hour.
 */
export class Listener {
  readonly history: Moment[] = [];
  readonly hours: LoggedHour[] = [];
  readonly events: LoggedEvent[] = [];
  private frames: Frames;
  private ring: SoundRing;
  /** Samples before the present stretch of sound without gaps. */
  private origin = 0;
  private count = 0;
  private followed: Followed | null = null;
  private wasHeard = false;
  private lookAt = FIRST_S;
  /** The search begins at this frame: what lies before was heard already. */
  private lookFrom = 0;
  private other: number | null = null;
  private historyAt = HISTORY_S;
  private power = 0;
  private total = 0;

  constructor(
    readonly sampleRate: number,
    private known: Known = {},
  ) {
    this.frames = new Frames(sampleRate, LOCK_S + 8);
    this.ring = new SoundRing(Math.ceil(SOUND_S * sampleRate));
  }

  /**
   * Known anew: what is followed goes on, what it is held against changes. Another number of beats is looked for from
   * now on.
   */
  know(known: Known): void {
    const before = this.known.beats;
    this.known = known;
    if (known.beats !== before || (known.liftDeg !== undefined) !== (this.followed?.timer.hasLever ?? false))
      this.leave();
  }

  get seconds(): number {
    return (this.origin + this.count) / this.sampleRate;
  }
  private get hereS(): number {
    return this.count / this.sampleRate;
  }
  private get originS(): number {
    return this.origin / this.sampleRate;
  }

  push(samples: Float32Array): void {
    this.frames.push(samples);
    this.ring.push(samples);
    this.count += samples.length;
    let power = 0;
    for (const s of samples) power += s * s;
    this.power +=
      Math.min(1, samples.length / (0.3 * this.sampleRate)) * (power / Math.max(1, samples.length) - this.power);
    if (this.followed) this.follow(this.followed);
    if (this.hereS >= this.lookAt) this.look();
  }

  /** Sound that was lost: the tab slept, or the microphone was away. */
  skip(samples: number): void {
    if (samples < GAP_S * this.sampleRate) {
      for (let left = samples; left > 0; left -= 4096) this.push(new Float32Array(Math.min(4096, left)));
      return;
    }
    this.event('not listened', this.seconds, `for ${(samples / this.sampleRate).toFixed(0)} s: no sound came`);
    this.leave();
    this.origin += this.count + samples;
    this.count = 0;
    this.frames = new Frames(this.sampleRate, LOCK_S + 8);
    this.ring = new SoundRing(Math.ceil(SOUND_S * this.sampleRate));
    this.lookAt = FIRST_S;
    this.lookFrom = 0;
    this.historyAt = HISTORY_S;
  }

  private state(): Live['state'] {
    if (this.followed) return this.followed.account.silent >= LOST_BEATS ? 'lost' : 'heard';
    return this.wasHeard ? 'lost' : 'listening';
  }

  /** As it is at this moment. */
  live(): Live {
    const f = this.followed;
    const last = f?.timer.timed.at(-1);
    const beatS = f ? f.tracker.beatFrames * this.frames.frameS : 0;
    return {
      state: this.state(),
      seconds: this.seconds,
      levelDb: 10 * Math.log10(this.power + 1e-12),
      beats: this.total,
      lastS: last ? this.originS + last.rawS : null,
      ...(f ? this.sides(f, beatS) : { sides: null, rough: true }),
    };
  }

  /** What the last minute says; null while nothing is heard. */
  report(lastS = LIVE_S): SoundReport | null {
    return this.followed ? this.reportOf(this.followed, this.hereS - lastS) : null;
  }

  /**
   * The hour that is going on, as far as it has come; null while nothing is heard. Costs more, the longer it is: once a
   * minute is enough.
   */
  part(): LoggedHour | null {
    const f = this.followed;
    return f && f.timer.timed.length >= 4
      ? { fromS: this.originS + f.partFrom, toS: this.seconds, report: this.reportOf(f, f.partFrom) }
      : null;
  }

  private reportOf(f: Followed, fromS: number): SoundReport | null {
    const timed = f.timer.timed.filter((t) => t.rawS >= fromS);
    if (timed.length < 4) return null;
    return soundReport(
      { ...saidBy(f.lock, f.timer), timed, counts: f.account.since(fromS / this.frames.frameS), stoppedS: null },
      this.known,
    );
  }

  private sides(f: Followed, beatS: number): { sides: Sides | null; rough: boolean } {
    if (f.lock.heard === 'one') return { sides: null, rough: true };
    const shift = f.timer.shiftS();
    const odd = shift === null ? null : oddNow(f.timer.timed, shift, beatS);
    const roughly = (f.lock.tockAt - f.lock.tickAt) * this.frames.frameS;
    const longer = odd !== null ? odd * (f.timer.tockLouder() ? -1 : 1) : ((roughly + 2 * beatS) % (2 * beatS)) - beatS;
    return {
      sides: { tickToTockMs: 1000 * (beatS + longer), tockToTickMs: 1000 * (beatS - longer) },
      rough: odd === null,
    };
  }

  private look(): void {
    const { frames, followed: f } = this;
    this.lookAt = this.hereS + (f ? ANEW_S : AGAIN_S);
    const found = lockOn(frames, Math.max(frames.start, this.lookFrom), frames.end, this.known.beats);
    if (!f) {
      if (found) this.begin(found);
      return;
    }
    if (!found) return;
    if (
      Math.abs(found.beatFrames / f.tracker.beatFrames - 1) < OTHER_BEAT &&
      (found.heard === f.lock.heard || f.timer.timed.length > 0)
    ) {
      this.other = null;
      f.lock = {
        ...f.lock,
        others: found.others,
        strength: found.strength,
        covered: found.covered,
        ambiguous: f.lock.ambiguous && found.ambiguous,
      };
      return;
    }
    const again = this.other !== null && Math.abs(found.beatFrames / this.other - 1) < OTHER_BEAT;
    this.other = found.beatFrames;
    if (again || f.account.silent > 0) {
      this.leave();
      this.begin(found);
    }
  }

  private begin(lock: Lock): void {
    const { frames } = this;
    const timer = timerFor(frames, lock, trackCoarse(frames, lock), this.sampleRate, this.ring.give, this.known);
    this.followed = {
      lock,
      tracker: new Tracker(frames, lock),
      timer,
      account: new Account(frames, lock),
      waiting: [],
      partFrom: this.hereS,
    };
    this.other = null;
    if (!this.wasHeard || this.events.at(-1)?.kind !== 'found')
      this.event('found', this.seconds, `about ${Math.round(3600 / (lock.beatFrames * frames.frameS))} beats an hour`);
    this.wasHeard = true;
    this.lookAt = this.hereS + ANEW_S;
    this.follow(this.followed);
  }

  private follow(f: Followed): void {
    const { frames } = this;
    const frame = frames.frameS * this.sampleRate;
    const fine = (index: number, expected: number) => {
      const late = f.timer.take(index, expected * frame);
      return late === null ? null : late / frame;
    };
    while (f.tracker.needs < frames.end && f.tracker.upcoming * frame + f.timer.needs < this.count)
      f.waiting.push(f.tracker.step(fine));
    this.settle(f);
    const beatS = f.tracker.beatFrames * frames.frameS;
    if (f.account.silent >= LOST_BEATS && f.account.silent * beatS >= LOST_S) {
      const last = f.timer.timed.at(-1)?.rawS ?? f.account.silentFrom * frames.frameS;
      this.event('stopped', this.originS + last, `after ${this.total} beats`);
      this.leave();
      this.lookFrom = Math.ceil(last / frames.frameS + LEAVE_OUT_S / frames.frameS);
      return;
    }
    if (this.hereS - f.partFrom >= HOUR_S) this.closePart(f);
    if (this.hereS >= this.historyAt) {
      this.historyAt = this.hereS + HISTORY_S;
      const r = this.report();
      if (r && r.seconds > (3 * HISTORY_S) / 2) {
        this.history.push({
          atS: this.seconds,
          rate: r.rateSecondsPerDay,
          rateError: r.rateStandardError,
          oddMs: r.beatErrorMs === null ? null : r.beatErrorMs * (r.shortSide === 'tick to tock' ? -1 : 1),
          amplitude: r.amplitudeDegrees,
        });
        if (this.history.length > HISTORY_MOST) this.history.shift();
      }
    }
  }

  /** Beats are counted once their kind is learnt. */
  private settle(f: Followed): void {
    if (f.timer.timed.length === 0) {
      if (f.waiting.length > 200) f.waiting.shift();
      return;
    }
    const known = new Set<number>();
    for (
      let i = f.timer.timed.length - 1, least = f.waiting[0]?.index ?? Infinity;
      i >= 0 && f.timer.timed[i]!.index >= least;
      i--
    )
      known.add(f.timer.timed[i]!.index);
    for (const met of f.waiting) {
      const heard = known.has(met.index);
      const silentBefore = f.account.silent;
      const missing = f.account.missing;
      f.account.take(met, heard);
      if (heard) this.total++;
      if (f.account.missing > missing)
        this.event(
          'missed',
          this.originS + f.account.silentFrom * this.frames.frameS,
          `${counted(silentBefore, 'beat was', 'beats were')} not heard`,
        );
    }
    f.waiting = [];
  }

  private closePart(f: Followed): void {
    const report = this.reportOf(f, f.partFrom);
    this.hours.push({ fromS: this.originS + f.partFrom, toS: this.seconds, report });
    if (this.hours.length > LOG_MOST) this.hours.shift();
    f.partFrom = this.hereS;
    f.account.dropBefore((this.hereS - LIVE_S) / this.frames.frameS);
    f.timer.dropBefore(
      (f.timer.timed.at(-1)?.index ?? 0) - Math.ceil(LIVE_S / (f.tracker.beatFrames * this.frames.frameS)),
    );
  }

  private leave(): void {
    if (!this.followed) return;
    if (this.followed.timer.timed.length >= 4) this.closePart(this.followed);
    this.followed = null;
    this.other = null;
    this.lookAt = this.hereS + AGAIN_S;
  }

  private event(kind: LoggedEvent['kind'], atS: number, says: string): void {
    this.events.push({ kind, atS, says });
    if (this.events.length > LOG_MOST) this.events.shift();
  }
}

/** By how much odd beats lie later than the middle between their neighbours just now, seconds. */
function oddNow(timed: readonly TimedBeat[], shift: number, beatS: number): number | null {
  const at = (b: TimedBeat) => b.rawS + (b.index & 1 ? shift : 0);
  const odd: number[] = [];
  for (let i = timed.length - 2; i > 0 && odd.length < JUST_NOW; i--) {
    const [a, b, c] = [timed[i - 1]!, timed[i]!, timed[i + 1]!];
    if (a.index !== b.index - 1 || c.index !== b.index + 1) continue;
    odd.push((b.index & 1 ? 1 : -1) * (at(b) - (at(a) + at(c)) / 2));
  }
  if (odd.length < 3) return null;
  const middle = odd.sort((a, b) => a - b)[odd.length >> 1]!;
  return Math.abs(middle) < beatS ? middle : null;
}
