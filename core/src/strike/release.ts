import { counted, ensure } from '../units/index.ts';

export interface Release {
  /** Mean minute of release against the wanted minute, −30 to 30: positive is late. */
  lateMinutes: number;
  scatterMinutes: number;
  /**
   * The minute hand is moved so many quarter turns of its square, and the rest in degrees of its collet; forward is
   * positive.
   */
  squares: number;
  colletDeg: number;
  words: string;
}

/** Minutes of scatter from which wear is named rather than setting. Practice: half a minute. */
const WORN_SCATTER = 0.5;

/** Minutes from −30 up to 30. */
const within = (minutes: number): number => ((((minutes + 30) % 60) + 60) % 60) - 30;

/** Where minutes on a dial lie: the direction of their mean hand. Published: mean direction of circular data. */
function aroundDial(minutes: readonly number[]): number {
  const sum = (f: (x: number) => number) => minutes.reduce((n, m) => n + f((m * Math.PI) / 30), 0);
  return (Math.atan2(sum(Math.sin), sum(Math.cos)) * 30) / Math.PI;
}

/**
 * What to do when the clock lets off before or after the minute it should. Minutes are read on the dial at the moment
 * of release. A late release means the hand is ahead of the work: it is set back.
 * @param wanted minute on the dial, 0 for the hour
 */
export function judgeRelease(minutes: readonly number[], wanted = 0): Release {
  ensure(minutes.length >= 1 && minutes.every((m) => m >= 0 && m < 60), 'minutes', 'Minutes on the dial, 0 to 60.');
  // About where they lie on the dial, not about the wanted minute: 29 and 31 are two minutes apart.
  const middle = aroundDial(minutes);
  const from = minutes.map((m) => within(m - middle));
  const mean = from.reduce((a, b) => a + b, 0) / from.length;
  const scatter = from.length < 2 ? 0 : Math.sqrt(from.reduce((n, f) => n + (f - mean) ** 2, 0) / (from.length - 1));
  const late = within(middle + mean - wanted);
  const turnMinutes = -late;
  const squares = Math.round(turnMinutes / 15);
  const colletDeg = (turnMinutes - 15 * squares) * 6;
  const forward = (x: number) => (x > 0 ? 'forward' : 'back');
  const steps = [
    squares !== 0 ? `lift the hand off and put it on ${counted(Math.abs(squares), 'square')} ${forward(squares)}` : '',
    Math.abs(colletDeg) >= 1.5 ? `turn its collet ${Math.abs(colletDeg).toFixed(0)}° ${forward(colletDeg)}` : '',
  ].filter(Boolean);
  const worn =
    scatter > WORN_SCATTER
      ? ` It scatters by ${scatter.toFixed(1)} min: a worn pin or lifting piece, which no setting cures.`
      : '';
  const todo =
    steps.length === 0
      ? 'It lets off where it should.'
      : `${late > 0 ? 'Late' : 'Early'} by ${Math.abs(late).toFixed(1)} min: ${steps.join(', then ')}.`;
  return { lateMinutes: late, scatterMinutes: scatter, squares, colletDeg, words: todo + worn };
}
