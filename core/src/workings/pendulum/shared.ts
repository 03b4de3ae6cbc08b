import { gravityAt, STANDARD_GRAVITY } from '../../pendulum/index.ts';
import { number } from '../fields.ts';

export const MECHANICS = 'Simple pendulum, any text on mechanics';
export const WGS = 'NIMA TR8350.2, 3rd edition (WGS 84 normal gravity)';
export const place = {
  latitudeDeg: number('Latitude', '°', -90, 90, { hint: 'Empty for standard gravity' }).optional(),
  heightM: number('Height above the sea', 'm', -500, 9000, { digits: 0 }).optional(),
};
export const gravity = (i: { latitudeDeg?: number | undefined; heightM?: number | undefined }) =>
  i.latitudeDeg === undefined ? STANDARD_GRAVITY : gravityAt(i.latitudeDeg, i.heightM ?? 0);
