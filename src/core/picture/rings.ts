import { blend } from './blend'
import type { RgbImage } from './ink'

const PAPER = [255, 255, 255] as const
const INK = [28, 28, 28] as const

/** A small open ring where a new part takes hold: an ink ring in a paper one, so that it shows on any colour and in print. */
export function drawRing(image: RgbImage, cx: number, cy: number, radius: number): void {
  const reach = Math.ceil(radius + 3)
  for (let y = Math.floor(cy) - reach; y <= Math.floor(cy) + reach; y++) {
    for (let x = Math.floor(cx) - reach; x <= Math.floor(cx) + reach; x++) {
      if (x < 0 || y < 0 || x >= image.width || y >= image.height) continue
      const far = Math.hypot(x + 0.5 - cx, (y + 0.5 - cy) * RING_SQUASH)
      const paper = cover(far, radius, RING_HALF.paper)
      const line = cover(far, radius, RING_HALF.ink)
      blend(image, x, y, PAPER, paper)
      blend(image, x, y, INK, line)
    }
  }
}

/** A ring lies down like the studs it stands for. */
export const RING_SQUASH = 1.5
/** Half widths of its lines, px. */
export const RING_HALF = { paper: 2.2, ink: 1 } as const

/** How much of a dot at distance `far` a ring of this half width covers. */
const cover = (far: number, radius: number, half: number): number => Math.max(0, Math.min(1, half + 0.5 - Math.abs(far - radius)))
