/** A number with its noun: "1 tooth", "2 teeth". Without `more` the plural takes an s. n: a whole number, 0 or more. */
export const counted = (n: number, one: string, more = `${one}s`): string => `${n} ${byCount(n, one, more)}`;

const PLURAL = new Intl.PluralRules('en');
/** The words that go with a number: byCount(2, 'is', 'are') is "are". */
export const byCount = (n: number, one: string, more: string): string => (PLURAL.select(n) === 'one' ? one : more);

const GROUPED = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 3 });
/** A large number with its thousands apart: "18,000". */
export const grouped = (n: number): string => GROUPED.format(n);

/** Words as a sentence begins: the first letter large. Empty stays empty. */
export const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
