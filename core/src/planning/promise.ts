import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { ensure } from '../units/index.ts';

/** A wait that no bench hour shortens: the owner's answer, parts, drying, soaks. Days: shortest, likeliest, longest. */
export interface Wait {
  what: string;
  shortDays: number;
  likelyDays: number;
  longDays: number;
}

export interface Job {
  /** Bench hours: at best, likeliest, at worst. */
  hoursBest: number;
  hoursLikely: number;
  hoursWorst: number;
  hoursPerWeek: number;
  /** Hours of other clocks that come first. */
  hoursAhead: number;
  waits: readonly Wait[];
  /** Chance that it comes apart again (how often this family did), and the hours of such a pass. */
  chanceOfPass: number;
  passHours: number;
  testDays: number;
}

export interface PromiseDays {
  half: number;
  nineInTen: number;
  mean: number;
  /** Chance of being done within the days that were asked about; null when none were. */
  chance: number | null;
  /** Share of the middle outcome that is bench work, waiting and test run. */
  shares: { bench: number; waiting: number; test: number };
}

/** A pass can follow a pass, but nobody plans for more than this. */
const MOST_PASSES = 5;

/**
 * Calendar days until a job is done, by simulation. Hours and waits are drawn from triangles (short, likely, long); a
 * pass costs its hours and a test run again. The same seed gives the same answer. Source: simulation with triangular
 * judgements, any text on project planning.
 * @param trials 100 to 100,000; @param byDays a date to judge, as days from now
 */
export function promiseDays(job: Job, seed: number, trials = 10_000, byDays?: number): PromiseDays {
  check(job);
  ensure(Number.isInteger(trials) && trials >= 100 && trials <= 100_000, 'trials', 'Between 100 and 100,000.');
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformFloat64(generator);
  const daysPerHour = 7 / job.hoursPerWeek;
  const all = new Float64Array(trials);
  let bench = 0,
    waiting = 0,
    test = 0;
  for (let i = 0; i < trials; i++) {
    let hours = job.hoursAhead + triangle(job.hoursBest, job.hoursLikely, job.hoursWorst, uniform());
    let testDays = job.testDays;
    for (let pass = 0; pass < MOST_PASSES && uniform() < job.chanceOfPass; pass++) {
      hours += job.passHours;
      testDays += job.testDays;
    }
    let waits = 0;
    for (const w of job.waits) waits += triangle(w.shortDays, w.likelyDays, w.longDays, uniform());
    const days = hours * daysPerHour;
    bench += days;
    waiting += waits;
    test += testDays;
    all[i] = days + waits + testDays;
  }
  all.sort();
  const total = bench + waiting + test || 1;
  return {
    half: quantile(all, 0.5),
    nineInTen: quantile(all, 0.9),
    mean: total / trials,
    chance: byDays === undefined ? null : all.filter((d) => d <= byDays).length / trials,
    shares: { bench: bench / total, waiting: waiting / total, test: test / total },
  };
}

function check(j: Job): void {
  ensure(j.hoursPerWeek > 0 && j.hoursPerWeek <= 168, 'hoursPerWeek', 'Between 0 and 168 hours a week.');
  ensure(
    j.hoursBest >= 0 && j.hoursLikely >= j.hoursBest && j.hoursWorst >= j.hoursLikely,
    'hoursLikely',
    'The likeliest hours lie between the best and the worst.',
  );
  ensure(j.chanceOfPass >= 0 && j.chanceOfPass < 1, 'chanceOfPass', 'A chance between 0 and under 100 %.');
  ensure(j.testDays >= 0 && j.hoursAhead >= 0 && j.passHours >= 0, 'testDays', '0 or more.');
  for (const w of j.waits)
    ensure(
      w.shortDays >= 0 && w.likelyDays >= w.shortDays && w.longDays >= w.likelyDays,
      'waits',
      `${w.what || 'A wait'}: the likeliest days lie between the shortest and the longest.`,
    );
}

/** Inverse of the triangular distribution. Published: any text on simulation. */
function triangle(low: number, likely: number, high: number, u: number): number {
  if (high <= low) return low;
  const bend = (likely - low) / (high - low);
  return u < bend
    ? low + Math.sqrt(u * (high - low) * (likely - low))
    : high - Math.sqrt((1 - u) * (high - low) * (high - likely));
}

function quantile(sorted: Float64Array, p: number): number {
  const at = p * (sorted.length - 1);
  const low = Math.floor(at);
  return sorted[low]! + (at - low) * ((sorted[low + 1] ?? sorted[low]!) - sorted[low]!);
}
