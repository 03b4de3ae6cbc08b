import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { counted, said, type Said } from '../units/index.ts';

/** Degrees from the middle to one side; turns of a torsion pendulum likewise, and amplitude of a balance. */
export interface SwingRead {
  /** ms since 1970 */
  at: number;
  deg: number;
  /** Where a tooth drops, to one side; null where it was not looked at. */
  dropsDeg: number | null;
  /** It was let run down, and stopped at this. */
  stops: boolean;
}

/** How well a swing is read, degrees. House rule, practice. */
export const SWING_NOISE_DEG = { pendulum: 0.1, 'torsion pendulum': 5, balance: 6 } as const;
export type Swinging = keyof typeof SWING_NOISE_DEG;
/** The house's noise counts as so many readings. */
const PRIOR = 4;
const DAY = 86_400_000;
/** A stop tells nothing of a swing that was read longer ago. */
const KNOWN_DAYS = 1.5;
/** What a stop or a hand does to the swing begins another line. */
const BREAKS = new Set(['wound', 'stopped', 'opened', 'moved', 'adjusted']);
/** Swing in hand over the drop, as a share of it: less than this is none. Practice. */
const LEAST_OVER = 0.1;

export interface SwingLine {
  perDay: number;
  /** Half the 95 % interval of `perDay`. */
  halfWidth: number;
  /** Middle of the readings: ms, and the swing there. */
  middleAt: number;
  middleDeg: number;
  /** Half the 95 % interval of `middleDeg`. */
  middleHalf: number;
}

export interface SwingJudgement {
  /** Readings since it was last wound or touched. */
  segment: SwingRead[];
  line: SwingLine | null;
  /** Below it this clock stops, and how that is known. */
  limit: { deg: number; from: string } | null;
  /** When it is down there, ms since 1970; `latest` null where it may never be. */
  reaches: { soonest: number; likely: number; latest: number | null } | null;
  said: Said[];
}

export interface SwingRun {
  swings: Swinging;
  /** Hours of a full wind; null where nobody winds it. */
  windHours: number | null;
  /** A weight pulls alike to the end of its wind; a spring does not. */
  byWeight: boolean;
  events: readonly { kind: string; happenedAt: string }[];
  /** Read at earlier visits of the movement. */
  earlier: readonly SwingRead[];
}

/**
 * What the swing says over the run: whether it holds, when it falls to where this clock stops, and whether a stop was
 * for want of it. A swing that falls tells a failing spring days before it stops. @param reads of this visit
 */
export function judgeSwing(reads: readonly SwingRead[], run: SwingRun): SwingJudgement {
  const sorted = [...reads].sort((a, b) => a.at - b.at);
  const events = run.events.map((e) => ({ kind: e.kind, at: Date.parse(e.happenedAt) })).sort((a, b) => a.at - b.at);
  const breaks = events.filter((e) => BREAKS.has(e.kind)).map((e) => e.at);
  const within = (from: number, to: number) => sorted.filter((r) => !r.stops && r.at >= from && r.at < to);
  const since = breaks.at(-1) ?? -Infinity;
  const segment = within(since, Infinity);
  const noise = SWING_NOISE_DEG[run.swings];
  const line = swingLine(segment, noise);
  const stopped = events.flatMap(({ kind, at }) => {
    const before = within(breaks.findLast((b) => b < at) ?? -Infinity, at);
    return kind === 'stopped' ? swingAt(before, at, noise) : [];
  });
  const { limit, others } = limitOf([...run.earlier, ...sorted], stopped, noise);
  const wound = events.findLast((e) => e.kind === 'wound')?.at ?? null;
  const windEnds = wound !== null && run.windHours !== null ? wound + run.windHours * 3_600_000 : null;
  const reaches = limit && line && meets(line, limit.deg);
  return {
    segment,
    line,
    limit,
    reaches,
    said: [
      ...sayOver(sorted.at(-1), sorted.findLast((r) => r.dropsDeg !== null)?.dropsDeg ?? null),
      ...sayLine(segment, line),
      ...sayFall({ segment, line, limit, reaches, windEnds, byWeight: run.byWeight }),
      ...sayWindings(afterWinding(events, within), noise),
      ...others,
    ],
  };
}

