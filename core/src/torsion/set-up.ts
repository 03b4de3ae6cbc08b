import { counted, ensure, type Said } from '../units/index.ts';
import { beatsWith, STRIP_LAWS, type StripChoice, type StripLaw } from './strip.ts';

export const STRIP_IS = ['as it came', 'tried', 'fitted'] as const;
export const ALLOYS = ['compensated', 'not compensated', 'not known'] as const;
export type Alloy = (typeof ALLOYS)[number];
export const PIN_IN_FORK = ['free', 'tight', 'too loose'] as const;
export const HEIGHTS_WHEN = ['as it came', 'set'] as const;

/** What is measured and tried while a torsion pendulum is set up. Lengths in mm, swings in degrees. */
export type TorsionTest =
  | {
      kind: 'torsion strip';
      strip: (typeof STRIP_IS)[number];
      thicknessMm: number;
      widthMm: number | null;
      freeMm: number | null;
      alloy: Alloy;
      note: string;
    }
  | { kind: 'torsion beats'; beats: number; seconds: number; wanted: number }
  | { kind: 'torsion heights'; when: (typeof HEIGHTS_WHEN)[number]; forkMm: number | null; assemblyMm: number | null }
  | {
      kind: 'torsion escapement';
      lockPercent: number | null;
      clockwise: number | null;
      anticlockwise: number | null;
      pin: (typeof PIN_IN_FORK)[number] | null;
    };
type Of<K extends TorsionTest['kind']> = Extract<TorsionTest, { kind: K }>;

/** What such a pendulum usually beats in a minute. Common practice. */
export const USUAL_BEATS = 8;
/** A hand on a stopwatch, both ends together: nineteen times of twenty within this, seconds. From memory. */
const HAND_S = 0.4;
/** What the adjuster of the bob takes, s/day either way. From memory: about five minutes. */
export const ADJUSTER_S = 300;
/** The fork is back where it was within this, mm. House rule. */
const HEIGHT_MM = 0.5;
/** About a tenth of the pallet's face is locked on a dead-beat (practice); outside of this it is not. */
const LOCK = [5, 20] as const;
/** Overswing is the same both ways within this, degrees; and less than this is little. From memory. */
const EVEN = 2;
const LITTLE = 5;

export interface Beaten {
  perMinute: number;
  wanted: number;
  /** s/day, gaining is plus, and half its 95 % interval from the hand on the watch. */
  rate: number;
  halfWidth: number;
}

/** Beats timed by hand. @throws Outside unless there is a beat and a time */
export function beaten({ beats, seconds, wanted }: Omit<Of<'torsion beats'>, 'kind'>): Beaten {
  ensure(beats >= 1, 'beats', 'At least one.');
  ensure(seconds > 0, 'seconds', 'More than 0.');
  const perMinute = (60 * beats) / seconds;
  return { perMinute, wanted, rate: 86400 * (perMinute / wanted - 1), halfWidth: (86400 * HAND_S) / seconds };
}

interface Measured {
  thicknessMm: number;
  widthMm: number | null;
}

/**
 * Beats a minute with another strip of the same free length: by both cross sections where both widths are known
 * (n² goes as β b t³), else by the law that is assumed of the width.
 */
export function beatsOn(other: Measured, now: Measured, observed: number, law: StripLaw): number {
  if (other.widthMm === null || now.widthMm === null)
    return beatsWith(other.thicknessMm, now.thicknessMm, observed, law);
  const stiff = (s: Measured) => s.widthMm! * s.thicknessMm ** 3 * (1 - (0.63 * s.thicknessMm) / s.widthMm!);
  return observed * Math.sqrt(stiff(other) / stiff(now));
}

export interface StockStrip extends Measured {
  id: string;
}

/** No torsion strip is wider, nor of a pendulum shorter, mm. Practice: they are about half a millimetre wide. */
const [WIDEST, SHORTEST] = [2, 60];

/**
 * Strips of the stores that could hang such a bob: thin, narrow, and long enough where that is known. A pendulum's
 * suspension of the same strength is none.
 * @param freeMm the free length of the one that was in, or null
 */
