import type { FlatPoint } from '../space'
import { blend } from './blend'
import { SEAM, type AreaItem, type EllipseItem, type LinesItem, type TextItem } from './display-list'
import { DOTS_IN_SIZE, hasInk } from './glyphs'
import type { RgbImage } from './rgb-image'
import type { MarkItem } from './mark-items'

/** Draws items of a display list into a picture of dots: how much of a dot an item covers is told by its distance, px. */
export function drawItems(image: RgbImage, items: readonly MarkItem[]): void {
  for (const item of items) {
    switch (item.kind) {
      case 'area':
        drawArea(image, item)
        break
      case 'lines':
        drawLines(image, item)
        break
      case 'ellipse':
        drawEllipse(image, item)
        break
      case 'text':
        drawText(image, item)
    }
  }
}

/** Of a dot whose middle is so far outside (or inside, below nothing). */
const share = (distance: number): number => Math.max(0, Math.min(1, 0.5 - distance))

/** Calls `visit` with every dot that is not farther from the points than `reach`. */
function eachDot(image: RgbImage, points: readonly FlatPoint[], reach: number, visit: (x: number, y: number) => void): void {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  const [left, right] = [Math.max(0, Math.floor(Math.min(...xs) - reach)), Math.min(image.width - 1, Math.max(...xs) + reach)]
  const [top, bottom] = [Math.max(0, Math.floor(Math.min(...ys) - reach)), Math.min(image.height - 1, Math.max(...ys) + reach)]
  for (let y = top; y <= bottom; y++) for (let x = left; x <= right; x++) visit(x, y)
}

function drawArea(image: RgbImage, { colour, loops, seam = SEAM }: AreaItem): void {
  for (const loop of loops) {
    eachDot(image, loop, seam + 1, (x, y) => blend(image, x, y, colour, share(outside(loop, x + 0.5, y + 0.5) - seam / 2)))
  }
}

/** How far a place lies outside a simple polygon; negative inside. */
function outside(loop: readonly FlatPoint[], x: number, y: number): number {
  let least = Infinity
  let isInside = false
  let a = loop[loop.length - 1]!
  for (const b of loop) {
    least = Math.min(least, squareFromLine(a, b, x, y))
    if (a[1] > y !== b[1] > y && x < ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) + a[0]) isInside = !isInside
    a = b
  }
  return isInside ? -Math.sqrt(least) : Math.sqrt(least)
}

function drawLines(image: RgbImage, { colour, width, lines }: LinesItem): void {
  for (const line of lines) {
    eachDot(image, line, width / 2 + 1, (x, y) => {
      let far = Infinity
      for (let i = 1; i < line.length; i++) far = Math.min(far, squareFromLine(line[i - 1]!, line[i]!, x + 0.5, y + 0.5))
      blend(image, x, y, colour, share(Math.sqrt(far) - width / 2))
    })
  }
}

/** The square of the distance from a line, px²: roots are taken once for each dot, not once for each line. */
function squareFromLine(a: FlatPoint, b: FlatPoint, x: number, y: number): number {
  const dx = b[0] - a[0]
  const dy = b[1] - a[1]
  const along = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / Math.max(1e-9, dx * dx + dy * dy)))
  const offX = x - a[0] - along * dx
  const offY = y - a[1] - along * dy
  return offX * offX + offY * offY
}

function drawEllipse(image: RgbImage, { at, radii: [wide, high], fill, line, width }: EllipseItem): void {
  eachDot(image, [at], Math.max(wide, high) + width / 2 + 1, (x, y) => {
    const offX = x + 0.5 - at[0]
    const offY = (y + 0.5 - at[1]) * (wide / high)
    const far = Math.sqrt(offX * offX + offY * offY) - wide
    if (fill) blend(image, x, y, fill, share(far))
    if (width > 0) blend(image, x, y, line, share(Math.abs(far) - width / 2))
  })
}

function drawText(image: RgbImage, { at, text, size, colour }: TextItem): void {
  const dot = size / DOTS_IN_SIZE
  eachDot(image, [at], size, (x, y) => {
    if (hasInk(text, (x + 0.5 - at[0]) / dot, (y + 0.5 - at[1]) / dot)) blend(image, x, y, colour, 1)
  })
}
