import type { Contact } from '@eclat/contract';

const OUT: Readonly<Record<string, string>> = {
  ask: 'asked what they have',
  which: 'asked what they lack',
  send: 'sent entries',
  photo: 'asked for a photo',
  bring: 'sent a photo',
};
const IN: Readonly<Record<string, string>> = {
  ask: 'they asked what is here',
  which: 'they asked what is lacking here',
  send: 'they sent entries',
  photo: 'they asked for a photo',
  bring: 'they sent a photo',
};

/** One contact with another shop: who wanted what, and what came of it. */
export function wantInWords({ direction, want, by, outcome, times }: Contact): string {
  const what = direction === 'out' ? `${by} ${OUT[want] ?? want}` : (IN[want] ?? want);
  const often = times > 1 ? `, ${times} times` : '';
  const end = /[.!?]$/.test(outcome) ? '' : '.';
  return `${what}${often}. ${outcome.charAt(0).toUpperCase()}${outcome.slice(1)}${end}`;
}
