import { ensure } from '../units/index.ts';

/** What one pulse did, from nothing to a step of the hands. */
export const GRADES_OF_STEP = ['nothing', 'moves', 'lifts', 'advances'] as const;
export type StepGrade = (typeof GRADES_OF_STEP)[number];

export interface Step {
  volts: number;
  did: StepGrade;
}

export interface StepVerdict {
  /** Lowest voltage from which every higher one advanced; null when none did. */
  pullInV: number | null;
  /** Supply over pull-in. */
  margin: number | null;
  words: string;
}

/** Practice: a quarter more than it needs, so that it still steps when it is cold and the oil has aged. */
const GOOD_MARGIN = 1.25;

/** A test that is taken up again after so long is another one: coil, oil and supply are not what they were. */
const SAME_SITTING_MS = 4 * 3_600_000;

/**
 * The steps of the last sitting, on the supply of the last of them: those of another day, or for another supply, are
 * not judged with it. @param steps in order of time
 */
export function lastSitting<S extends { at: string; supplyV: number }>(steps: readonly S[]): S[] {
  const last = steps.at(-1);
  let from = steps.length;
  while (
    from > 0 &&
    steps[from - 1]!.supplyV === last!.supplyV &&
    (from === steps.length || Date.parse(steps[from]!.at) - Date.parse(steps[from - 1]!.at) <= SAME_SITTING_MS)
  )
    from--;
  return steps.slice(from);
}

/** Judges a step test. A higher voltage that did less than a lower one is named: it points at a catching part. */
export function judgeSteps(steps: readonly Step[], supplyV: number): StepVerdict {
  ensure(steps.length >= 1 && steps.every((s) => s.volts > 0), 'steps', 'At least one voltage with what happened.');
  ensure(supplyV > 0, 'supplyV', 'The voltage it is to run on.');
  const rising = [...steps].sort((a, b) => a.volts - b.volts);
  const fails = rising.filter((s) => s.did !== 'advances').at(-1);
  const pullInV = rising.find((s) => s.did === 'advances' && (!fails || s.volts > fails.volts))?.volts ?? null;
  const odd = rising.find((s, i) =>
    rising.slice(0, i).some((lower) => GRADES_OF_STEP.indexOf(lower.did) > GRADES_OF_STEP.indexOf(s.did)),
  );
  const uneven = odd
    ? ` At ${odd.volts} V it did less than below: look for a part that catches now and then, and try again.`
    : '';
  if (pullInV === null) {
    const best = rising.reduce((b, s) => (GRADES_OF_STEP.indexOf(s.did) > GRADES_OF_STEP.indexOf(b.did) ? s : b));
    return {
      pullInV,
      margin: null,
      words:
        'It never advances: at best it ' +
        (best.did === 'nothing' ? 'does nothing' : `${best.did} at ${best.volts} V`) +
        '. ' +
        (best.did === 'nothing'
          ? 'Measure the coil and the connections.'
          : 'Power is there: look at the click, the gap and the friction.') +
        `${uneven}`,
    };
  }
  const margin = supplyV / pullInV;
  const words = stepWords(margin, pullInV, supplyV);
  return { pullInV, margin, words: words + uneven };
}

function stepWords(margin: number, pullInV: number, supplyV: number) {
  if (margin >= GOOD_MARGIN)
    return `It advances from ${pullInV} V: ${Math.round(100 * (margin - 1))} % in hand at ${supplyV} V.`;
  if (margin >= 1)
    return (
      `It advances from ${pullInV} V: too little in hand at ${supplyV} V. Clean, ease the gap and the ` +
      'click before raising the supply.'
    );
  return `It needs ${pullInV} V and would have ${supplyV}: it will not step.`;
}

/** What joined outputs draw together, mA, against what the supply may give. */
export function loadOf(
  outputs: readonly { milliamps: number; count: number }[],
  mayMilliamps: number,
): { milliamps: number; share: number } {
  ensure(mayMilliamps > 0, 'mayMilliamps', 'What the supply may give.');
  const milliamps = outputs.reduce((n, o) => n + o.milliamps * o.count, 0);
  return { milliamps, share: milliamps / mayMilliamps };
}
