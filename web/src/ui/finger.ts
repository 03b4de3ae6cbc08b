/** The last press was a finger's, not a key's or a mouse's. */
let finger = false;
if (typeof window !== 'undefined') {
  window.addEventListener('pointerdown', (e) => (finger = e.pointerType === 'touch'), true);
  window.addEventListener('keydown', () => (finger = false), true);
}

/**
 * What is typed next is in hand after a press of a key or a mouse. After a finger's it would bring the keyboard up over
 * what is pressed next: the finger goes on where it is.
 */
export function unlessByFinger(focus: () => void): void {
  if (!finger) focus();
}

/** The same once what was pressed for stands, and what it brings into hand by itself is in hand. */
export const onceItStands = (focus: () => void): void => unlessByFinger(() => setTimeout(focus));

/**
 * What comes next (`data-next`), or the end of the stage, which may be open a moment after the press only. Whoever went
 * on somewhere else meanwhile stays there.
 */
function focusNext(from: Element | null, tries = 40): void {
  const next = [...document.querySelectorAll<HTMLElement>('[data-next]')].at(-1);
  const to = next ?? document.querySelector<HTMLElement>('[data-stage-done]');
  const at = document.activeElement;
  if (at !== from && at !== document.body) return;
  if (to?.matches(':disabled') && tries > 0) setTimeout(() => focusNext(from, tries - 1), 50);
  else to?.focus();
}

/** What was pressed is gone with its press: in hand is what comes next. */
export const onToTheNext = (): void => onceItStands(() => focusNext(document.activeElement));
