/** A caliper or a meter that types: a number, perhaps its unit, and Enter, into whatever field is being typed in. */
export interface TypingDevice {
  id: 'caliper' | 'meter';
  name: string;
  unit: string;
  /** What it would show for a part of this true size: its resolution and its own error. */
  reads: (value: number) => string;
}

const steps = (value: number, step: number) =>
  (Math.round(value / step) * step).toFixed(Math.max(0, Math.round(-Math.log10(step))));
export const CALIPER: TypingDevice = {
  id: 'caliper',
  name: 'Simulated caliper',
  unit: 'mm',
  reads: (mm) => `${steps(mm, 0.01)} mm`,
};
export const METER: TypingDevice = {
  id: 'meter',
  name: 'Simulated meter: ohms',
  unit: 'Ω',
  reads: (ohm) => steps(ohm, ohm < 100 ? 0.1 : 1),
};
export const VOLTS: TypingDevice = {
  id: 'meter',
  name: 'Simulated meter: volts',
  unit: 'V',
  reads: (volt) => steps(volt, 0.1),
};
export const AMPS: TypingDevice = {
  id: 'meter',
  name: 'Simulated meter: current',
  unit: 'mA',
  reads: (milliamp) => steps(milliamp, milliamp < 100 ? 0.1 : 1),
};

/**
 * Types as such a device does: into the field that has the focus, then Enter, which sends a form on its own as it does
 * under a finger. Enter comes a moment later, when the page has taken in what was typed.
 * @returns false when no field waits for it
 */
export function typeInto(field: Element | null, text: string): boolean {
  if (!(field instanceof HTMLInputElement) || field.readOnly || field.disabled) return false;
  // A field for numbers takes no unit.
  const figure = field.type === 'number' ? text.replace(/[^\d.-]/g, '') : text;
  // By the setter of the element itself: React's own would take it for no change.
  Reflect.set(HTMLInputElement.prototype, 'value', figure, field);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  setTimeout(() => {
    const goesOn = field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
    if (goesOn) field.form?.requestSubmit();
  });
  return true;
}
