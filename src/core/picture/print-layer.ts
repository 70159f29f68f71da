import type { FlatPoint } from '../space'
import { blend } from './blend'
import { drawItems } from './dots'
import type { RgbImage } from './rgb-image'
import { markItems } from './mark-items'
import type { Mark } from './marks'
import { coverOf, inkLayer, type Overlay } from './picture-layer'

const INK = 28
const FRAME = 2

export const printMarks = (image: RgbImage, marks: readonly Mark[]): void => drawItems(image, marks.flatMap(markItems))

/** Puts a layer over a picture. */
export function printOverlay(image: RgbImage, overlay: Overlay): void {
  const picture = inkLayer(overlay)
  printMarks(picture, overlay.marks)
  if (overlay.leader) line(image, ...overlay.leader)
  if (overlay.isFramed) placeFramed(image, picture, overlay.left, overlay.top)
  else placeShape(image, picture, overlay)
}

/** Only what was drawn covers what is under it. */
function placeShape(image: RgbImage, picture: RgbImage, overlay: Overlay): void {
  const cover = coverOf(overlay)
  for (let y = 0; y < picture.height; y++) {
    for (let x = 0; x < picture.width; x++) {
      const share = cover[y * picture.width + x]! * overlay.opacity
      if (share === 0 || x + overlay.left >= image.width || y + overlay.top >= image.height) continue
      const from = (y * picture.width + x) * 3
      const colour = [picture.data[from]!, picture.data[from + 1]!, picture.data[from + 2]!] as const
      blend(image, x + overlay.left, y + overlay.top, colour, share)
    }
  }
}

/** Puts a picture into another, with a frame of ink around it. */
function placeFramed(image: RgbImage, picture: RgbImage, left: number, top: number): void {
  for (let y = -FRAME; y < picture.height + FRAME; y++) {
    for (let x = -FRAME; x < picture.width + FRAME; x++) {
      if (x + left < 0 || y + top < 0 || x + left >= image.width || y + top >= image.height) continue
      const to = ((y + top) * image.width + x + left) * 3
      const isInside = x >= 0 && y >= 0 && x < picture.width && y < picture.height
      for (let k = 0; k < 3; k++) image.data[to + k] = isInside ? picture.data[(y * picture.width + x) * 3 + k]! : INK
    }
  }
}

/** A thin line of ink from one place to another, px. */
function line(image: RgbImage, [x0, y0]: FlatPoint, [x1, y1]: FlatPoint): void {
  const steps = Math.ceil(Math.max(Math.abs(x1 - x0), Math.abs(y1 - y0)))
  for (let i = 0; i <= steps; i++) {
    const x = Math.round(x0 + ((x1 - x0) * i) / Math.max(1, steps))
    const y = Math.round(y0 + ((y1 - y0) * i) / Math.max(1, steps))
    if (x < 0 || y < 0 || x >= image.width || y >= image.height) continue
    image.data.fill(INK, (y * image.width + x) * 3, (y * image.width + x) * 3 + 3)
  }
}
