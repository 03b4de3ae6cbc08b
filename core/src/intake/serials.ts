export interface Mark {
  place: string;
  text: string;
}
export interface Mismatch {
  place: string;
  text: string;
  seen: string;
}

const NUMBER = /\d[\d ./-]*\d/;
/** The figures of a serial: "No. 6438" and "6 438" are one number. Fewer than three figures name nothing. */
const serialOf = (text: string): string | null => {
  const digits = NUMBER.exec(text)?.[0].replace(/\D/g, '') ?? '';
  return digits.length >= 3 ? digits : null;
};
/** Where a maker puts the number of the clock itself. A label has voltages, a dial names and sizes. */
const NUMBERED = ['case', 'back plate', 'front plate', 'balance', 'barrel', 'pendulum'];
const SAYS: Record<string, string> = {
  case: 'the case is from another, or the movement was put into it',
  balance: 'balance from another',
  barrel: 'barrel from another',
  pendulum: 'pendulum from another',
  'front plate': 'plates of two movements',
  'back plate': 'plates of two movements',
};

/**
 * Numbers that disagree with the number of the movement: what most places agree on, the plates deciding between equals.
 * A place with several numbers agrees if one of them does. Named neutrally: a replaced part, or a marriage.
 */
export function mismatches(marks: readonly Mark[]): Mismatch[] {
  const numbered = marks.flatMap((m) => {
    const serial = serialOf(m.text);
    return serial && NUMBERED.includes(m.place) ? [{ ...m, serial }] : [];
  });
  const places = (serial: string) => new Set(numbered.filter((m) => m.serial === serial).map((m) => m.place));
  const weight = (serial: string) =>
    places(serial).size + (places(serial).has('back plate') || places(serial).has('front plate') ? 0.5 : 0);
  const serials = [...new Set(numbered.map((m) => m.serial))].sort((a, b) => weight(b) - weight(a));
  const own = serials[0];
  if (own === undefined || serials.length < 2) return [];
  const agreeing = places(own);
  const seat = NUMBERED.filter((p) => agreeing.has(p)).join(' and ');
  return numbered
    .filter((m) => m.serial !== own && !agreeing.has(m.place))
    .map((m) => ({
      place: m.place,
      text: m.text,
      seen: `Number ${m.text} on the ${m.place}, ${own} on the ${seat}: ${SAYS[m.place] ?? 'from another'}.`,
    }));
}

/**
 * A mark as two people would read it: small letters and figures only, without “No.” before them. The counter’s search
 * reads alike in SQL (`known.service`).
 */
export const asRead = (mark: string): string =>
  mark
    .replace(/^\s*(no|nr)(?![\p{L}\p{N}])/iu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '');
