import { MOST_TEETH } from '../../train/index.ts';
import { whole } from '../fields.ts';

export const mesh = { wheel: whole('Wheel', 6, MOST_TEETH), pinion: whole('Pinion', 4, 60) };
export const BS = 'From memory, after BS 978-2: wheel over N + 2.76, pinion over n + 1.71 to 10 leaves, n + 1.61 above';
export const TEXT = 'Any text on clock trains';
