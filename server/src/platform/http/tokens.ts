import { createHash, randomBytes } from 'node:crypto';

/**
 * A secret nobody guesses: 256 bits. It is told once; only its hash is kept, so that what leaks from a table opens
 * nothing.
 */
export const newToken = (): string => randomBytes(32).toString('base64url');
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
