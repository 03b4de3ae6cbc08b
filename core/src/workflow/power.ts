import { byCount } from '../units/index.ts';
import {
  sourceName,
  storedSources,
  trainsOf,
  type PowerSource,
  type SourceKind,
  type Traits,
} from '../movement/index.ts';

/** `tied`: held by ties or another makeshift. A tie can burst: it counts as wound until it is let down. */
export const POWER_STATES = ['unknown', 'wound', 'tied', 'contained', 'let down'] as const;
export type PowerState = (typeof POWER_STATES)[number];

/** How one source of power stands. */
export interface SourcePower {
  /** The id of the source in the description. */
  source: string;
  kind: SourceKind;
  /** What the bench calls it, short: "going", "going and strike". */
  label: string;
  /** The same in a sentence: "going train", "going and strike trains". */
  name: string;
  state: PowerState;
}

/** Something said of a source, or done with it. */
export interface PowerEvent {
  source: string;
  state: PowerState;
  at: string | Date;
}

/**
 * Every source of the description with its state: the last event says it, and of which nothing was said is unknown.
 * Of events at one moment the later in the list counts.
 */
export function powerOf<E extends PowerEvent>(
  traits: Traits,
  events: readonly E[],
): (SourcePower & { last: E | null; said: E[] })[] {
  return storedSources(traits).map((s) => {
    const said = events
      .filter((e) => e.source === s.id)
      .toSorted((a, b) => new Date(a.at).getTime() - new Date(b.at).getTime());
    const last = said.at(-1) ?? null;
    const state = last?.state ?? 'unknown';
    return { source: s.id, kind: s.kind, label: sourceName(traits, s), name: nameOf(traits, s), state, last, said };
  });
}

function nameOf(traits: Traits, source: PowerSource): string {
  const driven = source.name === '' ? trainsOf(traits, source).length : 0;
  if (driven === 0) return sourceName(traits, source);
  return `${sourceName(traits, source)} ${byCount(driven, 'train', 'trains')}`;
}

/**
 * The sources that are said to be wound when the clock was wound, or set going: those of which nobody said otherwise
 * later. Said once more where leave was given to open it so: what comes off later is asked for anew.
 * @param since when it was wound, in ISO
 * @param leave whether leave was given to open it under power
 */
export const standsWound = (
  power: readonly (Pick<SourcePower, 'source' | 'state'> & { at: string | null })[],
  since: string,
  leave: boolean,
): string[] =>
  power
    .filter(({ state, at }) => (state !== 'wound' || leave) && (at === null || Date.parse(at) <= Date.parse(since)))
    .map((p) => p.source);

/** Whether what stands in this state may be opened. */
export const isSafe = (state: PowerState): boolean => state === 'let down' || state === 'contained';

/** How deep something opens the clock, from the shallow end. */
export const DEPTHS = ['hands and dial', 'dial side', 'escapement', 'plates', 'barrel'] as const;
export type Depth = (typeof DEPTHS)[number];

/** Whether something that is touched from `from` on is touched when it is opened so deep. */
export const reaches = (depth: Depth, from: Depth): boolean => DEPTHS.indexOf(depth) >= DEPTHS.indexOf(from);

/** Hands, dial and what lies under it come off a clock that is wound and together. */
export const isShallow = (depth: Depth): boolean => !reaches(depth, 'escapement');

/**
 * Sources that have to be made safe before something so deep is opened. Hands, dial and what lies under it come off a
 * wound clock; from the escapement on the train would run away. Common practice.
 * @param opens null: nobody said, so it counts as the plates
 */
export function unsafeFor<P extends { state: PowerState }>(opens: Depth | null, power: readonly P[]): P[] {
  if (opens !== null && isShallow(opens)) return [];
  return power.filter((p) => !isSafe(p.state));
}

/** Leave to open it under power so deep, given with a reason. */
export interface PowerOverride {
  opens: Depth;
  at: string | Date;
}

/** How the power of a visit stands, what was allowed under it, and each time it came apart again. */
export interface PowerStand<P> {
  power: readonly P[];
  overrides: readonly PowerOverride[];
  passes: readonly { at: string | Date }[];
}

const ms = (at: string | Date): number => new Date(at).getTime();

/**
 * The one gate of every door: what stands in the way of opening it so deep. A reason given lets through as deep as it
 * was given for, until something is said of that source again or it comes apart again.
 * @param opens null: nobody said, so it counts as the plates
 */
export function heldUp<P extends { state: PowerState; at: string | Date | null }>(
  opens: Depth | null,
  { power, overrides, passes }: PowerStand<P>,
): P[] {
  const opened = Math.max(0, ...passes.map(({ at }) => ms(at)));
  const leave = overrides.filter((o) => ms(o.at) >= opened && reaches(o.opens, opens ?? 'plates'));
  return unsafeFor(opens, power).filter((p) => !leave.some((o) => p.at === null || ms(o.at) >= ms(p.at)));
}

const BY_DANGER: readonly PowerState[] = ['wound', 'tied', 'unknown', 'contained', 'let down'];
/** What can hurt comes first: where one only can be shown, it is that one. */
export const byDanger = <P extends { state: PowerState }>(power: readonly P[]): P[] =>
  [...power].sort((a, b) => BY_DANGER.indexOf(a.state) - BY_DANGER.indexOf(b.state));

const STATE_WORDS: Record<PowerState, string> = {
  unknown: 'not known to be safe',
  wound: 'wound',
  tied: 'held by ties only',
  contained: 'contained',
  'let down': 'let down',
};

type Stands = Pick<SourcePower, 'name' | 'state'>;
/** "going train is wound", "going and strike trains are not known to be safe". */
export const powerWords = ({ name, state }: Stands): string =>
  `${name} ${name.endsWith(' trains') ? 'are' : 'is'} ${STATE_WORDS[state]}`;

export interface StripGate {
  open: boolean;
  /** What stands in the way, in words for the top of the screen. */
  reasons: string[];
  /** What an override would have to answer for, by name. */
  unsafe: string[];
}

/**
 * Whether the plates may be opened. Closed while any source is wound, tied or unknown, or a caution of this
 * stage is not acknowledged. Only the power can be overridden, with a reason; a caution is simply read.
 */
export function stripGate(power: readonly Stands[], cautionsUnread: number, overrideReason?: string): StripGate {
  const unsafe = power.filter((p) => !isSafe(p.state));
  const overridden = Boolean(overrideReason?.trim());
  const reasons = overridden ? [] : unsafe.map(powerWords);
  if (cautionsUnread > 0)
    reasons.push(
      byCount(cautionsUnread, 'a caution is not acknowledged', `${cautionsUnread} cautions are not acknowledged`),
    );
  return { open: reasons.length === 0, reasons, unsafe: unsafe.map((p) => p.name) };
}
