/** Where what was gone to begins: the screen's own work where it says so, else all of it. */
export const work = (): HTMLElement | null =>
  document.querySelector<HTMLElement>('[data-work]') ?? document.getElementById('main');

/** While a dialog lies over the work, it has the keys and the focus; one that is closing has let go of them. */
export const isDialogOpen = (): boolean => document.querySelector('[role="dialog"][data-state="open"]') !== null;
