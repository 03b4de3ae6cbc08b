import { counted, said, type Said } from '../units/index.ts';
import { valuesOf, type TableTest, type Values } from './table.ts';

/** An alarm goes off within this of what it is set to, minutes; its disc is set no closer. Practice. */
const RELEASE_MIN = 10;
/** Its scatter about that, minutes, one standard deviation. From memory. */
const SCATTER_MIN = 4;
/** Fewer say nothing of a scatter. */
const LEAST = 3;

/** What alarm and repeat say. @param tests the oldest first */
export function sayAlarm(tests: readonly TableTest[]): Said[] {
  return [
    ...sayRelease(valuesOf(tests, 'alarm release')),
    ...sayRing(valuesOf(tests, 'alarm run').at(-1)),
    ...sayRepeat(valuesOf(tests, 'repeat').map((v) => heardOf(v))),
    ...saySteps(valuesOf(tests, 'snail step')),
    ...sayHammers(valuesOf(tests, 'repeat hammers').at(-1)),
  ];
}

/** Mean and sample standard deviation, in the unit of what is given; the deviation null below two. */
export function spread(xs: readonly number[]): { mean: number; sd: number | null } {
  const mean = xs.reduce((a, b) => a + b, 0) / xs.length;
  const sum = xs.reduce((a, x) => a + (x - mean) ** 2, 0);
  return { mean, sd: xs.length < 2 ? null : Math.sqrt(sum / (xs.length - 1)) };
}

function sayRelease(all: readonly Values[]): Said[] {
  if (all.length === 0) return [];
  const { mean, sd } = spread(all.map((v) => v['late'] as number));
  const feel = all.at(-1)!['feel'];
  const out: Said[] = [];
  const about = `${Math.abs(mean).toFixed(0)} min ${mean < 0 ? 'early' : 'late'}`;
  if (sd !== null && sd > SCATTER_MIN && all.length >= LEAST)
    out.push(
      said(
        'Release',
        false,
        `${about}, but by ${sd.toFixed(0)} min to and fro: the edge of the cam, or the spring that lifts it.`,
      ),
    );
  else if (Math.abs(mean) > RELEASE_MIN)
    out.push(said('Release', false, `${about} each time: set the alarm hand by that.`));
  else if (all.length < LEAST) out.push(said('Release', null, `${about}. Try it at three hours of the dial.`));
  else out.push(said('Release', true, `${about} over ${counted(all.length, 'try', 'tries')}.`));
  if (feel === 'stiff')
    out.push(said('Let-off', false, 'Stiff: it takes the swing before the alarm. Ease and oil it.'));
  if (feel === 'drags the hand') out.push(said('Let-off', false, 'It drags the hand: its friction is too strong.'));
  return out;
}

function sayRing(v: Values | undefined): Said[] {
  if (!v) return [];
  const out: Said[] = [];
  if (v['click'] === 'slips') out.push(said('Click', false, 'It slips: let its spring down before anything else.'));
  if (v['even'] === 'in fits') out.push(said('Ring', false, 'In fits: its escapement or hammer sticks.'));
  else if (v['even'] === 'slower at its end')
    out.push(
      said(
        'Ring',
        null,
        `Slower at its end after ${v['seconds']} s: the spring is nearly down, or its train is dirty.`,
      ),
    );
  else out.push(said('Ring', true, `Evenly, for ${v['seconds']} s.`));
  return out;
}

export interface Repeated {
  hour: number;
  quarter: number;
  hours: number;
  quarters: number | null;
}
const heardOf = (v: Values): Repeated => ({
  hour: v['hour'] as number,
  quarter: v['quarter'] as number,
  hours: v['hours'] as number,
  quarters: typeof v['quarters'] === 'number' ? v['quarters'] : null,
});

/** Hours heard too many, around the dial: twelve for one is one too few. What no dial shows is counted as it is. */
const hoursOff = ({ hour, hours }: Repeated): number =>
  hours < 1 || hours > 12 ? hours - hour : ((hours - hour + 18) % 12) - 6;

/** What to move by what was heard. */
export function sayRepeat(heard: readonly Repeated[]): Said[] {
  if (heard.length === 0) return [];
  const wrong = heard.filter((h) => hoursOff(h) !== 0);
  const quarters = heard.filter((h) => h.quarters !== null && h.quarters !== h.quarter);
  if (wrong.length === 0 && quarters.length === 0) {
    const enough = heard.length >= LEAST;
    const times = counted(heard.length, 'time');
    return [said('Repeat', enough || null, enough ? `Right ${times}.` : `Right ${times}: try each hour and quarter.`)];
  }
  return [
    ...(wrong.length > 0 ? [sayHours(heard, wrong)] : []),
    ...(quarters.length > 0 ? [sayQuarters(quarters)] : []),
  ];
}

