import type { Vec } from '../space'
import type { RgbImage } from './ink'

type Rgb = readonly [number, number, number]
const INK: Rgb = [28, 30, 33]
const PAPER: Rgb = [255, 255, 255]

/** Half widths of the shaft and of the head, and the length of the head, px of the picture. */
const SHAFT = 2
const HEAD = 8
const HEAD_LENGTH = 15
/** Paper around the ink, so that it shows on any colour and in print. */
const HALO = 2.2

/** An arrow of the way a part travels, from its tail to its tip; tail and tip in px of the picture. */
export function drawArrow(image: RgbImage, tail: Vec, tip: Vec): void {
  const [dx, dy] = [tip[0] - tail[0], tip[1] - tail[1]]
  const length = Math.hypot(dx, dy)
  if (length < HEAD_LENGTH) return dot(image, tip)
  const [ux, uy] = [dx / length, dy / length]
  paint(image, tail, tip, (x, y) => {
    // Along the arrow from its tail, and how far off its line.
    const along = (x - tail[0]) * ux + (y - tail[1]) * uy
    const off = Math.abs((x - tail[0]) * uy - (y - tail[1]) * ux)
    const neck = length - HEAD_LENGTH
    const onShaft = Math.max(off - SHAFT, -along, along - neck)
    const onHead = Math.max(off - (HEAD * (length - along)) / HEAD_LENGTH, neck - along)
    return Math.min(onShaft, onHead)
  })
}

/** Where the way goes straight into the picture, an arrow is a ring with a dot in it. */
function dot(image: RgbImage, at: Vec): void {
  paint(image, at, at, (x, y) => {
    const far = Math.hypot(x - at[0], y - at[1])
    return Math.min(far - 2.5, Math.abs(far - HEAD) - 1.2)
  })
}

/** Inks all dots whose distance to a figure is not positive, with paper around. */
function paint(image: RgbImage, a: Vec, b: Vec, distance: (x: number, y: number) => number): void {
  const reach = HEAD + HALO + 2
  const [left, right] = [Math.min(a[0], b[0]) - reach, Math.max(a[0], b[0]) + reach]
  const [top, bottom] = [Math.min(a[1], b[1]) - reach, Math.max(a[1], b[1]) + reach]
  for (let y = Math.max(0, Math.floor(top)); y <= Math.min(image.height - 1, bottom); y++) {
    for (let x = Math.max(0, Math.floor(left)); x <= Math.min(image.width - 1, right); x++) {
      const far = distance(x + 0.5, y + 0.5)
      blend(image, x, y, PAPER, share(far - HALO))
      blend(image, x, y, INK, share(far))
    }
  }
}

const share = (distance: number): number => Math.max(0, Math.min(1, 0.5 - distance))

function blend(image: RgbImage, x: number, y: number, colour: Rgb, part: number): void {
  if (part === 0) return
  const at = (y * image.width + x) * 3
  for (let k = 0; k < 3; k++) image.data[at + k] = image.data[at + k]! * (1 - part) + colour[k]! * part
}