export function stripsFor(
  items: readonly { id: string; kind: string; kept: boolean; onHand: number; sizes: Partial<Record<string, number>> }[],
  freeMm: number | null,
): StockStrip[] {
  return items.flatMap(({ id, kind, kept, onHand, sizes }) => {
    const { strength_mm: thicknessMm, width_mm: widthMm = null, length_mm: long } = sizes;
    if (kind !== 'suspension' || !kept || onHand === 0 || thicknessMm === undefined) return [];
    if (thicknessMm < 0.03 || thicknessMm > 0.5 || (widthMm !== null && widthMm > WIDEST)) return [];
    return long !== undefined && long < (freeMm ?? SHORTEST) ? [] : [{ id, thicknessMm, widthMm }];
  });
}
export type RankedStrip = StockStrip & StripChoice & { byWidth: boolean };

/** What is in the stores, the one that comes nearest first. */
export function rankStrips(
  now: Measured,
  observed: number,
  wanted: number,
  law: StripLaw,
  stock: readonly StockStrip[],
): RankedStrip[] {
  return stock
    .map((s) => {
      const beatsPerMinute = beatsOn(s, now, observed, law);
      return {
        ...s,
        beatsPerMinute,
        rateSecondsPerDay: 86400 * (beatsPerMinute / wanted - 1),
        byWidth: s.widthMm !== null && now.widthMm !== null,
      };
    })
    .sort((a, b) => Math.abs(a.rateSecondsPerDay) - Math.abs(b.rateSecondsPerDay));
}

/**
 * s/day for each degree that it is warmer. A strip that is not compensated loses by its modulus: 43200 · 3.5·10⁻⁴,
 * bronze and steel about the same (from memory). What a compensated one leaves is mostly the brass of the bob, 1.6.
 */
export const PER_DEGREE: Record<Alloy, number | null> = {
  compensated: -2,
  'not compensated': -15,
  'not known': null,
};

/** One entry of any kind, with what it is of: this visit, an earlier one of the movement, another of its type. */
export interface SetUpEntry {
  test: TorsionTest;
  of: 'visit' | 'movement' | 'type';
  by: string;
  /** ISO 8601. */
  at: string;
}

export interface SetUp {
  /** The strip that is in: fitted or tried on this visit, else as it came. */
  strip: Of<'torsion strip'> | null;
  /** Counted with that strip in. */
  observed: Beaten | null;
  came: Of<'torsion heights'> | null;
  set: Of<'torsion heights'> | null;
  escapement: Of<'torsion escapement'> | null;
  /** What was in when it last beat as it should: in this movement, or in another of its type. */
  known: { strip: Of<'torsion strip'>; of: SetUpEntry['of']; by: string; at: string } | null;
}

/** How it stands. @param entries the oldest first */
export function setUpOf(entries: readonly SetUpEntry[]): SetUp {
  const own = entries.filter((e) => e.of === 'visit');
  const lastOf = <K extends TorsionTest['kind']>(kind: K, also: (t: Of<K>) => boolean = () => true): Of<K> | null => {
    const found = own.findLast((e) => e.test.kind === kind && also(e.test as Of<K>));
    return (found?.test ?? null) as Of<K> | null;
  };
  const strip = lastOf('torsion strip');
  const from = strip ? own.findLastIndex((e) => e.test === strip) : -1;
  const counting = own.findLastIndex((e) => e.test.kind === 'torsion beats');
  return {
    strip,
    observed: counting > from ? beaten(own[counting]!.test as Of<'torsion beats'>) : null,
    came: lastOf('torsion heights', (h) => h.when === 'as it came'),
    set: lastOf('torsion heights', (h) => h.when === 'set'),
    escapement: lastOf('torsion escapement'),
    known: knownOf(entries.filter((e) => e.of !== 'visit')),
  };
}

/** A strip of before that left no more than the adjuster takes: of this movement first, the latest first. */
function knownOf(before: readonly SetUpEntry[]): SetUp['known'] {
  for (const of of ['movement', 'type'] as const) {
    const those = before.filter((e) => e.of === of);
    for (let i = those.length - 1; i > 0; i--) {
      const { test } = those[i]!;
      if (test.kind !== 'torsion beats' || Math.abs(beaten(test).rate) > ADJUSTER_S) continue;
      const e = those.slice(0, i).findLast((x) => x.test.kind === 'torsion strip');
      if (e) return { strip: e.test as Of<'torsion strip'>, of, by: e.by, at: e.at };
    }
  }
  return null;
}

