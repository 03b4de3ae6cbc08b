/** Ids that a foreseen reply was given for the time being, and those of the server in the same places. */
export function namesGiven(foreseen: unknown, reply: unknown, key: string): (readonly [from: string, to: string])[] {
  if (typeof foreseen === 'string')
    return typeof reply === 'string' && foreseen !== reply && foreseen.startsWith(key.slice(0, -4))
      ? [[foreseen, reply]]
      : [];
  if (typeof foreseen !== 'object' || foreseen === null || typeof reply !== 'object' || reply === null) return [];
  return Object.entries(foreseen).flatMap(([name, value]) =>
    namesGiven(value, (reply as Record<string, unknown>)[name], key),
  );
}