/** Least squares with the house's noise beside the scatter, so that few readings are not too sure. */
function swingLine(segment: readonly SwingRead[], noise: number): SwingLine | null {
  const n = segment.length;
  if (n < 3) return null;
  const x = segment.map((r) => (r.at - segment[0]!.at) / DAY);
  const mx = x.reduce((a, b) => a + b, 0) / n;
  const middleDeg = segment.reduce((a, r) => a + r.deg, 0) / n;
  const sxx = x.reduce((a, b) => a + (b - mx) ** 2, 0);
  if (sxx === 0) return null;
  const perDay = segment.reduce((a, r, i) => a + (x[i]! - mx) * (r.deg - middleDeg), 0) / sxx;
  const ssr = segment.reduce((a, r, i) => a + (r.deg - middleDeg - perDay * (x[i]! - mx)) ** 2, 0);
  const degrees = PRIOR + n - 2;
  const s = Math.sqrt((PRIOR * noise ** 2 + ssr) / degrees);
  const t = tQuantile(0.975, degrees);
  return {
    perDay,
    halfWidth: (t * s) / Math.sqrt(sxx),
    middleAt: segment[0]!.at + mx * DAY,
    middleDeg,
    middleHalf: (t * s) / Math.sqrt(n),
  };
}

/** The swing at a moment after the last reading; none where that is too long ago. */
function swingAt(before: readonly SwingRead[], at: number, noise: number): number[] {
  const last = before.at(-1);
  if (!last) return [];
  const line = swingLine(before, noise);
  if (line && falls(line)) return [Math.max(0, line.middleDeg + (line.perDay * (at - line.middleAt)) / DAY)];
  return at - last.at <= KNOWN_DAYS * DAY ? [last.deg] : [];
}

const falls = (line: SwingLine): boolean => line.perDay + line.halfWidth < 0;

/**
 * Where this clock stops: where it was let run down, or stopped on the run, and never under its drops. A stop at a
 * swing that it has run with before is none of the swing’s.
 */
function limitOf(all: readonly SwingRead[], stopped: readonly number[], noise: number) {
  const runs = all.filter((r) => !r.stops).map((r) => r.deg);
  const lowest = Math.min(...runs);
  const [own, notForSwing] = [
    stopped.filter((deg) => deg <= lowest + noise),
    stopped.filter((deg) => deg > lowest + noise),
  ];
  const runDown = all.filter((r) => r.stops).map((r) => r.deg);
  const drops = all.findLast((r) => r.dropsDeg !== null)?.dropsDeg ?? null;
  const known: { deg: number; from: string }[] = [
    ...runDown.map((deg) => ({ deg, from: 'where it ran down' })),
    ...own.map((deg) => ({ deg, from: 'where it stopped' })),
    ...(drops === null ? [] : [{ deg: drops, from: 'where a tooth drops' }]),
  ];
  const limit = known.reduce<(typeof known)[number] | null>((most, k) => (most && most.deg >= k.deg ? most : k), null);
  const worst = notForSwing.at(-1);
  const others =
    worst === undefined
      ? []
      : [
          said(
            'Stop',
            null,
            `It stopped at about ${degrees(worst)}, and has run with ${degrees(lowest)}: ` +
              'not because it swings too little. Look where the hands, the strike or the dial work stood.',
          ),
        ];
  return { limit, others };
}

/** Where a falling line meets the limit. */
function meets(line: SwingLine, limitDeg: number): SwingJudgement['reaches'] {
  if (!falls(line)) return null;
  const at = (middle: number, perDay: number) => line.middleAt + (DAY * (limitDeg - middle)) / perDay;
  const slowest = line.perDay + line.halfWidth;
  return {
    soonest: at(line.middleDeg - line.middleHalf, line.perDay - line.halfWidth),
    likely: at(line.middleDeg, line.perDay),
    latest: slowest < 0 ? at(line.middleDeg + line.middleHalf, slowest) : null,
  };
}

