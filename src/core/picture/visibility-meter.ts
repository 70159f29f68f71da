import { NO_NODES, signatureWith, type Signature } from '../plan'
import { NO_TURN, sizeOf, TURNS, type Box, type Matrix, type Turn } from '../space'
import { EMPTY_WINDOW, GBuffer, uniteWindows, type Window } from './g-buffer'
import { PictureGrid, REACH } from './picture-grid'
import type { PictureScene } from './picture-scene'
import { MeshProjector, type ProjectedMesh } from './projected-mesh'
import { fitCamera, project, projectedSize, type Camera, type PictureSize, type ViewNumber } from './view'
import { areaOf } from './windows'

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
function lookCamera(box: Box, view: ViewNumber, orientation: Matrix): { camera: Camera; size: PictureSize } {
  const scale = lookScale(box)
  const extent = projectedSize(box, view, orientation)
  const size = { width: Math.ceil(extent.width * scale) + 8, height: Math.ceil(extent.height * scale) + 8 }
  return { camera: fitCamera(box, view, size, { margin: 4, mostScale: scale, orientation }), size }
}

/** Parts drawn before it is asked again whether a look is still worth while. */
const BETWEEN_BARS = 4
/** Parts drawn before it is asked where those that are looked at still show; twice as many each time after. */
const FIRST_GLANCE = 16

/** What shows less than this of itself is hard to find in the picture (DESIGN.md, measures). */
export const ENOUGH = 0.2

/** How much a share is worth to the reader: what shows well enough counts no more. */
export const worthOf = (share: number): number => Math.min(share, ENOUGH)

/**
 * What the buffer shows of a section from one view. Two ways: forward over the whole, each step adding its nodes to the same
 * picture; or the windows of a few nodes alone, whatever was drawn before.
 */
export class VisibilityMeter {
  private readonly size: PictureSize
  private readonly projector: MeshProjector
  private readonly alone = new Map<ProjectedMesh, number>()
  /** Dots that show each part, of all drawn so far. */
  private readonly shown: Int32Array
  private readonly reaches: Float32Array
  /** Of each part, where its origin is seen: px, px, u. */
  private readonly origins: Float64Array
  private readonly projectedMeshes: ProjectedMesh[] = []
  private whole: GBuffer | undefined
  private grid: PictureGrid | undefined
  /** Of each node that was looked at in its window: the parts that might have hidden it, as a set, and the share that showed. */
  private readonly knownAmong: Float64Array
  private readonly knownShares: Float64Array
  /** The memory of the last window. */
  private scratch: GBuffer | undefined
  /** Of each part which of the nodes that are looked at it belongs to, from 1; 0 for none. */
  private readonly marks: Uint16Array

  constructor(
    private readonly stage: PictureScene,
    view: ViewNumber,
    orientation: Turn = NO_TURN,
  ) {
    const { parts } = stage.scene
    const { camera, size } = lookCamera(stage.box, view, TURNS[orientation]!)
    this.size = size
    this.projector = new MeshProjector(camera, { isPlain: true })
    this.shown = new Int32Array(parts.length)
    this.marks = new Uint16Array(parts.length)
    this.knownAmong = new Float64Array(stage.scene.nodes.length).fill(-1)
    this.knownShares = new Float64Array(stage.scene.nodes.length)
    this.reaches = new Float32Array(parts.length * REACH)
    this.origins = new Float64Array(parts.length * 3)
    parts.forEach(({ shape, pose }, part) => {
      const projected = this.projector.of(shape, pose.matrix)
      const origin = project(camera, pose.at)
      this.projectedMeshes.push(projected)
      this.origins.set(origin, part * 3)
      this.reaches.set(this.projector.reachOf(projected, origin), part * REACH)
    })
  }

  /** Adds nodes to the picture of the whole; never asked of a meter that looks into windows. @returns the share of each that shows */
  add(nodes: readonly number[]): number[] {
    const buffer = (this.whole ??= new GBuffer(this.size, this.shown))
    for (const node of nodes) this.eachPart(node, (part) => this.drawInto(buffer, part, 0, 0))
    return nodes.map((node) => this.share(node))
  }

  /** Draws nodes, all together. @returns the parts that show at all */
  partsThatShow(nodes: readonly number[]): number[] {
    const shows = new Int32Array(this.stage.scene.parts.length)
    const buffer = new GBuffer(this.size, shows)
    for (const node of nodes) this.eachPart(node, (part) => this.drawInto(buffer, part, 0, 0))
    return [...shows.keys()].filter((part) => shows[part]! > 0)
  }

