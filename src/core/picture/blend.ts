import type { RgbImage } from './rgb-image'

/** Covers a share of a dot (0 to 1) with a colour. Dots outside the picture are the caller's care. */
// eslint-disable-next-line max-params -- runs for every dot, where an object for each call would be garbage
export function blend(image: RgbImage, x: number, y: number, colour: readonly [number, number, number], share: number): void {
  if (share === 0) return
  const at = (y * image.width + x) * 3
  for (let k = 0; k < 3; k++) image.data[at + k] = image.data[at + k]! * (1 - share) + colour[k]! * share
}
