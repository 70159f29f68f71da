import type { RgbImage } from './ink'

/** A small open ring where a new part takes hold: an ink ring in a paper one, so that it shows on any colour and in print. */
export function drawRing(image: RgbImage, cx: number, cy: number, radius: number): void {
  const reach = Math.ceil(radius + 3)
  for (let y = Math.floor(cy) - reach; y <= Math.floor(cy) + reach; y++) {
    for (let x = Math.floor(cx) - reach; x <= Math.floor(cx) + reach; x++) {
      if (x < 0 || y < 0 || x >= image.width || y >= image.height) continue
      const far = Math.hypot(x + 0.5 - cx, (y + 0.5 - cy) * RING_SQUASH)
      const paper = cover(far, radius, RING_HALF.paper)
      const line = cover(far, radius, RING_HALF.ink)
      if (paper > 0) blend(image, x, y, 255, paper)
      if (line > 0) blend(image, x, y, 28, line)
    }
  }
}

/** A ring lies down like the studs it stands for. */
export const RING_SQUASH = 1.5
/** Half widths of its lines, px. */
export const RING_HALF = { paper: 2.2, ink: 1 } as const

/** How much of a dot at distance `far` a ring of this half width covers. */
const cover = (far: number, radius: number, half: number): number => Math.max(0, Math.min(1, half + 0.5 - Math.abs(far - radius)))

function blend(image: RgbImage, x: number, y: number, grey: number, share: number): void {
  const at = (y * image.width + x) * 3
  for (let i = at; i < at + 3; i++) image.data[i] = image.data[i]! * (1 - share) + grey * share
}
