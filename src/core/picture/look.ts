import type { DrawnSection } from './drawn-section'
import { Layers, NOTHING, type Window } from './layers'
import { drawPart } from './rail-painter'
import type { Stencil } from './stencil'
import { sizeOf, type Box } from '../space'
import { fitCamera, project, projectedSize, VIEWS, type Camera, type PictureSize, type ViewNumber } from './view'

const HOME: ViewNumber = 0

/** How one step shows: the chosen view, and for each node it brings the share of it that can be seen there. */
export interface StepLook {
  readonly view: ViewNumber
  readonly shares: readonly number[]
}

/** Dots for one u, as long as that keeps the picture within bounds: enough to count what shows of the smallest piece. */
const LOOK_SCALE = { least: 0.5, most: 1.2 }
const SMALL_PICTURE = 320
const LARGE_PICTURE = 2000
/** What shows less than this of itself is hard to find in the picture (DESIGN.md, measures). */
export const ENOUGH = 0.2
/** Who covers at least this share of a part hides it. */
const HIDES = 0.15
/** Fewer dots than this do not count as seen. */
const LEAST_DOTS = 2
/** A copy that shows as many dots shows well enough; how many it would have alone need not be counted. */
const PLENTY = 240

/** Dots for one u in the look at a section of this size. */
function lookScale(box: Box): number {
  const extent = Math.hypot(...sizeOf(box))
  return Math.min(Math.max(LOOK_SCALE.least, Math.min(LOOK_SCALE.most, SMALL_PICTURE / extent)), LARGE_PICTURE / extent)
}

/** A view of the box at that scale, and the picture it needs. */
function lookCamera(box: Box, view: ViewNumber): { camera: Camera; size: PictureSize } {
  const scale = lookScale(box)
  const extent = projectedSize(box, view)
  const size = { width: Math.ceil(extent.width * scale) + 8, height: Math.ceil(extent.height * scale) + 8 }
  return { camera: fitCamera(box, view, size, 4, scale), size }
}

/** Who hides a node in the picture of its step: nodes of the section, each covering a good part of it. */
export interface Hiding {
  readonly node: number
  readonly by: readonly number[]
}

/** What of each step shows from the usual side, and for everything that shows too little, who is in front of it. */
export interface HomeLook {
  readonly looks: readonly StepLook[]
  readonly hiding: readonly Hiding[]
}

export function lookFromHome(section: DrawnSection): HomeLook {
  const scout = new Scout(section, HOME)
  const hiding: Hiding[] = []
  const looks = section.ranges.map((_, step) => {
    const shares = scout.shares(step)
    shares.forEach((share, i) => {
      if (share >= ENOUGH) return
      const node = section.nodeRanges[step]![0] + i
      hiding.push({ node, by: scout.hiders(step, node) })
    })
    return { view: HOME, shares }
  })
  return { looks, hiding }
}

/**
 * Chooses the view of every step and counts what shows there, by the part buffer: dots of a node left on top, over the
 * dots it would have alone. The home view stays unless another shows the worst-hidden new part better.
 */
export function lookAtSteps(section: DrawnSection, fromHome = lookFromHome(section).looks): StepLook[] {
  const scout = scoutsOf(section)
  return fromHome.map((home, step) => bestLook(home, step, scout))
}

/** The same for some steps only, each drawn in its own window. */
export function lookAtSome(section: DrawnSection, steps: readonly number[]): StepLook[] {
  const scout = scoutsOf(section)
  return steps.map((step) => bestLook({ view: HOME, shares: scout(HOME).sharesAlone(step) }, step, scout))
}

function bestLook(home: StepLook, step: number, scout: (view: ViewNumber) => Scout): StepLook {
  let best = home
  if (Math.min(1, ...best.shares) >= ENOUGH) return best
  for (const view of VIEWS.slice(1)) {
    const shares = scout(view).sharesAlone(step)
    if (worth(shares) > worth(best.shares) + 0.02) best = { view, shares }
    if (Math.min(...best.shares) >= ENOUGH) break
  }
  return best
}

function scoutsOf(section: DrawnSection): (view: ViewNumber) => Scout {
  const scouts = new Map<ViewNumber, Scout>()
  return (view) => {
    let known = scouts.get(view)
    if (!known) scouts.set(view, (known = new Scout(section, view)))
    return known
  }
}

/** How much a view shows of what is hard to see: what shows well enough counts no more. */
const worth = (shares: readonly number[]): number => shares.reduce((sum, share) => sum + Math.min(share, ENOUGH), 0)

/** What the buffer shows of a section from one view. Two ways: step after step over the whole, or one step's window alone. */
class Scout {
  readonly camera: Camera
  readonly layers: Layers
  readonly isPlain = true
  readonly stencils = new Map<string, Stencil>()
  private readonly size: PictureSize
  private readonly alone = new Map<string, number>()
  /** Dots that show each part, of all drawn so far. */
  private readonly shown: Int32Array
  private readonly reaches: Float32Array
  private scratch: Layers | undefined
  private drawn = 0

  constructor(
    private readonly section: DrawnSection,
    view: ViewNumber,
  ) {
    const { camera, size } = lookCamera(section.box, view)
    this.camera = camera
    this.size = size
    this.shown = new Int32Array(section.parts.length)
    this.layers = new Layers(size, this.shown)
    this.reaches = new Float32Array(section.parts.length * 3)
    section.parts.forEach(({ shape, pose }, part) => {
      const [x, y] = project(camera, pose.at)
      this.reaches.set([x, y, (Math.hypot(...shape.box) + 12) * camera.scale], part * 3)
    })
  }

