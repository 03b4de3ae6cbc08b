/** A photo that a signed entry names. */
export interface NamedPhoto {
  /** SHA-256 of its bytes, hex. */
  hash: string;
  /** Its caption, or the stage in which it was taken. */
  said: string;
}

const HASH = /^[0-9a-f]{64}$/;
const wordOf = (value: unknown): string => (typeof value === 'string' ? value : '');

/** Photos that the sections of an entry name, as far as they name them by a hash: a stranger’s may say anything. */
export function photosIn(sections: { photos?: Readonly<Record<string, unknown>> | undefined }): NamedPhoto[] {
  const rows = sections.photos?.['photos'];
  if (!Array.isArray(rows)) return [];
  return (rows as unknown[]).flatMap((row) => {
    const { hash, caption, stage } = (row ?? {}) as Record<string, unknown>;
    return HASH.test(wordOf(hash)) ? [{ hash: hash as string, said: wordOf(caption) || wordOf(stage) || 'Photo' }] : [];
  });
}
