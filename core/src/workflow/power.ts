import type { TrainKey } from '../movement/index.ts';

export const POWER_STATES = ['unknown', 'wound', 'contained', 'let down'] as const;
export type PowerState = (typeof POWER_STATES)[number];

export interface TrainPower {
  train: TrainKey;
  state: PowerState;
}

export const isSafe = (state: PowerState): boolean => state === 'let down' || state === 'contained';

export interface StripGate {
  open: boolean;
  /** What stands in the way, in words for the top of the screen. */
  reasons: string[];
  /** Trains that an override would have to answer for. */
  unsafe: TrainKey[];
}

/**
 * Whether the plates may be opened. Closed while any train is wound or unknown, or a caution of this
 * stage is not acknowledged. Only the power can be overridden, with a reason; a caution is simply read.
 */
export function stripGate(power: readonly TrainPower[], cautionsUnread: number, overrideReason?: string): StripGate {
  const unsafe = power.filter((p) => !isSafe(p.state));
  const overridden = Boolean(overrideReason?.trim());
  const reasons = overridden
    ? []
    : unsafe.map((p) => `${p.train} train is ${p.state === 'unknown' ? 'not known to be safe' : 'wound'}`);
  if (cautionsUnread > 0)
    reasons.push(
      cautionsUnread === 1 ? 'a caution is not acknowledged' : `${cautionsUnread} cautions are not acknowledged`,
    );
  return { open: reasons.length === 0, reasons, unsafe: unsafe.map((p) => p.train) };
}
