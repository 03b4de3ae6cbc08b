import { useEffect } from 'react';

/** What can be gone on from without a keyboard coming up on a phone: no fields. */
const PRESSED = 'button:not([disabled]), a[href], summary, [role="radio"]:not([disabled])';

/**
 * An element and where it stood: each ancestor with the place of the child that led to it, and the how manieth button
 * of that child it was.
 */
interface Stood {
  element: HTMLElement;
  trail: { parent: Element; at: number; nth: number }[];
}

const NEAR = 6;

function stoodAt(element: HTMLElement, root: HTMLElement): Stood {
  const trail: Stood['trail'] = [];
  for (let child: Element = element; child !== root && child.parentElement; child = child.parentElement)
    trail.push({
      parent: child.parentElement,
      at: [...child.parentElement.children].indexOf(child),
      // Rows of one kind stand near; of all that a whole screen holds, the place of one is nothing to go by.
      nth: trail.length < NEAR ? Math.max(0, allPressed(child).indexOf(element)) : 0,
    });
  return { element, trail };
}

const isSeen = (e: Element): boolean => !(e instanceof HTMLElement) || e.closest('[hidden], [inert]') === null;
const allPressed = (e: Element): HTMLElement[] =>
  [...(e.matches(PRESSED) ? [e as HTMLElement] : []), ...e.querySelectorAll<HTMLElement>(PRESSED)].filter(isSeen);
/** In a row of its own kind the button of the same place: after *Take back* comes the next *Take back*. */
const pressedIn = (e: Element | undefined, nth = 0): HTMLElement | undefined => {
  const all = e ? allPressed(e) : [];
  return all[Math.min(nth, all.length - 1)];
};

/** What took the place of an element that is gone, else what comes after it, else what stands before it. */
export function inItsPlace({ trail }: Stood): HTMLElement | null {
  for (const { parent, at, nth } of trail) {
    if (!parent.isConnected) continue;
    const { children } = parent;
    for (let i = at; i < children.length; i++) {
      const found = pressedIn(children[i], i === at ? nth : 0);
      if (found) return found;
    }
    const before = pressedIn(children[at - 1], nth);
    if (before) return before;
    if (parent.matches('[data-work], main')) return parent as HTMLElement;
  }
  return null;
}

/**
 * A press that takes its own button away leaves nobody at the top of the page: what stands in its place is in hand. A
 * button that rests while its change is sent is in hand again afterwards.
 */
export function useKeepFocus(): void {
  useEffect(() => {
    const root = document.getElementById('root');
    if (!root) return;
    let last: Stood | null = null;
    // What stands outside the work, a notice, is done with when it goes: the work is in hand again as it was.
    let inWork: Stood | null = null;
    let rested = false;
    const look = () => {
      if (!last || document.activeElement !== document.body) return;
      const { element } = last;
      if (element.isConnected) {
        if (element.matches(':disabled')) rested = true;
        else if (rested) element.focus({ preventScroll: true });
      } else {
        const back = last.trail.some(({ parent }) => parent.matches('main')) ? last : inWork;
        if (back) (back.element.isConnected ? back.element : inItsPlace(back))?.focus({ preventScroll: true });
      }
    };
    const came = ({ target }: FocusEvent) => {
      rested = false;
      if (!(target instanceof HTMLElement) || !root.contains(target)) return;
      last = stoodAt(target, root);
      if (target.closest('main')) inWork = last;
    };
    // Put down by a person, not taken from them: it is theirs to leave.
    const left = ({ target, relatedTarget }: FocusEvent) => {
      const put = last;
      if (relatedTarget !== null || target !== put?.element) return;
      queueMicrotask(() => {
        // A field that took its place has the focus by now: that one is not put down.
        if (last === put && put.element.isConnected && !put.element.matches(':disabled')) last = null;
      });
    };
    let soon = 0;
    const changes = new MutationObserver(() => {
      cancelAnimationFrame(soon);
      soon = requestAnimationFrame(look); // after a screen or a dialog has had its own say
    });
    changes.observe(root, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
    document.addEventListener('focusin', came);
    document.addEventListener('focusout', left);
    return () => {
      changes.disconnect();
      cancelAnimationFrame(soon);
      document.removeEventListener('focusin', came);
      document.removeEventListener('focusout', left);
    };
  }, []);
}