const degrees = (deg: number): string => `${deg.toFixed(deg < 20 ? 1 : 0)}°`;

function sayOver(last: SwingRead | undefined, dropsDeg: number | null): Said[] {
  if (!last || dropsDeg === null || last.stops) return [];
  const over = last.deg - dropsDeg;
  const words = `Swings ${degrees(last.deg)}, drops at ${degrees(dropsDeg)}`;
  if (over <= 0) return [said('Overswing', false, `${words}: it cannot go on. One of the two was read wrong.`)];
  return over < LEAST_OVER * dropsDeg
    ? [said('Overswing', false, `${words}: almost nothing to spare. It stops at the next cold night.`)]
    : [said('Overswing', true, `${words}: ${degrees(over)} in hand.`)];
}

/** Enough of it, over long enough, to say how it goes. */
const isRead = (segment: readonly SwingRead[]): boolean => segment.at(-1)!.at - segment[0]!.at >= DAY;

function sayLine(segment: readonly SwingRead[], line: SwingLine | null): Said[] {
  if (segment.length === 0) return [];
  if (!line || !isRead(segment))
    return [said('Over the run', null, 'Read it three times, over a day or more, to see whether it holds.')];
  if (falls(line)) return [];
  return line.perDay - line.halfWidth > 0
    ? [said('Over the run', true, `Swing rises by ${degrees2(line.perDay)} a day: it runs in.`)]
    : [said('Over the run', true, `Swing holds, at ${degrees(line.middleDeg)}.`)];
}

interface Fall extends Pick<SwingJudgement, 'segment' | 'line' | 'limit' | 'reaches'> {
  windEnds: number | null;
  byWeight: boolean;
}

/** What a swing that falls comes to. */
function sayFall({ segment, line, limit, reaches, windEnds, byWeight }: Fall): Said[] {
  if (!line || !falls(line) || !isRead(segment)) return [];
  const say = (good: boolean | null, words: string) => [
    said('Over the run', good, `Swing falls by ${degrees2(-line.perDay)} a day${words}`),
  ];
  if (byWeight)
    return say(false, ', and a weight pulls alike to its end: oil, something that rubs, or a weight beside the bob.');
  if (!limit || !reaches) return say(null, '. Say where a tooth drops, to know how long that lasts.');
  if (windEnds !== null && reaches.likely > windEnds)
    return reaches.soonest < windEnds
      ? say(null, ': it may stop before its wind is out. Read it again tomorrow.')
      : say(true, ', as a spring does: its wind is out before that matters.');
  const inDays = (reaches.likely - segment.at(-1)!.at) / DAY;
  const soon = inDays < 1 ? 'less than a day' : counted(Math.round(inDays), 'day');
  const early = windEnds === null ? '' : ', before its wind is out';
  return say(false, `: at ${degrees(limit.deg)}, ${limit.from}, in ${soon}${early}.`);
}

const degrees2 = (deg: number): string => `${deg.toFixed(deg < 2 ? 2 : 0)}°`;

/** The first swing that was read within a day of each winding. */
function afterWinding(
  events: readonly { kind: string; at: number }[],
  within: (from: number, to: number) => SwingRead[],
): number[] {
  return events.flatMap((e) => (e.kind === 'wound' ? within(e.at, e.at + DAY).slice(0, 1) : [])).map((r) => r.deg);
}

/** Fully wound it swung more the last time: that is not the spring running down. */
function sayWindings(windings: readonly number[], noise: number): Said[] {
  const [before, now] = [windings.at(-2), windings.at(-1)];
  if (before === undefined || now === undefined || before - now <= 3 * noise) return [];
  return [
    said(
      'From wind to wind',
      false,
      `${degrees(now)} after this winding, ${degrees(before)} after the one before: friction grows. ` +
        'Oil, pivots, end shake.',
    ),
  ];
}
