/** What a figure is given: the inputs as they were read, and the result; both checked by the working before. */
export interface FigureProps {
  input: Record<string, number>;
  rows: Record<string, Record<string, number>[]>;
  result: Record<string, number>;
  facts: Record<string, boolean>;
}