  /**
   * The share of each of some nodes that shows among those that are there.
   *
   * @param bar as soon as they cannot be worth more than this together (`worthOf`), what is in front of them is looked at
   *   no further, and the shares are too large
   */
  sharesAmong(isThere: (node: number) => boolean, nodes: readonly number[], bar = -1): number[] {
    const sights = nodes.map((node) => this.sightOf(node, isThere))
    const fresh = sights.filter(({ share }) => share === undefined)
    if (fresh.length === 0) return sights.map(({ share }) => share!)
    const isBarred = bar >= 0
    let rest = isBarred ? bar - sights.reduce((sum, { share }) => sum + (share === undefined ? 0 : worthOf(share)), 0) : bar
    const all = fresh.reduce<Window>((window, sight) => uniteWindows(window, sight.window), EMPTY_WINDOW)
    // What stands far apart is looked at one by one: the picture between is nobody's.
    if (areaOf(all) <= fresh.reduce((sum, { window }) => sum + areaOf(window), 0)) this.lookInto(fresh, rest)
    else {
      rest -= fresh.length * ENOUGH
      for (const sight of fresh) {
        this.lookInto([sight], isBarred ? rest + ENOUGH : -1)
        rest += ENOUGH - worthOf(sight.share!)
      }
    }
    return sights.map(({ share }) => share!)
  }

  /** What may hide a node, and the share of it that shows where that was found among the same before. */
  private sightOf(node: number, isThere: (node: number) => boolean): Sight {
    const { partNode } = this.stage.scene
    const window = this.windowOf(node)
    const grid = (this.grid ??= new PictureGrid(this.size, this.reaches))
    const hiders: number[] = []
    let among = NO_NODES
    // What lies behind it cannot hide any of it.
    for (const part of grid.partsBefore(this.farthestOf(node), window)) {
      const other = partNode[part]!
      if (other === node || !isThere(other)) continue
      hiders.push(part)
      among = signatureWith(among, part)
    }
    return { node, window, hiders, among, share: this.knownAmong[node] === among ? this.knownShares[node]! : undefined }
  }

  /** Looks for the shares of nodes that stand together. @param bar −1 for none */
  private lookInto(sights: readonly Sight[], bar: number): void {
    const window = sights.reduce<Window>((all, sight) => uniteWindows(all, sight.window), EMPTY_WINDOW)
    if (areaOf(window) === 0) {
      for (const sight of sights) sight.share = 1
      return
    }
    const nodes = sights.map(({ node }) => node)
    const buffer = (this.scratch = windowBuffer(window, this.shown, this.scratch))
    // They come first: whatever is drawn then can only show less of them.
    for (const node of nodes) {
      this.eachPart(node, (part) => (this.shown[part] = 0))
      this.eachPart(node, (part) => this.drawInto(buffer, part, window.left, window.top))
    }
    const isBarred = this.drawHiders(buffer, window, sights, bar)
    for (const sight of sights) {
      sight.share = this.share(sight.node)
      if (isBarred) continue
      this.knownAmong[sight.node] = sight.among
      this.knownShares[sight.node] = sight.share
    }
  }

  /** Draws what may hide some nodes over them, as far as they still show. @returns whether the bar ended it */
  private drawHiders(buffer: GBuffer, window: Window, sights: readonly Sight[], bar: number): boolean {
    const nodes = sights.map(({ node }) => node)
    const { partNode } = this.stage.scene
    const hiders = sights.length === 1 ? sights[0]!.hiders : new Set(sights.flatMap((sight) => sight.hiders))
    let open = sights.map((sight) => sight.window)
    let drawn = 0
    let nextGlance = FIRST_GLANCE
    for (const part of hiders) {
      if (!this.grid!.reachesAny(part, open) || nodes.includes(partNode[part]!)) continue
      this.shown[part] = 0
      this.drawInto(buffer, part, window.left, window.top)
      if (++drawn % BETWEEN_BARS !== 0) continue
      if (bar >= 0 && this.worth(nodes) <= bar) return true
      if (drawn < nextGlance) continue
      // What is hidden already cannot be hidden again.
      open = this.whereTheyShow(buffer, window, nodes)
      if (open.length === 0) return false
      nextGlance *= 2
    }
    return false
  }

