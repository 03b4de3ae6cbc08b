export const REGRESSION = 'Least squares, any text on regression';
