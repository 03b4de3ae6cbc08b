/** Where what was gone to begins: the screen's own work where it says so, else all of it. */
export const work = (): HTMLElement | null =>
  document.querySelector<HTMLElement>('[data-work]') ?? document.getElementById('main');
