/** Escape gives up what the focused thing has half done (a mark, a drag), and only then closes what it stands in. */
export const isHalfDone = (e: Event): boolean =>
  e.target instanceof Element && e.target.closest('[data-half]') !== null;
