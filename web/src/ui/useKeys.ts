import { useLayoutEffect } from 'react';
import { beginsUnit } from '@eclat/core/units';
import { useAppState } from '../data/app-state.ts';
import { isDialogOpen } from './work.ts';

const isField = (at: EventTarget | null): boolean =>
  at instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(at.tagName) || at.isContentEditable);
/** What a figure is made of. */
const isFigure = (key: string): boolean => /^[\d.,/=+-]$/.test(key);

/**
 * Somebody, or a caliper, is typing figures: from the first key in a field on, until something else is pressed. A
 * figure that comes while no field has the focus is the rest of one that was meant for a field, never a shortcut; nor
 * is the unit behind it, however slowly the two are typed.
 */
let typingFigures = false;
/** What of a unit has been typed behind the rest of a figure; null while there is no figure. */
let unit: string | null = null;
let keyAt = -Infinity;
/**
 * A device types a figure in one breath; a person does not press a shortcut so soon. Calipers without a wire send a
 * key every 30 to 100 ms.
 */
const SAME_BREATH_MS = 150;
/** This key came in the same breath as the one before: a device types. */
let inBreath = false;
/** The key that is pressed now is the rest of a figure. */
let isRest = false;

function hearRest({ key }: KeyboardEvent): boolean {
  if (!typingFigures) return inBreath && isFigure(key);
  if (isFigure(key)) unit = '';
  else if (unit === null || key.length > 1) unit = null;
  else unit = beginsUnit(unit + key.trim()) ? unit + key.trim() : null;
  return unit !== null;
}

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
  isRest = false;
  if (isField(e.target)) {
    typingFigures = true;
    unit = null;
  } else {
    isRest = hearRest(e);
    if (!isRest && e.key !== 'Enter') typingFigures = false;
    if (plain && !inBreath && /^[\d.]$/.test(e.key)) held = { key: e.key };
  }
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
      if (isRest) return;
      if (isDialogOpen()) return;
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
