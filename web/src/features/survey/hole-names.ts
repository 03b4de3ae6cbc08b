import type { Hole } from '@eclat/core/movement';

/** What each hole is called: "T2 centre wheel, back"; the key of one that this movement has no more. */
export function holeNames(all: readonly Hole[]): (key: string) => string {
  const names = new Map<string, string>(all.map((h) => [h.key, `${h.arbor.id} ${h.arbor.name}, ${h.plate}`]));
  return (key) => names.get(key) ?? key;
}
