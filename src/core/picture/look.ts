import type { DrawnSection } from './drawn-section'
import { Layers, type Window } from './layers'
import { drawPart } from './rail-painter'
import type { Stencil } from './stencil'
import { fitCamera, project, VIEWS, type Camera, type PictureSize, type ViewNumber } from './view'

/** How one step shows: the chosen view, and for each node it brings the share of it that can be seen there. */
export interface StepLook {
  readonly view: ViewNumber
  readonly shares: readonly number[]
}

/** Small and without smoothing: enough to count what shows. */
const LOOK_SIZE: PictureSize = { width: 360, height: 270 }
/** A view is left only when it shows less than this of some new part. */
const ENOUGH = 0.2
/** Fewer dots than this do not count as seen. */
const LEAST_DOTS = 2
/** A copy that shows as many dots shows well enough; how many it would have alone need not be counted. */
const PLENTY = 240

/**
 * Chooses the view of every step and counts what shows there, by the part buffer: dots of a node left on top, over the
 * dots it would have alone. The home view stays unless another shows the worst-hidden new part better.
 */
export function lookAtSteps(section: DrawnSection): StepLook[] {
  const scouts = new Map<ViewNumber, Scout>()
  const scout = (view: ViewNumber): Scout => {
    let known = scouts.get(view)
    if (!known) scouts.set(view, (known = new Scout(section, view)))
    return known
  }
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

/** How much a view shows of what is hard to see: what shows well enough counts no more. */
const worth = (shares: readonly number[]): number => shares.reduce((sum, share) => sum + Math.min(share, ENOUGH), 0)

class Scout {
  readonly camera: Camera
  readonly layers = new Layers(LOOK_SIZE)
  private readonly scratch = new Layers(LOOK_SIZE)
  private readonly alone = new Map<string, number>()
  readonly stencils = new Map<string, Stencil>()
  private drawn = 0

  constructor(
    private readonly section: DrawnSection,
    view: ViewNumber,
  ) {
    this.camera = fitCamera(section.box, view, LOOK_SIZE, 4, 20)
  }

  /** Steps are asked for in rising order. */
  shares(step: number): number[] {
    for (; this.drawn <= step; this.drawn++) {
      const [from, to] = this.section.ranges[this.drawn]!
      for (let part = from; part < to; part++) drawPart(this, this.section, part)
    }
    const [first, last] = this.section.nodeRanges[step]!
    const shown = new Int32Array(last - first)
    const window = this.windowOf(step)
    this.count(window, first, last, shown)
    return Array.from({ length: last - first }, (_, i) => this.share(step, first + i, shown[i]!))
  }

  private share(step: number, node: number, shown: number): number {
    const [from, to] = this.section.ranges[step]!
    const mine: number[] = []
    for (let part = from; part < to; part++) if (this.section.partNode[part] === node) mine.push(part)
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
    this.clear(window)
    const drawing = { camera: this.camera, layers: this.scratch, stencils: this.stencils }
    for (const part of mine) drawPart(drawing, this.section, part)
    let dots = 0
    for (let y = window.top; y <= window.bottom; y++)
      for (let x = window.left; x <= window.right; x++) if (this.scratch.part[y * LOOK_SIZE.width + x]! >= 0) dots++
    if (key !== undefined) this.alone.set(key, dots)
    return dots
  }

  private windowOf(step: number): Window {
    const [from, to] = this.section.ranges[step]!
    return this.window(Array.from({ length: to - from }, (_, i) => from + i))
  }

  /** The dots that parts can reach: around their stencils. */
  private window(parts: readonly number[]): Window {
    const w = { left: LOOK_SIZE.width, right: -1, top: LOOK_SIZE.height, bottom: -1 }
    for (const part of parts) {
      const { shape, pose } = this.section.parts[part]!
      const [x, y] = project(this.camera, pose.at)
      const reach = (Math.hypot(...shape.box) + 40) * this.camera.scale
      w.left = Math.min(w.left, Math.floor(x - reach))
      w.right = Math.max(w.right, Math.ceil(x + reach))
      w.top = Math.min(w.top, Math.floor(y - reach))
      w.bottom = Math.max(w.bottom, Math.ceil(y + reach))
    }
    return {
      left: Math.max(0, w.left),
      right: Math.min(LOOK_SIZE.width - 1, w.right),
      top: Math.max(0, w.top),
      bottom: Math.min(LOOK_SIZE.height - 1, w.bottom),
    }
  }

  private count(window: Window, first: number, last: number, into: Int32Array): void {
    for (let y = window.top; y <= window.bottom; y++) {
      for (let dot = y * LOOK_SIZE.width + window.left; dot <= y * LOOK_SIZE.width + window.right; dot++) {
        const part = this.layers.part[dot]!
        if (part < 0) continue
        const node = this.section.partNode[part]!
        if (node >= first && node < last) into[node - first]!++
      }
    }
  }

  private clear(window: Window): void {
    for (let y = window.top; y <= window.bottom; y++) {
      const line = y * LOOK_SIZE.width
      this.scratch.depth.fill(Infinity, line + window.left, line + window.right + 1)
      this.scratch.part.fill(-1, line + window.left, line + window.right + 1)
    }
  }
}
