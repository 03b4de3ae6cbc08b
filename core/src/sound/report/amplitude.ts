import { ensure } from '../../units/index.ts';

/**
 * Amplitude of a balance in degrees from the time between unlocking and drop within a beat: λ/(2 sin(πt/T)), T =
 * 7200/beats. Source: simple harmonic swing through the lift angle, any text on watch timing. Lever escapements only: a
 * pendulum is refused by its beats.
 * @param liftDeg lift angle, 20 to 90 degrees
 * @throws Outside when the time cannot belong to an amplitude of 80 to 360 degrees
 */
export function amplitudeDeg(beats: number, liftDeg: number, unlockToDropMs: number): number {
  check(beats, liftDeg);
  const amplitude = liftDeg / (2 * Math.sin((Math.PI * unlockToDropMs) / 1000 / (7200 / beats)));
  ensure(
    unlockToDropMs > 0 && amplitude >= 80 && amplitude <= 360,
    'unlockToDropMs',
    'No amplitude of 80 to 360° gives this time: look whether unlock and drop were taken from one beat.',
  );
  return amplitude;
}

/** Milliseconds from unlocking to drop at an amplitude; the other way about. */
export function unlockToDropMs(beats: number, liftDeg: number, amplitude: number): number {
  check(beats, liftDeg);
  ensure(amplitude >= 80 && amplitude <= 360, 'amplitudeDeg', 'Between 80 and 360 degrees.');
  return (1000 * (7200 / beats) * Math.asin(liftDeg / (2 * amplitude))) / Math.PI;
}

/** The lift angle of a movement whose amplitude was filmed. */
export const liftAngleDeg = (beats: number, amplitude: number, ms: number): number =>
  2 * amplitude * Math.sin((Math.PI * ms) / 1000 / (7200 / beats));

function check(beats: number, liftDeg: number): void {
  ensure(
    beats >= 14000 && beats <= 40000,
    'beats',
    'Amplitude by sound is for balances, 14,000 to 40,000 beats an hour.',
  );
  ensure(liftDeg >= 20 && liftDeg <= 90, 'liftDeg', 'A lift angle lies between 20 and 90 degrees.');
}

/** Healthy amplitudes, degrees. From memory of practice: fully wound, dial up. */
export const HEALTHY = { lever: [220, 300], 'pin pallet': [180, 270] } as const;
const KNOCKS_FROM = 320;
export type Escaping = keyof typeof HEALTHY;

/** What an amplitude in degrees says of a movement that is fully wound. From memory of practice. */
export function judgeAmplitude(amplitude: number, escapement: Escaping): string {
  const [low, high] = HEALTHY[escapement];
  if (amplitude >= KNOCKS_FROM)
    return 'It knocks or is about to: too strong a spring, or too little friction in the train.';
  if (amplitude > high) return 'Above the usual: watch for knocking when fully wound.';
  return amplitude >= low
    ? 'Healthy.'
    : 'Too small: look for old oil, wear, a tired spring, or a lift angle that is not this movement’s.';
}
