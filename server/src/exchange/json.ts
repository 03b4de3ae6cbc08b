/** What bytes from another shop say; undefined where they are no JSON. */
export function jsonIn(bytes: Buffer): unknown {
  try {
    return JSON.parse(bytes.toString('utf8'));
  } catch {
    return undefined;
  }
}

export const asJson = (value: unknown): Buffer => Buffer.from(JSON.stringify(value), 'utf8');
