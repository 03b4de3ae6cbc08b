import type { Lock } from './find/found.ts';
import { Account } from './report/account.ts';
import { unlockToDropMs } from './report/amplitude.ts';
import { LOCK_S, lockOn } from './find/lock.ts';
import { soundReport, type Known, type SoundReport } from './report/report.ts';
import { Frames } from './signal/frames.ts';
import { BeatTimer, type Band, type SoundSource } from './follow/timer.ts';
import { Tracker, type Met } from './follow/tracker.ts';

/** The level of a beat is compared with the level this long before it. */
const AROUND_S = 0.03;
/** An octave that rises less over its floor than this share of the best one carries only noise. */
const BAND_SHARE = 0.35;
const BLOCK_S = 1;
const COARSE_BEATS = 60;
/** After this many beats without a sound the clock has stopped. */
export const STOPPED_BEATS = 4;

/**
 * Hears a whole recording, any part of which can be read again: once through to find the beat, then only around its
 * beats to time them.
 */
export function hear(sampleRate: number, samples: number, source: SoundSource, known: Known = {}): SoundReport | null {
  const frames = new Frames(sampleRate, samples / sampleRate + 1);
  const block = Math.ceil(BLOCK_S * sampleRate);
  for (let at = 0; at < samples; at += block) {
    const piece = source(at, Math.min(block, samples - at));
    if (piece) frames.push(piece);
  }
  const lock = firstLock(frames, known.beats);
  if (!lock) return null;
  const frame = frames.frameS * sampleRate;
  const timer = timerFor(frames, lock, trackCoarse(frames, lock), sampleRate, source, known);
  const fine = (index: number, expected: number) => {
    const late = timer.take(index, expected * frame);
    return late === null ? null : late / frame;
  };
  const met = track(new Tracker(frames, lock), fine, frames.end);
  // Backwards, beat by beat, from the stretch in which the beat was found.
  const back = new Tracker(frames, lock, -1);
  const before = trackBack(back, fine, timer.needs / frame);
  timer.learn();
  const account = new Account(frames, lock);
  const heard = new Set(timer.timed.map((t) => t.index));
  // At the very end the sound is cut off: that is no stop.
  const edge = frames.end - timer.needs / frame - 2;
  for (const m of [...before, ...met]) if (m.expected < edge || heard.has(m.index)) account.take(m, heard.has(m.index));
  return soundReport(
    {
      ...saidBy(lock, timer),
      timed: timer.timed,
      counts: account.since(-Infinity),
      stoppedS: account.silent >= STOPPED_BEATS ? (timer.timed.at(-1)?.rawS ?? null) : null,
    },
    known,
  );
}

/** What the templates say of tick and tock, once they are learnt. */
export const saidBy = (lock: Lock, timer: BeatTimer) => ({
  lock: timer.differ() ? { ...lock, ambiguous: false } : lock,
  shiftS: timer.shiftS(),
  tickIsOdd: timer.tockLouder(),
});

/** The first stretch in which a beat is found. */
function firstLock(frames: Frames, beats: number | undefined): Lock | null {
  const whole = Math.round(LOCK_S / frames.frameS);
  for (let from = 0; from === 0 || from + whole / 2 < frames.end; from += whole / 2) {
    const lock = lockOn(frames, from, Math.min(frames.end, from + whole), beats);
    if (lock) return lock;
  }
  return null;
}

type Fine = (index: number, expected: number) => number | null;

function track(tracker: Tracker, fine: Fine | undefined, end: number): Met[] {
  const met: Met[] = [];
  while (tracker.needs < end) met.push(tracker.step(fine));
  return met;
}

/** Enough of it to tell in which octaves the beats stand out. */
export function trackCoarse(frames: Frames, lock: Lock): Met[] {
  const tracker = new Tracker(frames, lock);
  return track(
    tracker,
    undefined,
    Math.min(frames.end, Math.max(lock.tickAt, lock.tockAt) + COARSE_BEATS * lock.beatFrames),
  );
}

function trackBack(tracker: Tracker, fine: Fine, edge: number): Met[] {
  const met: Met[] = [];
  while (tracker.upcoming - edge > 0) met.push(tracker.step(fine));
  return met.reverse();
}

/**
 * The timer of the beats that were met, with the window in which a lever’s drop may lie where its lift angle is known.
 */
export function timerFor(
  frames: Frames,
  lock: Lock,
  met: readonly Met[],
  sampleRate: number,
  source: SoundSource,
  known: Known,
): BeatTimer {
  const beatS = lock.beatFrames * frames.frameS;
  const beats = 3600 / beatS;
  const lever =
    known.liftDeg !== undefined && beats >= 13_900 && beats <= 40_000
      ? {
          leastMs: unlockToDropMs(Math.max(14_000, beats), known.liftDeg, 345),
          mostMs: unlockToDropMs(Math.max(14_000, beats), known.liftDeg, 125),
        }
      : null;
  return new BeatTimer(sampleRate, beatS, bandOf(frames, met, sampleRate), source, lever);
}

/** The octaves in which the beats stand out. */
function bandOf(frames: Frames, met: readonly Met[], sampleRate: number): Band {
  const heard = met.filter((m) => m.at !== null).slice(0, 120);
  const before = Math.round(AROUND_S / frames.frameS / 2);
  const over = Array.from({ length: frames.octaves }, (_, b) => {
    const rises = heard
      .map((m) => {
        let most = 0,
          floor = Infinity;
        for (let j = 0; j < 4; j++) {
          most = Math.max(most, frames.energy(b, m.at! + j));
          floor = Math.min(floor, frames.energy(b, m.at! - before - j));
        }
        return Math.log((most + 1e-13) / (floor + 1e-13));
      })
      .sort((a, c) => a - c);
    return rises[rises.length >> 1] ?? 0;
  });
  const best = over.indexOf(Math.max(...over));
  let [high, low] = [best, best];
  while (high > 0 && over[high - 1]! > BAND_SHARE * over[best]!) high--;
  while (low < over.length - 1 && over[low + 1]! > BAND_SHARE * over[best]!) low++;
  return { fromHz: frames.bandFromHz(low), toHz: high === 0 ? sampleRate : 2 * frames.bandFromHz(high) };
}
