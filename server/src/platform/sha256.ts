import { createHash } from 'node:crypto';

/** SHA-256 of bytes, 32 bytes. */
export const digest = (bytes: Uint8Array): Uint8Array => new Uint8Array(createHash('sha256').update(bytes).digest());

/** The same in hex. */
export const sha256 = (bytes: Uint8Array): string => Buffer.from(digest(bytes)).toString('hex');
