import { randomUUID } from 'node:crypto';
import { p } from '@mikro-orm/core';

/** Column shapes that many tables share. */
export const key = () =>
  p
    .uuid()
    .primary()
    .onCreate(() => randomUUID());
export const visitKey = () => p.uuid();
export const text = () => p.string().columnType('text');
export const float = () => p.float().columnType('double precision');
export const moment = () => p.datetime().columnType('timestamptz');
export const versioned = () => p.integer().version();
/** Who wrote it and when. */
export const by = { by: text(), at: moment() };
