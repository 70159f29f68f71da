import type { Vec } from '../space'
import type { RgbImage } from './ink'

/** More rings than this would hide the part; then only the outermost are drawn. */
const MOST_RINGS = 6

/**
 * Small open rings where new parts take hold: an ink ring in a paper one, so that it shows on any colour and in print.
 * @param holds places in dots of the finer picture; `scale` is px of the picture per u
 */
export function drawRings(image: RgbImage, holds: readonly Vec[], finer: number, scale: number): void {
  const radius = Math.min(6, Math.max(2.4, scale * 1.6))
  for (const [x, y] of outermost(holds)) ring(image, x / finer, y / finer, radius)
}

/** The extreme places left, right, top and bottom stand for a crowd. */
function outermost(holds: readonly Vec[]): readonly Vec[] {
  if (holds.length <= MOST_RINGS) return holds
  const keys: ((v: Vec) => number)[] = [(v) => v[0], (v) => -v[0], (v) => v[1], (v) => -v[1]]
  return [...new Set(keys.map((key) => holds.reduce((a, b) => (key(b) < key(a) ? b : a))))]
}

function ring(image: RgbImage, cx: number, cy: number, radius: number): void {
  const reach = Math.ceil(radius + 3)
  for (let y = Math.floor(cy) - reach; y <= Math.floor(cy) + reach; y++) {
    for (let x = Math.floor(cx) - reach; x <= Math.floor(cx) + reach; x++) {
      if (x < 0 || y < 0 || x >= image.width || y >= image.height) continue
      const far = Math.hypot(x + 0.5 - cx, (y + 0.5 - cy) * 1.5)
      const paper = cover(far, radius, 2.2)
      const line = cover(far, radius, 1)
      if (paper > 0) blend(image, x, y, 255, paper)
      if (line > 0) blend(image, x, y, 28, line)
    }
  }
}

/** How much of a dot at distance `far` a ring of this half width covers. */
const cover = (far: number, radius: number, half: number): number => Math.max(0, Math.min(1, half + 0.5 - Math.abs(far - radius)))

function blend(image: RgbImage, x: number, y: number, grey: number, share: number): void {
  const at = (y * image.width + x) * 3
  for (let i = at; i < at + 3; i++) image.data[i] = image.data[i]! * (1 - share) + grey * share
}
