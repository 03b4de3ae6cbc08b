/** A value that a function cannot take: which one, and what it may be. Doors turn it into a message at that field. */
export class Outside extends RangeError {
  constructor(readonly field: string, message: string) {
    super(message);
    this.name = 'Outside';
  }
}

/** @throws Outside naming the field when `holds` is false (so NaN, which makes every comparison false, is refused too) */
export function need(holds: boolean, field: string, message: string): asserts holds {
  if (!holds) throw new Outside(field, message);
}
