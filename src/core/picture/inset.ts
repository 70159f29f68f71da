import { partHull } from '../scene'
import { unite, type Box, type Matrix, type Vec } from '../space'
import type { DrawnSection } from './drawn-section'
import { Inker, type RgbImage } from './ink'
import { Layers, type Window } from './layers'
import { WHITE, type PartLook } from './paint'
import { drawRings } from './rings'
import { StencilCutter } from './stencil'
import { fitCamera, project, type ViewNumber } from './view'

/** What is smaller than this share of the picture's width, both ways, is enlarged beside it. */
const SMALL = 0.075
/** A section of fewer parts is never so large that its parts look small. */
const LEAST_PARTS = 24
/** The inset's size, as shares of the picture's. */
const WIDE = 0.24
const HIGH = 0.26
const MARGIN = 14
/** What stands around the new parts is shown as far as this, u, and drawn as far as it could reach into sight. */
const AROUND = 14
const IN_SIGHT = 60
const FINER = 2
const INK = 28
const FRAME = 2

export interface InsetOptions {
  readonly section: DrawnSection
  readonly looks: readonly PartLook[]
  readonly step: number
  readonly view: ViewNumber
  readonly lie: Matrix
  readonly wash: number
  /** Where the new parts were drawn, in dots of the finer picture. */
  readonly window: Window
}

/** Whether the new parts of a step are so small in its picture that an inset helps. */
export function needsInset(image: RgbImage, { section, step, window }: InsetOptions): boolean {
  const [from, to] = section.ranges[step]!
  if (section.parts.length < LEAST_PARTS || from === 0 || from === to || window.right < window.left) return false
  const most = SMALL * image.width * FINER
  return window.right - window.left < most && window.bottom - window.top < most
}

/** Draws what is new enlarged, in the corner farthest from it, with a line from its place. */
export function drawInset(image: RgbImage, options: InsetOptions): void {
  const { section, looks, step, view, lie, wash, window } = options
  const [from, to] = section.ranges[step]!
  const size = { width: Math.round(image.width * WIDE), height: Math.round(image.height * HIGH) }
  const full = { width: size.width * FINER, height: size.height * FINER }
  const box = section.parts.slice(from, to).map(partHull).reduce(unite)
  const camera = fitCamera(widened(box, AROUND), view, full, 4 * FINER, 14 * FINER, lie)
  const layers = new Layers(full)
  const cutter = new StencilCutter(camera)
  const sight = widened(box, IN_SIGHT)
  for (let part = 0; part < to; part++) {
    const placed = section.parts[part]!
    if (part < from && !meets(partHull(placed), sight)) continue
    const [x, y, depth] = project(camera, placed.pose.at)
    layers.draw(cutter.of(placed.shape, placed.pose.matrix), part, x, y, depth)
  }
  const whole = { left: 0, right: full.width - 1, top: 0, bottom: full.height - 1 }
  const picture = new Inker(layers, FINER, WHITE).ink(whole, { looks, newFrom: from, newTo: to, wash, hasFineLines: false })
  const holds = section.holds[step]!.map((place) => project(camera, place))
  drawRings(picture, holds, FINER, camera.scale / FINER)
  const middle: [number, number] = [(window.left + window.right) / (2 * FINER), (window.top + window.bottom) / (2 * FINER)]
  const left = middle[0] < image.width / 2 ? image.width - size.width - MARGIN : MARGIN
  const top = middle[1] < image.height / 2 ? image.height - size.height - MARGIN : MARGIN
  const corner: [number, number] = [left + (left > middle[0] ? 0 : size.width), top + (top > middle[1] ? 0 : size.height)]
  line(image, middle, corner)
  place(image, picture, left, top)
}

const widened = ({ min, max }: Box, by: number): Box => ({
  min: min.map((value) => value - by) as unknown as Vec,
  max: max.map((value) => value + by) as unknown as Vec,
})

const meets = (a: Box, b: Box): boolean => [0, 1, 2].every((i) => a.min[i]! < b.max[i]! && b.min[i]! < a.max[i]!)

/** Puts a picture into another, with a frame of ink around it. */
function place(image: RgbImage, picture: RgbImage, left: number, top: number): void {
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
function line(image: RgbImage, [x0, y0]: readonly [number, number], [x1, y1]: readonly [number, number]): void {
  const steps = Math.ceil(Math.max(Math.abs(x1 - x0), Math.abs(y1 - y0)))
  for (let i = 0; i <= steps; i++) {
    const x = Math.round(x0 + ((x1 - x0) * i) / Math.max(1, steps))
    const y = Math.round(y0 + ((y1 - y0) * i) / Math.max(1, steps))
    if (x < 0 || y < 0 || x >= image.width || y >= image.height) continue
    image.data.fill(INK, (y * image.width + x) * 3, (y * image.width + x) * 3 + 3)
  }
}
