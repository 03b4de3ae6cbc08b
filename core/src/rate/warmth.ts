import { rateInWords } from './words.ts';

/** A room at home, °C: what a rate is reckoned to. Practice. */
const AT_HOME = 20;
/** Less than this of a day's rate is not worth a word, s/day. */
const LEAST = 5;

export interface Warmth {
  coldest: number;
  warmest: number;
  mean: number;
  /** Between its coldest and its warmest reading, s/day. */
  swings: number;
  /** What the rate would be at 20 °C, s/day; null without a rate. */
  atHome: number | null;
  says: string;
}

/**
 * What the room did to the rate on a run.
 * @param perDegree s/day for each degree warmer
 * @param celsius of the readings since it was last touched, °C; null where nobody looked
 * @param rate of those readings, s/day
 * @returns null where fewer than two were looked at, or warmth did next to nothing
 */
export function warmthOnRun(
  perDegree: number,
  celsius: readonly (number | null)[],
  rate: number | null,
): Warmth | null {
  const read = celsius.filter((c) => c !== null);
  if (read.length < 2) return null;
  const [coldest, warmest] = [Math.min(...read), Math.max(...read)];
  const mean = read.reduce((a, b) => a + b, 0) / read.length;
  const swings = Math.abs(perDegree * (warmest - coldest));
  const off = perDegree * (AT_HOME - mean);
  if (Math.max(swings, Math.abs(off)) < LEAST) return null;
  const atHome = rate === null ? null : rate + off;
  return { coldest, warmest, mean, swings, atHome, says: words({ coldest, warmest, swings, atHome, perDegree }) };
}

type Told = Pick<Warmth, 'coldest' | 'warmest' | 'swings' | 'atHome'> & { perDegree: number };

function words({ coldest, warmest, swings, atHome, perDegree }: Told): string {
  const degrees = (c: number) => c.toFixed(c % 1 === 0 ? 0 : 1);
  const room =
    warmest - coldest < 0.5
      ? `At ${degrees(warmest)} °C all along`
      : `From ${degrees(coldest)} to ${degrees(warmest)} °C, which makes ${swings.toFixed(0)} s a day`;
  const home = atHome === null ? '' : ` In a room of ${AT_HOME} °C it ${rateInWords(atHome, 0)}.`;
  return `${room}: it ${rateInWords(perDegree)} for each degree warmer.${home}`;
}