/**
 * How far the top block is turned so that it swings on as far both ways, degrees, clockwise from above is plus. It
 * rests too near the drop that it passes farthest: it goes the other way by half the difference.
 */
export const blockTurn = (clockwise: number, anticlockwise: number): number => (anticlockwise - clockwise) / 2;

/** What the figures say and what to move, in the order of the work. */
export function sayTorsion({ strip, observed, came, set, escapement }: SetUp): Said[] {
  return [
    ...(observed ? [sayBeat(observed)] : []),
    ...(strip ? sayWarmth(strip.alloy) : []),
    ...sayHeights(came, set),
    ...(escapement ? [...sayLock(escapement), ...saySwing(escapement)] : []),
  ];
}

function sayBeat({ rate, halfWidth, perMinute, wanted }: Beaten): Said {
  const words =
    `${perMinute.toFixed(3)} beats a minute where ${wanted} belong: ${rateWords(rate)}, ` +
    `give or take ${minutes(halfWidth)}.`;
  if (Math.abs(rate) + halfWidth <= ADJUSTER_S)
    return { what: 'Beat', says: `${words} The adjuster takes the rest.`, good: true };
  if (Math.abs(rate) - halfWidth <= ADJUSTER_S)
    return { what: 'Beat', says: `${words} Time more beats: it may be near enough.`, good: null };
  return { what: 'Beat', says: `${words} Another strip.`, good: false };
}

function sayWarmth(alloy: Alloy): Said[] {
  const per = PER_DEGREE[alloy];
  if (per === null) return [];
  const says =
    alloy === 'compensated'
      ? `Compensated: it loses about ${-per} s a day for a degree warmer, the bob more than the strip.`
      : `Not compensated: it loses about ${-per} s a day for each degree warmer. Judge its rate in one warmth.`;
  return [{ what: 'Warmth', says, good: null }];
}

function sayHeights(came: SetUp['came'], set: SetUp['set']): Said[] {
  if (!set) return [];
  const of = (name: string, before: number | null | undefined, now: number | null): Said[] => {
    if (now === null) return [];
    if (before === null || before === undefined)
      return [{ what: name, says: `${now} mm; how it came is not known: watch it for flutter.`, good: null }];
    const d = now - before;
    const same = Math.abs(d) <= HEIGHT_MM;
    const off = `${Math.abs(d).toFixed(1)} mm ${d > 0 ? 'more' : 'less'} than it came: it may flutter, or stop.`;
    return [{ what: name, says: same ? `${now} mm, as it came.` : `${now} mm, ${off}`, good: same }];
  };
  return [...of('Fork', came?.forkMm, set.forkMm), ...of('Assembly', came?.assemblyMm, set.assemblyMm)];
}

function sayLock({ lockPercent: lock, pin }: Of<'torsion escapement'>): Said[] {
  const said: Said[] = [];
  if (lock !== null) {
    const [least, most] = LOCK;
    const words = `${lock} % of the face is locked`;
    if (lock < least) said.push({ what: 'Lock', says: `${words}: too little: teeth may skip. Deeper.`, good: false });
    else if (lock > most)
      said.push({ what: 'Lock', says: `${words}: too much, it takes the swing. Shallower.`, good: false });
    else said.push({ what: 'Lock', says: `${words}; about a tenth is right.`, good: true });
  }
  if (pin === 'tight') said.push({ what: 'Pin', says: 'It binds in the fork: open the fork a hair.', good: false });
  if (pin === 'too loose')
    said.push({ what: 'Pin', says: 'It rattles in the fork: close the fork, or it flutters.', good: false });
  if (pin === 'free') said.push({ what: 'Pin', says: 'Free in the fork, with a hair of play.', good: true });
  return said;
}