  /** Steps are asked for in rising order; everything before is drawn into the same buffer. */
  shares(step: number): number[] {
    for (; this.drawn <= step; this.drawn++) {
      const [from, to] = this.section.ranges[this.drawn]!
      for (let part = from; part < to; part++) drawPart(this, this.section, part)
    }
    return this.sharesOfShown(step)
  }

  /** The same for one step, whatever was drawn before: only what can be in its window is drawn. */
  sharesAlone(step: number): number[] {
    this.drawWindow(step, this.windowOf(step))
    return this.sharesOfShown(step)
  }

  /** Nodes in front of a node of the step that was drawn last, those that cover most first. */
  hiders(step: number, node: number): number[] {
    const mine = this.partsOf(step, node)
    const window = this.window(mine)
    const scratch = this.drawAlone(mine, window)
    const covers = new Map<number, number>()
    let whole = 0
    for (let y = window.top; y <= window.bottom; y++) {
      for (let x = window.left; x <= window.right; x++) {
        const dot = y * this.size.width + x
        if (scratch.part[dot]! < 0) continue
        whole++
        const by = this.section.partNode[this.layers.part[dot]!]!
        if (by !== node) covers.set(by, (covers.get(by) ?? 0) + 1)
      }
    }
    return [...covers]
      .filter(([, dots]) => dots >= whole * HIDES)
      .sort((a, b) => b[1] - a[1] || a[0] - b[0])
      .map(([by]) => by)
  }

  private drawAlone(mine: readonly number[], window: Window): Layers {
    this.scratch ??= new Layers(this.size)
    clear(this.scratch, window)
    const drawing = { camera: this.camera, stencils: this.stencils, isPlain: true, layers: this.scratch }
    for (const part of mine) drawPart(drawing, this.section, part)
    return this.scratch
  }

  /** Draws all parts up to the end of a step that can reach into a window. */
  private drawWindow(step: number, window: Window): void {
    clear(this.layers, window)
    this.shown.fill(0)
    const end = this.section.ranges[step]![1]
    const { reaches } = this
    for (let part = 0; part < end; part++) {
      const [x, y, reach] = [reaches[part * 3]!, reaches[part * 3 + 1]!, reaches[part * 3 + 2]!]
      if (x + reach < window.left || x - reach > window.right || y + reach < window.top || y - reach > window.bottom) continue
      drawPart(this, this.section, part)
    }
  }

  private sharesOfShown(step: number): number[] {
    const [first, last] = this.section.nodeRanges[step]!
    return Array.from({ length: last - first }, (_, i) => this.share(step, first + i))
  }

  private partsOf(step: number, node: number): number[] {
    const [from, to] = this.section.ranges[step]!
    const mine: number[] = []
    for (let part = from; part < to; part++) if (this.section.partNode[part] === node) mine.push(part)
    return mine
  }

  private share(step: number, node: number): number {
    const mine = this.partsOf(step, node)
    const shown = mine.reduce((sum, part) => sum + this.shown[part]!, 0)
    if (mine.length === 0 || (mine.length > 1 && shown >= PLENTY)) return 1
    const whole = this.dotsAlone(mine)
    return shown < LEAST_DOTS && whole > LEAST_DOTS ? 0 : Math.min(1, shown / Math.max(1, whole))
  }

  /** Dots that parts of one node would have with nothing around; a single part has about the same wherever it stands. */
  private dotsAlone(mine: readonly number[]): number {
    const { shape, pose } = this.section.parts[mine[0]!]!
    const key = mine.length === 1 ? `${shape.id} ${pose.matrix.join()}` : undefined
    const known = key === undefined ? undefined : this.alone.get(key)
    if (known !== undefined) return known
    const window = this.window(mine)
    const { part } = this.drawAlone(mine, window)
    let dots = 0
    for (let y = window.top; y <= window.bottom; y++)
      for (let dot = y * this.size.width + window.left; dot <= y * this.size.width + window.right; dot++) if (part[dot]! >= 0) dots++
    if (key !== undefined) this.alone.set(key, dots)
    return dots
  }

  private windowOf(step: number): Window {
    const [from, to] = this.section.ranges[step]!
    return this.window(Array.from({ length: to - from }, (_, i) => from + i))
  }

  /** The dots that parts can reach: around their stencils. */
  private window(parts: readonly number[]): Window {
    const { width, height } = this.size
    const w = { left: width, right: -1, top: height, bottom: -1 }
    for (const part of parts) {
      const [x, y, reach] = [this.reaches[part * 3]!, this.reaches[part * 3 + 1]!, this.reaches[part * 3 + 2]!]
      w.left = Math.min(w.left, Math.floor(x - reach))
      w.right = Math.max(w.right, Math.ceil(x + reach))
      w.top = Math.min(w.top, Math.floor(y - reach))
      w.bottom = Math.max(w.bottom, Math.ceil(y + reach))
    }
    return {
      left: Math.max(0, w.left),
      right: Math.min(width - 1, w.right),
      top: Math.max(0, w.top),
      bottom: Math.min(height - 1, w.bottom),
    }
  }
}

function clear({ depth, part, size }: Layers, window: Window): void {
  for (let y = window.top; y <= window.bottom; y++) {
    const line = y * size.width
    depth.fill(Infinity, line + window.left, line + window.right + 1)
    part.fill(NOTHING, line + window.left, line + window.right + 1)
  }
}
