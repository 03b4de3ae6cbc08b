import { ensure, said, type Said } from '../units/index.ts';
import { last, type TableTest, type Values } from './table.ts';

/** A print is right within this, minutes: it goes by whole ones. Practice. */
const PRINT_MIN = 1;
/** The day changes within this of noon or midnight, minutes. House rule. */
const DAY_MIN = 5;
/** Two marks are measured to this, mm. Practice. */
const MARK_MM = 0.5;

/** What print work and recording drum say. @param tests the oldest first */
export function sayRecorder(tests: readonly TableTest[]): Said[] {
  const columns = new Map(tests.filter((t) => t.kind === 'print').map((t) => [t.values['column'] ?? '', t.values]));
  const days = new Map(tests.filter((t) => t.kind === 'day change').map((t) => [t.values['at'], t.values]));
  return [
    ...[...columns].flatMap(([column, v]) => sayPrint(column ? `Print, ${column}` : 'Print', v)),
    ...[...days].flatMap(([at, v]) => sayDay(at === 'at noon' ? 'Change at noon' : 'Change at midnight', v)),
    ...sayTrace(last(tests, 'trace')),
    ...sayPen(last(tests, 'pen')),
  ];
}

function sayPrint(what: string, v: Values): Said[] {
  const minutes = v['minutes'] as number;
  const out =
    Math.abs(minutes) <= PRINT_MIN
      ? [said(what, true, 'As the dial shows.')]
      : [
          said(
            what,
            false,
            `${Math.abs(minutes)} min ${minutes > 0 ? 'after' : 'before'} the dial: set the type wheels.`,
          ),
        ];
  if (v['strike'] === 'faint') out.push(said(what, false, 'Faint: ribbon first, then the depth of the hammer.'));
  if (v['strike'] === 'double') out.push(said(what, false, 'Double: the hammer bounces, or the card moves under it.'));
  if (v['strike'] === 'cut off') out.push(said(what, false, 'Cut off: type wheel or card stop is off its place.'));
  if (v['stop'] === 'high' || v['stop'] === 'low')
    out.push(said(what, false, `Prints ${v['stop']}: set the card stop.`));
  if (v['ribbon'] === 'stands still') out.push(said(what, false, 'The ribbon stands still: look at its feed click.'));
  if (v['ribbon'] === 'does not turn') out.push(said(what, false, 'The ribbon does not turn back at its end.'));
  return out;
}

function sayDay(what: string, v: Values): Said[] {
  const late = v['late'] as number;
  if (v['whole'] === 'no')
    return [said(what, false, 'It does not go the whole step: lift, spring and click of the day.')];
  const out =
    Math.abs(late) <= DAY_MIN
      ? [said(what, true, `Within ${DAY_MIN} min.`)]
      : [said(what, false, `${Math.abs(late)} min ${late > 0 ? 'late' : 'early'}: set its trip.`)];
  if (v['fly'] === 'with a blow') out.push(said(what, false, 'Falls with a blow: its fly slips, or is not driven.'));
  if (v['fly'] === 'too slowly') out.push(said(what, false, 'Lets down too slowly: the fly is gummed.'));
  return out;
}

/**
 * Hours that a drum takes for a turn, from two marks at known times, and the half of its range that the ruler leaves.
 * @throws Outside unless they lie within one turn
 */
export function drumTurn(v: { hours: number; apartMm: number; roundMm: number }): { hours: number; within: number } {
  ensure(v.apartMm <= v.roundMm, 'apartMm', 'Both marks lie within one turn.');
  const hours = (v.hours * v.roundMm) / v.apartMm;
  return { hours, within: (hours * MARK_MM) / v.apartMm };
}

function sayTrace(v: Values | null): Said[] {
  if (!v) return [];
  const [hours, apartMm, roundMm, meant] = ['hours', 'apartMm', 'roundMm', 'meant'].map((k) => v[k] as number) as [
    number,
    number,
    number,
    number,
  ];
  if (apartMm > roundMm)
    return [said('Drum', false, 'The marks are farther apart than the drum is round: measure again.')];
  const turn = drumTurn({ hours, apartMm, roundMm });
  const off = turn.hours - meant;
  const words =
    `A turn takes ${turn.hours.toPrecision(4)} h, give or take ${turn.within.toPrecision(2)}, ` +
    `where ${meant} are meant`;
  const aDay = (24 * 60 * off) / meant;
  if (Math.abs(off) <= turn.within) return [said('Drum', true, `${words}.`)];
  return [
    said(
      'Drum',
      false,
      `${words}: its trace ${off > 0 ? 'falls behind' : 'runs ahead'} ${Math.abs(aDay).toFixed(0)} min a day.`,
    ),
  ];
}

function sayPen(v: Values | null): Said[] {
  if (!v) return [];
  const off = v['offMm'];
  const rest =
    typeof off === 'number' && off > 0 ? [said('Pen', false, `Rests ${off} mm off its line: set its arm.`)] : [];
  if (v['line'] === 'fine') return [said('Pen', true, 'A fine line.'), ...rest];
  if (v['line'] === 'skips') return [said('Pen', false, 'Skips: its point is dry or lifted.'), ...rest];
  if (v['line'] === 'broad') return [said('Pen', false, 'Broad: too much ink, or too heavy on the chart.'), ...rest];
  return [said('Pen', false, 'Drags the arm: lighter on the chart, or the reading is wrong.'), ...rest];
}
