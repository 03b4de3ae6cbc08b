import { countTeeth, type Picture, type Spot } from '@eclat/core/photo';

/** A photo is counted away from the thread that draws. */
self.onmessage = ({ data: { picture, middle, rim } }: MessageEvent<{ picture: Picture; middle: Spot; rim: Spot }>) =>
  self.postMessage(countTeeth(picture, middle, rim));
