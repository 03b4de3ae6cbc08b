/** A picture in shades of grey, row by row, 0 black to 1 white. */
export interface Picture {
  width: number;
  height: number;
  light: Float32Array;
}

export interface Spot {
  x: number;
  y: number;
}

/** Light at a place between pixels; beyond the edge that of the edge. */
export function lightAt({ width, height, light }: Picture, x: number, y: number): number {
  const cx = Math.min(width - 1.001, Math.max(0, x - 0.5));
  const cy = Math.min(height - 1.001, Math.max(0, y - 0.5));
  const [ix, iy] = [Math.floor(cx), Math.floor(cy)];
  const [fx, fy] = [cx - ix, cy - iy];
  const i = iy * width + ix;
  const top = light[i]! * (1 - fx) + light[i + 1]! * fx;
  const below = light[i + width]! * (1 - fx) + light[i + width + 1]! * fx;
  return top * (1 - fy) + below * fy;
}
