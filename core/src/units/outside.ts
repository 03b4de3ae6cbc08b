/** A value that a function cannot take: which one, and what it may be. Doors turn it into a message at that field. */
export class Outside extends RangeError {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
    this.name = 'Outside';
  }
}

/** A value that this way of asking needs. @throws Outside at its field when it is not there */
export function given<T>(value: T | undefined, field: string): T {
  ensure(value !== undefined, field, 'This one is needed here.');
  return value;
}

/**
 * @throws Outside naming the field when `holds` is false (so NaN, which makes every comparison false, is refused too)
 */
export function ensure(holds: boolean, field: string, message: string): asserts holds {
  if (!holds) throw new Outside(field, message);
}
