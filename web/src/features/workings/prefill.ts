import type { Visit } from '@eclat/contract';
import { judgeRun } from '@eclat/core/rate';
import { FAMILIES } from '@eclat/core/movement';
import { shopDay } from '../../ui/dates.ts';
import { fieldsOf, type Working } from '@eclat/core/workings';

const round = (x: number, digits: number) => Number(x.toFixed(digits));
const DAY = 86_400_000;

/**
 * What a visit already knows of the inputs of a working. Everything else starts empty: an example must never be kept
 * with a clock.
 */
export function knownOf(working: Working, visit: Visit, now: number): Record<string, unknown> {
  const names = new Set(fieldsOf(working.inputs).map((f) => f.name));
  const { movement, testRun } = visit;
  const known: Record<string, unknown> = {};
  const offer = (name: string, value: unknown) => {
    if (names.has(name) && value !== undefined) known[name] = value;
  };
  offer('family', FAMILIES.some((f) => f.id === movement.familyId) ? movement.familyId : undefined);
  offer(
    'control',
    movement.traits.strike === 'rack' || movement.traits.strike === 'count wheel' ? movement.traits.strike : undefined,
  );
  offer(
    'oscillator',
    movement.traits.oscillator === 'balance' || movement.traits.oscillator === 'pendulum'
      ? movement.traits.oscillator
      : undefined,
  );
  offer('from', shopDay(now));
  offer('seed', 1);
  offer('trials', 10_000);
  offer('noise', 3);
  offer('factor', 5);
  if (testRun) {
    const { fit, segment } = judgeRun(movement.traits, testRun, now);
    if (fit) offer('rate', round(fit.rateSecondsPerDay, 1));
    offer('readBy', testRun.readBy);
    const [first] = segment;
    if (first && working.id === 'rate-readings')
      offer(
        'readings',
        segment.map((r) => ({ days: round((r.at - first.at) / DAY, 3), errorS: round(r.errorS, 1) })),
      );
  }
  return known;
}
