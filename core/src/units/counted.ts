/** A number with its noun: "1 tooth", "2 teeth". Without `more` the plural takes an s. n: a whole number, 0 or more. */
export const counted = (n: number, one: string, more = `${one}s`): string => `${n} ${n === 1 ? one : more}`;

/** Words as a sentence begins: the first letter large. Empty stays empty. */
export const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