  /** Where each of some nodes shows in a picture of a window; nothing of those that do not. */
  private whereTheyShow({ part, size }: GBuffer, { left, top }: Window, nodes: readonly number[]): Window[] {
    const { marks } = this
    nodes.forEach((node, i) => this.eachPart(node, (own) => (marks[own] = i + 1)))
    const windows = nodes.map((): Window => ({ ...EMPTY_WINDOW }))
    for (let row = 0, dot = 0; row < size.height; row++) {
      for (let column = 0; column < size.width; column++, dot++) {
        const own = part[dot]!
        if (own < 0 || marks[own] === 0) continue
        const window = windows[marks[own]! - 1]!
        if (column + left < window.left) window.left = column + left
        if (column + left > window.right) window.right = column + left
        if (row + top < window.top) window.top = row + top
        window.bottom = row + top
      }
    }
    for (const node of nodes) this.eachPart(node, (own) => (marks[own] = 0))
    return windows.filter(({ right }) => right >= 0)
  }

  private worth(nodes: readonly number[]): number {
    return nodes.reduce((sum, node) => sum + worthOf(this.share(node)), 0)
  }

  /** Nodes in front of a node in the picture of the whole, those that cover most first. */
  hiders(node: number): number[] {
    const window = this.windowOf(node)
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

  private drawInto(buffer: GBuffer, part: number, left: number, top: number): void {
    const { origins, reaches, stage } = this
    const at = part * REACH
    const width = Math.min(buffer.size.width, reaches[at + 2]! - reaches[at]! + 1)
    stage.budget.spend(width * Math.min(buffer.size.height, reaches[at + 3]! - reaches[at + 1]! + 1))
    buffer.draw(this.projectedMeshes[part]!, part, origins[part * 3]! - left, origins[part * 3 + 1]! - top, origins[part * 3 + 2]!)
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
    if (count > 1) return dotsIn(this.drawAlone(node, this.windowOf(node)))
    const projected = this.projectedMeshes[this.stage.list[this.stage.start[node]!]!]!
    let dots = this.alone.get(projected)
    if (dots === undefined) this.alone.set(projected, (dots = this.dotsOfMesh(projected)))
    return dots
  }

  /** Counted on a dot of its own, so that it does not depend on which part of that mesh is asked for first. */
  private dotsOfMesh(projected: ProjectedMesh): number {
    const [left, top, right, bottom] = this.projector.reachOf(projected, [0, 0, 0]).map(Math.floor) as [number, number, number, number]
    const size = { width: Math.min(this.size.width, right - left + 2), height: Math.min(this.size.height, bottom - top + 2) }
    const buffer = new GBuffer({ width: Math.max(1, size.width), height: Math.max(1, size.height) })
    this.stage.budget.spend(size.width * size.height)
    buffer.draw(projected, 0, -left, -top, 0)
    return dotsIn(buffer)
  }

  private drawAlone(node: number, window: Window): GBuffer {
    const buffer = windowBuffer(window)
    this.eachPart(node, (part) => this.drawInto(buffer, part, window.left, window.top))
    return buffer
  }

  /** The dots that a node can reach, within the picture. */
  private windowOf(node: number): Window {
    const { reaches } = this
    const window = { ...EMPTY_WINDOW }
    this.eachPart(node, (part) => {
      const at = part * REACH
      window.left = Math.min(window.left, Math.max(0, Math.floor(reaches[at]!)))
      window.top = Math.min(window.top, Math.max(0, Math.floor(reaches[at + 1]!)))
      window.right = Math.max(window.right, Math.min(this.size.width - 1, Math.ceil(reaches[at + 2]!)))
      window.bottom = Math.max(window.bottom, Math.min(this.size.height - 1, Math.ceil(reaches[at + 3]!)))
    })
    return window
  }

  private farthestOf(node: number): number {
    let farthest = -Infinity
    this.eachPart(node, (part) => (farthest = Math.max(farthest, this.reaches[part * REACH + 5]!)))
    return farthest
  }
}

function dotsIn({ part }: GBuffer): number {
  let dots = 0
  for (let i = 0; i < part.length; i++) if (part[i]! >= 0) dots++
  return dots
}

/** A picture as large as a window; a window of nothing still has one dot. */
const windowBuffer = (window: Window, shown?: Int32Array, spare?: GBuffer): GBuffer =>
  new GBuffer({ width: Math.max(1, window.right - window.left + 1), height: Math.max(1, window.bottom - window.top + 1) }, shown, spare)

/** What is asked of a node: where it is seen, px, which parts may hide it, also as a set, and the share of it that shows among them. */
interface Sight {
  readonly node: number
  readonly window: Window
  readonly hiders: readonly number[]
  readonly among: Signature
  share: number | undefined
}
