import { useLayoutEffect } from 'react';
import { useAppState } from '../data/app-state.ts';

const isField = (at: EventTarget | null): boolean =>
  at instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(at.tagName) || at.isContentEditable);
/** What a figure is made of. */
const isFigure = (key: string): boolean => /^[\d.,/=+-]$/.test(key);

/**
 * Somebody, or a caliper, is typing figures: from the first key in a field on, until something else is pressed. A
 * figure that comes while no field has the focus is the rest of one that was meant for a field, never a shortcut.
 */
let typingFigures = false;
let [figureAt, keyAt] = [-Infinity, -Infinity];
/** A device types a figure, and its unit, in one breath; a person does not press a shortcut so soon. */
const SAME_BREATH_MS = 60;
/** This key came in the same breath as the one before: a device types. */
let inBreath = false;
const isRestOfFigure = (e: KeyboardEvent): boolean =>
  typingFigures ? isFigure(e.key) || e.timeStamp - figureAt < SAME_BREATH_MS : inBreath && isFigure(e.key);

/** A digit that was pressed on no field: a shortcut, unless more of a figure comes in the same breath. */
let held: { key: string; shortcut?: () => void; timer?: ReturnType<typeof setTimeout> } | null = null;

function hold(shortcut: () => void): void {
  if (!held) return;
  held.shortcut = shortcut;
  held.timer = setTimeout(() => {
    held = null;
    shortcut();
  }, SAME_BREATH_MS);
}

/** A caliper typed while no field had the focus: its figure goes to the field that is next. */
function beginFigure(begun: string, e: KeyboardEvent): void {
  typingFigures = true;
  const within = [...document.querySelectorAll('[role="dialog"]')].at(-1) ?? document.querySelector('main');
  const all = [...(within?.querySelectorAll<HTMLInputElement>('input[inputmode="decimal"]') ?? [])];
  const fields = all.filter((f) => !f.disabled && !f.readOnly);
  const field = fields.find((f) => f.value === '') ?? fields[0];
  field?.focus();
  if (field) {
    // As a person types it, so that the form hears of it.
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(field, begun);
    field.dispatchEvent(new Event('input', { bubbles: true }));
  }
  if (e.key !== 'Enter') return; // the next sign is typed where the focus is now
  e.preventDefault();
  e.stopPropagation();
  field?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
}

function hearAll(e: KeyboardEvent): void {
  inBreath = e.timeStamp - keyAt < SAME_BREATH_MS;
  keyAt = e.timeStamp;
  const before = held;
  held = null;
  if (before) clearTimeout(before.timer);
  if (before && inBreath && (isFigure(e.key) || e.key === 'Enter')) beginFigure(before.key, e);
  else before?.shortcut?.();
  const plain = !e.ctrlKey && !e.metaKey && !e.altKey;
  if (isField(e.target)) typingFigures = true;
  else {
    if (!isRestOfFigure(e) && e.key !== 'Enter') typingFigures = false;
    if (plain && !inBreath && /^[\d.]$/.test(e.key)) held = { key: e.key };
  }
  if (isFigure(e.key)) figureAt = e.timeStamp;
}

if (typeof window !== 'undefined') {
  window.addEventListener('keydown', hearAll, true);
  window.addEventListener(
    'pointerdown',
    (e) => {
      typingFigures = isField(e.target);
      keyAt = -Infinity;
    },
    true,
  );
}

/**
 * One key, one action, of the screen that is shown first: *n* is *not reached* on a hole, and only elsewhere takes a
 * clock in. Not while a field is being typed in, not for figures meant for one, and not when switched off.
 */
export function useKeys(actions: Record<string, () => void>, of: 'screen' | 'frame' = 'screen'): void {
  const on = useAppState((s) => s.singleKeys);
  // Before anything is painted: a key pressed on what is seen is heard.
  useLayoutEffect(() => {
    if (!on) return;
    const press = (e: KeyboardEvent) => {
      if (e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey || isField(e.target)) return;
      if (isRestOfFigure(e)) return;
      if (document.querySelector('[role="dialog"]')) return;
      const action = actions[e.key];
      if (!action) return;
      e.preventDefault();
      if (held?.key === e.key) hold(action);
      else action();
    };
    // A key comes to the document before it comes to the window.
    const at = of === 'screen' ? document : window;
    const heard = press as EventListener;
    at.addEventListener('keydown', heard);
    return () => at.removeEventListener('keydown', heard);
  }, [actions, on, of]);
}
