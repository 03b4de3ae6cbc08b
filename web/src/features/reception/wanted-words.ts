import type { WantedThing } from '@eclat/contract';
import { sentence } from '@eclat/core/units';
import { day } from '../../ui/dates.ts';

/** "Ordered from Quill & Pane, 18.50, expected 20 May. Ines Calloway, 2 May" */
export function stepWords({ step, note, from, price, expectedOn, by, at }: WantedThing['steps'][number]): string {
  const order = [from && `from ${from}`, price, expectedOn && `expected ${day(expectedOn)}`].filter(Boolean).join(', ');
  const said = [order, note].filter(Boolean).join('. ');
  return `${sentence(step)}${said ? `${order ? ' ' : ': '}${said}` : ''} (${by}, ${day(at)})`;
}
