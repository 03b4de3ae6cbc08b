const NOT_TYPED =
  ['checkbox', 'radio', 'file', 'search', 'hidden'].map((t) => `[type="${t}"]`).join() + ', [role="combobox"]';
const FIELDS = `input:not(${NOT_TYPED}), select, textarea, [role="radio"][tabindex="0"]`;
const FIGURES = 'input[data-figure]';
const MAIN = 'button[data-main]';
/** Cannot be typed into, or stands in what is folded. */
const SHUT = ':disabled, [readonly], [hidden] *, details:not([open]) *';
/** As far as Enter leads by itself. */
const SCOPE = 'section, [role="dialog"], main';

const after = <E extends HTMLElement>(scope: Element, what: string, here: Element): E[] =>
  [...scope.querySelectorAll<E>(what)].filter(
    (e) => here.compareDocumentPosition(e) & Node.DOCUMENT_POSITION_FOLLOWING && !e.matches(SHUT),
  );

/**
 * Where Enter leads from a field. A form is sent, as ever, but for figures that are measured one after another: to the
 * next that is not typed yet. Elsewhere: to the next field, and from the last one to the main button.
 */
function nextByEnter(here: HTMLElement): HTMLElement | null {
  if (!here.matches(`input:not(${NOT_TYPED}), select`)) return null;
  const form = here.closest('form');
  if (form && !here.matches(FIGURES)) return null;
  if (form) return after<HTMLInputElement>(form, FIGURES, here).find((f) => f.value === '') ?? null;
  const scope = here.closest(SCOPE);
  return scope && (after(scope, FIELDS, here)[0] ?? after(scope, MAIN, here)[0] ?? null);
}

/**
 * A caliper types a figure and Enter: the next field is in hand. Who takes Enter for something else says so by
 * preventing what it does by itself.
 */
function goOn(e: KeyboardEvent): void {
  const held = e.ctrlKey || e.metaKey || e.altKey || e.shiftKey;
  if (e.key !== 'Enter' || held || e.defaultPrevented || e.isComposing) return;
  const next = e.target instanceof HTMLElement ? nextByEnter(e.target) : null;
  if (!next) return;
  e.preventDefault();
  next.focus();
  if (next instanceof HTMLInputElement) next.select(); // a figure takes the place of one that stands there
}

if (typeof document !== 'undefined') document.addEventListener('keydown', goOn);
