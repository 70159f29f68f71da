import { sizeOf, type Box } from '../space'
import { Layers, type Window } from './layers'
import { drawPlaced } from './rail-painter'
import type { Stage } from './stage'
import type { Stencil } from './stencil'
import { fitCamera, project, projectedSize, type Camera, type PictureSize, type ViewNumber } from './view'

/** Dots for one u, as long as that keeps the picture within bounds: enough to count what shows of the smallest piece. */
const LOOK_SCALE = { least: 0.5, most: 1.2 }
const SMALL_PICTURE = 320
const LARGE_PICTURE = 2000
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
 * What the buffer shows of a section from one view. Two ways: forward over the whole, each step adding its nodes to the same
 * picture; or the window of a few nodes alone, whatever was drawn before.
 */
export class Scout {
  readonly camera: Camera
  readonly stencils = new Map<string, Stencil>()
  private readonly size: PictureSize
  private readonly alone = new Map<string, number>()
  /** Dots that show each part, of all drawn so far. */
  private readonly shown: Int32Array
  /** Of each part, where its origin is seen, px, and how far around that it can reach. */
  private readonly reaches: Float32Array
  private whole: Layers | undefined

  constructor(
    private readonly stage: Stage,
    view: ViewNumber,
  ) {
    const { parts } = stage.scene
    const { camera, size } = lookCamera(stage.box, view)
    this.camera = camera
    this.size = size
    this.shown = new Int32Array(parts.length)
    this.reaches = new Float32Array(parts.length * 3)
    parts.forEach(({ shape, pose }, part) => {
      const [x, y] = project(camera, pose.at)
      this.reaches.set([x, y, (Math.hypot(...shape.box) + 12) * camera.scale], part * 3)
    })
  }

  /** Adds nodes to the picture of the whole. @returns the share of each that shows */
  add(nodes: readonly number[]): number[] {
    const layers = (this.whole ??= new Layers(this.size, this.shown))
    for (const node of nodes) this.eachPart(node, (part) => this.drawInto(layers, part, 0, 0))
    return nodes.map((node) => this.share(node))
  }

  /** The share of each of some nodes that shows among those that are there. */
  sharesAmong(isThere: (node: number) => boolean, nodes: readonly number[]): number[] {
    const window = this.windowOf(nodes)
    if (window.right < window.left || window.bottom < window.top) return nodes.map(() => 1)
    this.shown.fill(0)
    const layers = windowLayers(window, this.shown)
    const { partNode } = this.stage.scene
    const { reaches } = this
    for (let part = 0; part < partNode.length; part++) {
      const x = reaches[part * 3]!
      const y = reaches[part * 3 + 1]!
      const reach = reaches[part * 3 + 2]!
      if (x + reach < window.left || x - reach > window.right || y + reach < window.top || y - reach > window.bottom) continue
      if (isThere(partNode[part]!)) this.drawInto(layers, part, window.left, window.top)
    }
    return nodes.map((node) => this.share(node))
  }

  /** Nodes in front of a node in the picture of the whole, those that cover most first. */
  hiders(node: number): number[] {
    const window = this.windowOf([node])
    const alone = this.drawAlone(node, window)
    const covers = new Map<number, number>()
    let dots = 0
    for (let i = 0; i < alone.part.length; i++) {
      if (alone.part[i]! < 0) continue
      dots++
      const row = window.top + Math.floor(i / alone.size.width)
      const column = window.left + (i % alone.size.width)
      const by = this.stage.scene.partNode[this.whole!.part[row * this.size.width + column]!]!
      if (by !== node) covers.set(by, (covers.get(by) ?? 0) + 1)
    }
    return [...covers]
      .filter(([, count]) => count >= dots * HIDES)
      .sort((a, b) => b[1] - a[1] || a[0] - b[0])
      .map(([by]) => by)
  }

  private eachPart(node: number, visit: (part: number) => void): void {
    const { start, list } = this.stage
    for (let k = start[node]!; k < start[node + 1]!; k++) visit(list[k]!)
  }

  private drawInto(layers: Layers, part: number, left: number, top: number): void {
    drawPlaced({ camera: this.camera, stencils: this.stencils, isPlain: true, layers }, this.stage.scene.parts[part]!, part, left, top)
  }

  private share(node: number): number {
    const { start } = this.stage
    const count = start[node + 1]! - start[node]!
    let shown = 0
    this.eachPart(node, (part) => (shown += this.shown[part]!))
    if (count === 0 || (count > 1 && shown >= PLENTY)) return 1
    const whole = this.dotsAlone(node, count)
    return shown < LEAST_DOTS && whole > LEAST_DOTS ? 0 : Math.min(1, shown / Math.max(1, whole))
  }

  /** Dots that a node would have with nothing around; a single part has about the same wherever it stands. */
  private dotsAlone(node: number, count: number): number {
    const { shape, pose } = this.stage.scene.parts[this.stage.list[this.stage.start[node]!]!]!
    const key = count === 1 ? `${shape.id} ${pose.matrix.join()}` : undefined
    const known = key === undefined ? undefined : this.alone.get(key)
    if (known !== undefined) return known
    let dots = 0
    for (const part of this.drawAlone(node, this.windowOf([node])).part) if (part >= 0) dots++
    if (key !== undefined) this.alone.set(key, dots)
    return dots
  }

  private drawAlone(node: number, window: Window): Layers {
    const layers = windowLayers(window)
    this.eachPart(node, (part) => this.drawInto(layers, part, window.left, window.top))
    return layers
  }

  /** The dots that nodes can reach: around their stencils. */
  private windowOf(nodes: readonly number[]): Window {
    const { width, height } = this.size
    const w = { left: width, right: -1, top: height, bottom: -1 }
    for (const node of nodes) {
      this.eachPart(node, (part) => {
        const [x, y, reach] = [this.reaches[part * 3]!, this.reaches[part * 3 + 1]!, this.reaches[part * 3 + 2]!]
        w.left = Math.min(w.left, Math.floor(x - reach))
        w.right = Math.max(w.right, Math.ceil(x + reach))
        w.top = Math.min(w.top, Math.floor(y - reach))
        w.bottom = Math.max(w.bottom, Math.ceil(y + reach))
      })
    }
    return {
      left: Math.max(0, w.left),
      right: Math.min(width - 1, w.right),
      top: Math.max(0, w.top),
      bottom: Math.min(height - 1, w.bottom),
    }
  }
}

/** A picture as large as a window; a window of nothing still has one dot. */
const windowLayers = (window: Window, shown?: Int32Array): Layers =>
  new Layers({ width: Math.max(1, window.right - window.left + 1), height: Math.max(1, window.bottom - window.top + 1) }, shown)
