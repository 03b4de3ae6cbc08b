/** As two names are compared: whatever their case, spaces and punctuation. */
export const plainName = (name: string): string =>
  name
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '');
