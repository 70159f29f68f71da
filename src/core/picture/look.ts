import type { DrawnSection } from './drawn-section'
import { Layers, type Window } from './layers'
import { drawPart } from './rail-painter'
import type { Stencil } from './stencil'
import { sizeOf, type Box } from '../space'
import { fitCamera, project, projectedSize, VIEWS, type Camera, type PictureSize, type ViewNumber } from './view'

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

/**
 * Chooses the view of every step and counts what shows there, by the part buffer: dots of a node left on top, over the
 * dots it would have alone. The home view stays unless another shows the worst-hidden new part better.
 */
export function lookAtSteps(section: DrawnSection): StepLook[] {
  const scout = scoutsOf(section)
  return section.ranges.map((_, step) => {
    let best = { view: 0 as ViewNumber, shares: scout(0).shares(step) }
    if (Math.min(1, ...best.shares) >= ENOUGH) return best
    for (const view of VIEWS.slice(1)) {
      const shares = scout(view).shares(step)
      if (worth(shares) > worth(best.shares) + 0.02) best = { view, shares }
      if (Math.min(...best.shares) >= ENOUGH) break
    }
    return best
  })
}

/** Who hides a node in the picture of its step: nodes of the section, each covering a good part of it. */
export interface Hiding {
  readonly step: number
  readonly node: number
  readonly by: readonly number[]
}

/** For everything that shows too little in its step's chosen view, who is in front of it. */
export function findHiding(section: DrawnSection, looks: readonly StepLook[]): Hiding[] {
  const scout = scoutsOf(section)
  return looks.flatMap(({ view, shares }, step) =>
    shares.flatMap((share, i) => {
      if (share >= ENOUGH) return []
      const node = section.nodeRanges[step]![0] + i
      return [{ step, node, by: scout(view).hiders(step, node) }]
    }),
  )
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

class Scout {
  readonly camera: Camera
  readonly layers: Layers
  readonly isPlain = true
  private readonly size: PictureSize
  private readonly scratch: Layers
  private readonly alone = new Map<string, number>()
  readonly stencils = new Map<string, Stencil>()
  private drawn = 0

  constructor(
    private readonly section: DrawnSection,
    view: ViewNumber,
  ) {
    const { camera, size } = lookCamera(section.box, view)
    this.camera = camera
    this.size = size
    this.layers = new Layers(size)
    this.scratch = new Layers(size)
  }

  /** Steps are asked for in rising order. */
  shares(step: number): number[] {
    this.drawUpTo(step)
    const [first, last] = this.section.nodeRanges[step]!
    const shown = new Int32Array(last - first)
    this.count(this.windowOf(step), first, last, shown)
    return Array.from({ length: last - first }, (_, i) => this.share(step, first + i, shown[i]!))
  }

  /** Nodes in front of a node after its step, those that cover most first. Steps are asked for in rising order. */
  hiders(step: number, node: number): number[] {
    this.drawUpTo(step)
    const mine = this.partsOf(step, node)
    const window = this.drawAlone(mine)
    const covers = new Map<number, number>()
    let whole = 0
    this.eachDot(window, (dot) => {
      if (this.scratch.part[dot]! < 0) return
      whole++
      const front = this.layers.part[dot]!
      if (front < 0) return
      const by = this.section.partNode[front]!
      if (by !== node) covers.set(by, (covers.get(by) ?? 0) + 1)
    })
    return [...covers]
      .filter(([, dots]) => dots >= whole * HIDES)
      .sort((a, b) => b[1] - a[1] || a[0] - b[0])
      .map(([by]) => by)
  }

  private drawUpTo(step: number): void {
    for (; this.drawn <= step; this.drawn++) {
      const [from, to] = this.section.ranges[this.drawn]!
      for (let part = from; part < to; part++) drawPart(this, this.section, part)
    }
  }

  private partsOf(step: number, node: number): number[] {
    const [from, to] = this.section.ranges[step]!
    const mine: number[] = []
    for (let part = from; part < to; part++) if (this.section.partNode[part] === node) mine.push(part)
    return mine
  }

  private share(step: number, node: number, shown: number): number {
    const mine = this.partsOf(step, node)
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
    let dots = 0
    this.eachDot(this.drawAlone(mine), (dot) => {
      if (this.scratch.part[dot]! >= 0) dots++
    })
    if (key !== undefined) this.alone.set(key, dots)
    return dots
  }

  private drawAlone(mine: readonly number[]): Window {
    const window = this.window(mine)
    this.clear(window)
    const drawing = { camera: this.camera, layers: this.scratch, stencils: this.stencils, isPlain: true }
    for (const part of mine) drawPart(drawing, this.section, part)
    return window
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
      const { shape, pose } = this.section.parts[part]!
      const [x, y] = project(this.camera, pose.at)
      const reach = (Math.hypot(...shape.box) + 12) * this.camera.scale
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

  private count(window: Window, first: number, last: number, into: Int32Array): void {
    this.eachDot(window, (dot) => {
      const part = this.layers.part[dot]!
      if (part < 0) return
      const node = this.section.partNode[part]!
      if (node >= first && node < last) into[node - first]!++
    })
  }

  private eachDot(window: Window, visit: (dot: number) => void): void {
    const { width } = this.size
    for (let y = window.top; y <= window.bottom; y++)
      for (let dot = y * width + window.left; dot <= y * width + window.right; dot++) visit(dot)
  }

  private clear(window: Window): void {
    for (let y = window.top; y <= window.bottom; y++) {
      const line = y * this.size.width
      this.scratch.depth.fill(Infinity, line + window.left, line + window.right + 1)
      this.scratch.part.fill(-1, line + window.left, line + window.right + 1)
    }
  }
}