function sayHours(heard: readonly Repeated[], wrong: readonly Repeated[]): Said {
  const offs = new Set(wrong.map(hoursOff));
  const [off] = offs;
  if (offs.size === 1 && wrong.length === heard.length && heard.length >= LEAST) {
    const always = `Always ${counted(Math.abs(off!), 'hour')} too ${off! > 0 ? 'many' : 'few'}`;
    return said('Hours', false, `${always}: the snail against the hand, by so many steps.`);
  }
  if (wrong.every((h) => h.quarter === 3 && hoursOff(h) === 1))
    return said(
      'Hours',
      false,
      'The next hour comes early, in the last quarter: the jumper of the snail, or where it is joined.',
    );
  if (wrong.every((h) => h.quarter === 0 && hoursOff(h) === -1))
    return said(
      'Hours',
      false,
      'The hour comes late: the snail is moved on after the hand. Its jumper, or where it is joined.',
    );
  if (wrong.every((h) => hoursOff(h) < 0))
    return said('Hours', false, 'Now and then too few: the pull does not go home, or the rack lifts too shallow.');
  return said('Hours', false, 'Now too many, now too few: the rack’s tail, or the gathering of its teeth.');
}

function sayQuarters(wrong: readonly Repeated[]): Said {
  const few = wrong.every((h) => h.quarters! < h.quarter);
  return said(
    'Quarters',
    false,
    few ? 'Too few: the quarter rack does not fall to its snail.' : 'Wrong: the quarter snail against the minute hand.',
  );
}

/** A step that is off by more than this of a whole step is counted with its neighbour now and then. Practice. */
const OFF_STEP = 0.25;
const LEAST_STEPS = 4;

/**
 * Steps of a snail that do not lie in line with the others: hours, and how far from where they belong, mm (out is
 * plus). The line goes by the middle of all slopes, so that one bad step does not bend it (Theil and Sen).
 */
export function stepsOff(steps: readonly { hour: number; mm: number }[]): { hour: number; byMm: number }[] | null {
  if (steps.length < LEAST_STEPS) return null;
  const middle = (all: number[]) => all.sort((a, b) => a - b)[all.length >> 1]!;
  const slope = middle(steps.flatMap((a, i) => steps.slice(i + 1).map((b) => (b.mm - a.mm) / (b.hour - a.hour))));
  const at0 = middle(steps.map((s) => s.mm - slope * s.hour));
  return steps
    .map((s) => ({ hour: s.hour, byMm: s.mm - at0 - slope * s.hour }))
    .filter((s) => Math.abs(s.byMm) > OFF_STEP * Math.abs(slope));
}

function saySteps(all: readonly Values[]): Said[] {
  const hours = [...new Set(all.map((v) => v['hour'] as number))];
  const steps = hours.map((hour) => ({
    hour,
    mm: all.findLast((v) => v['hour'] === hour)!['fromCentre'] as number,
  }));
  if (steps.length === 0) return [];
  const off = stepsOff(steps);
  if (!off) return [said('Snail', null, `Measure at least ${LEAST_STEPS} of its steps.`)];
  return off.length === 0
    ? [said('Snail', true, `Its ${counted(steps.length, 'step')} lie in line.`)]
    : off.map(({ hour, byMm }) =>
        said(
          'Snail',
          false,
          `The step of ${hour} is ${Math.abs(byMm).toFixed(2)} mm too far ${byMm > 0 ? 'out' : 'in'}: worn or bent.`,
        ),
      );
}

function sayHammers(v: Values | undefined): Said[] {
  if (!v) return [];
  const out: Said[] = [];
  if (v['depth'] === 'too deep') out.push(said('Hammers', false, 'Too deep in the rack: they hold it up. Less lift.'));
  if (v['depth'] === 'too shallow') out.push(said('Hammers', false, 'Too shallow: a blow is lost. More lift.'));
  if (v['even'] === 'uneven') out.push(said('Blows', false, 'Uneven: the lift of each, then the fly.'));
  if (v['even'] === 'a second one bounces')
    out.push(said('Blows', false, 'It strikes twice: its rest stands too near.'));
  if (v['rack'] === 'lifts on its post')
    out.push(said('Rack', false, 'It lifts as it works: its post is tapered or worn, or its collar is gone.'));
  if (v['rack'] === 'sticks') out.push(said('Rack', false, 'It sticks: its hole, dirt, or a bent tooth.'));
  if (v['pull'] === 'sticks') out.push(said('Pull', false, 'It does not come back: its spring, or dirt in its slide.'));
  if (v['pull'] === 'is broken') out.push(said('Pull', false, 'Broken: the original goes back to the owner.'));
  return out.length > 0 ? out : [said('Hammers', true, 'Nothing wrong with them.')];
}