function saySwing({ clockwise: cw, anticlockwise: ccw }: Of<'torsion escapement'>): Said[] {
  if (cw === null || ccw === null) return [];
  const turn = blockTurn(cw, ccw);
  const swings = `Swings on ${cw}° clockwise, ${ccw}° anticlockwise`;
  if (Math.abs(cw - ccw) > EVEN) {
    const way = turn > 0 ? 'clockwise' : 'anticlockwise';
    const far = Math.abs(turn).toFixed(Math.abs(turn) < 5 ? 1 : 0);
    return [{ what: 'Overswing', says: `${swings}: turn the top block ${far}° ${way}, seen from above.`, good: false }];
  }
  if (Math.min(cw, ccw) < LITTLE)
    return [
      {
        what: 'Overswing',
        says: `${swings}: even, but little. Lock, power or friction; it stops as the spring runs down.`,
        good: false,
      },
    ];
  return [{ what: 'Overswing', says: `${swings}: in beat.`, good: true }];
}

const minutes = (s: number): string => {
  if (Math.abs(s) >= 6000) return `${(Math.abs(s) / 3600).toFixed(1)} h`;
  if (Math.abs(s) >= 100) return `${(Math.abs(s) / 60).toFixed(1)} min`;
  return `${Math.abs(s).toFixed(0)} s`;
};
/** "loses 3.2 min a day". @param rate s/day */
export const rateWords = (rate: number): string =>
  Math.abs(rate) < 0.5 ? 'keeps time' : `${rate < 0 ? 'loses' : 'gains'} ${minutes(rate)} a day`;
/** "0.0040 in, 0.102 mm" of a strip, as it is sold and as it is measured. */
export const stripWords = (mm: number): string => `${(mm / 25.4).toFixed(4)} in, ${mm.toFixed(3)} mm`;

/** One entry in words, for the bench and for the book. */
export function torsionWords(t: TorsionTest): string {
  switch (t.kind) {
    case 'torsion strip':
      return [
        `Strip ${t.strip}: ${stripWords(t.thicknessMm)}`,
        t.widthMm !== null && `${t.widthMm} mm wide`,
        t.freeMm !== null && `${t.freeMm} mm free`,
        t.alloy !== 'not known' && t.alloy,
        t.note,
      ]
        .filter(Boolean)
        .join(', ');
    case 'torsion beats': {
      const { perMinute, rate } = beaten(t);
      const timed = `${counted(t.beats, 'beat')} in ${t.seconds} s`;
      return `${timed}: ${perMinute.toFixed(3)} a minute for ${t.wanted}, ${rateWords(rate)}`;
    }
    case 'torsion heights':
      return [
        `Heights ${t.when}`,
        t.forkMm !== null && `fork ${t.forkMm} mm below the top block`,
        t.assemblyMm !== null && `assembly ${t.assemblyMm} mm from pin to pin`,
      ]
        .filter(Boolean)
        .join(', ');
    case 'torsion escapement':
      return [
        'Escapement',
        t.lockPercent !== null && `lock ${t.lockPercent} % of the face`,
        t.clockwise !== null && `overswing ${t.clockwise}° clockwise`,
        t.anticlockwise !== null && `${t.anticlockwise}° anticlockwise`,
        t.pin && `pin in the fork ${t.pin}`,
      ]
        .filter(Boolean)
        .join(', ');
  }
}

/** Both laws of the width, for a choice. */
export const LAWS = Object.keys(STRIP_LAWS) as [StripLaw, ...StripLaw[]];

/** A strip that was taken off the shelf at Fit is in: it need not be entered twice. */
export function withFitted(
  entries: readonly SetUpEntry[],
  parts: readonly { kind: string; sizes: Partial<Record<string, number>>; by: string; at: string }[],
): SetUpEntry[] {
  const fitted = parts.flatMap((p): SetUpEntry[] => {
    const thicknessMm = p.sizes['strength_mm'];
    if (p.kind !== 'suspension' || thicknessMm === undefined) return [];
    const [widthMm, freeMm] = [p.sizes['width_mm'] ?? null, p.sizes['length_mm'] ?? null];
    const strip = { strip: 'fitted', thicknessMm, widthMm, freeMm, alloy: 'not known', note: '' } as const;
    // It was tried before and stays: what was counted with it counts on.
    const tried = entries.findLast((e) => e.of === 'visit' && e.test.kind === 'torsion strip');
    if (tried?.test.kind === 'torsion strip' && tried.test.thicknessMm === thicknessMm) return [];
    return [{ test: { kind: 'torsion strip', ...strip }, of: 'visit', by: p.by, at: p.at }];
  });
  return [...entries, ...fitted].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}
