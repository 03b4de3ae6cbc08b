/** The little of jstat that the tests hold our lines and intervals against. */
declare module 'jstat' {
  export const jStat: {
    inv(matrix: number[][]): number[][];
    studentt: { inv(p: number, degrees: number): number };
    models: { ols(y: number[], x: number[][]): { coef: number[]; t: { se: number[] } } };
  };
}
