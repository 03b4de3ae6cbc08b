/** What a browser says of devices on plain HTTP: nothing is there, so it has to be said why. */
export const wantsHttps = (what: string): string =>
  `This browser gives a ${what} only to pages on HTTPS or on this very machine.`;
