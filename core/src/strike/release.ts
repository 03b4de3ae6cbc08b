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

/**
 * What to do when the clock lets off before or after the minute it should. Minutes are read on the dial at the moment
 * of release. A late release means the hand is ahead of the work: it is set back.
 * @param wanted minute on the dial, 0 for the hour
 */
export function judgeRelease(minutes: readonly number[], wanted = 0): Release {
  ensure(minutes.length >= 1 && minutes.every((m) => m >= 0 && m < 60), 'minutes', 'Minutes on the dial, 0 to 60.');
  const off = minutes.map((m) => ((((m - wanted + 30) % 60) + 60) % 60) - 30);
  const late = off.reduce((a, b) => a + b, 0) / off.length;
  const scatter = off.length < 2 ? 0 : Math.sqrt(off.reduce((n, o) => n + (o - late) ** 2, 0) / (off.length - 1));
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
