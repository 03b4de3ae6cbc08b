import type { TrainKey } from '../movement/index.ts';

/** `tied`: held by ties or another makeshift. A tie can burst: it counts as wound until it is let down. */
export const POWER_STATES = ['unknown', 'wound', 'tied', 'contained', 'let down'] as const;
export type PowerState = (typeof POWER_STATES)[number];

export interface TrainPower {
  train: TrainKey;
  state: PowerState;
}

/** Whether a train in this state may be opened. */
export const isSafe = (state: PowerState): boolean => state === 'let down' || state === 'contained';

/** How deep something opens the clock, from the shallow end. */
export const DEPTHS = ['hands and dial', 'dial side', 'escapement', 'plates', 'barrel'] as const;
export type Depth = (typeof DEPTHS)[number];

/** Whether something that is touched from `from` on is touched when it is opened so deep. */
export const reaches = (depth: Depth, from: Depth): boolean => DEPTHS.indexOf(depth) >= DEPTHS.indexOf(from);

/** Hands, dial and what lies under it come off a clock that is wound and together. */
export const isShallow = (depth: Depth): boolean => !reaches(depth, 'escapement');

/**
 * Trains that have to be made safe before something so deep is opened. Hands, dial and what lies under it come off a
 * wound clock; from the escapement on the train would run away. Common practice.
 * @param opens null: nobody said, so it counts as the plates
 */
export function unsafeFor(opens: Depth | null, power: readonly TrainPower[]): TrainKey[] {
  if (opens !== null && isShallow(opens)) return [];
  return power.filter((p) => !isSafe(p.state)).map((p) => p.train);
}

const STATE_WORDS: Record<PowerState, string> = {
  unknown: 'not known to be safe',
  wound: 'wound',
  tied: 'held by ties only',
  contained: 'contained',
  'let down': 'let down',
};

/** "going train is wound", "strike train is not known to be safe". */
export const powerWords = ({ train, state }: TrainPower): string => `${train} train is ${STATE_WORDS[state]}`;

export interface StripGate {
  open: boolean;
  /** What stands in the way, in words for the top of the screen. */
  reasons: string[];
  /** Trains that an override would have to answer for. */
  unsafe: TrainKey[];
}

/**
 * Whether the plates may be opened. Closed while any train is wound, tied or unknown, or a caution of this
 * stage is not acknowledged. Only the power can be overridden, with a reason; a caution is simply read.
 */
export function stripGate(power: readonly TrainPower[], cautionsUnread: number, overrideReason?: string): StripGate {
  const unsafe = power.filter((p) => !isSafe(p.state));
  const overridden = Boolean(overrideReason?.trim());
  const reasons = overridden ? [] : unsafe.map(powerWords);
  if (cautionsUnread > 0)
    reasons.push(
      cautionsUnread === 1 ? 'a caution is not acknowledged' : `${cautionsUnread} cautions are not acknowledged`,
    );
  return { open: reasons.length === 0, reasons, unsafe: unsafe.map((p) => p.train) };
}
