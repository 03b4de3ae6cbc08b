import { createHmac } from 'node:crypto';
import { asRead } from '@eclat/core/intake';

/** Fewer signs than these are on too many movements. */
const LEAST = 3;

/** Marks as they are compared: as two people would read them, without those that tell nothing apart. */
export const comparable = (marks: readonly { text: string }[]): string[] => [
  ...new Set(marks.map((m) => asRead(m.text)).filter((m) => m.length >= LEAST)),
];

/**
 * A mark under a key that is made for one request: whoever has it not, does not learn it. Whoever has the key can try
 * all short numbers, so that this hides only from those who do not try (docs/formats).
 * @param key 32 bytes in hex
 * @returns HMAC-SHA-256 (RFC 2104) in hex
 */
export const hidden = (key: string, mark: string): string =>
  createHmac('sha256', Buffer.from(key, 'hex')).update(mark, 'utf8').digest('hex');
