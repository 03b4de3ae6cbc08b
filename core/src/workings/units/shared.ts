export const INCH = 'International yard and pound agreement, 1959: 1 in = 25.4 mm, 1 lb = 0.45359237 kg';
