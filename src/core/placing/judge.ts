import { findJoints } from '../joints'
import { memo } from '../memo'
import type { PlacedPart } from '../model'
import { findOverlaps } from '../motion'
import { buildScene, partHull, type NodeSpec } from '../scene'
import { boxesMeet, BoxTree, posedBox, unite, type Box } from '../space'

/** What would be so if something stood somewhere. */
export interface PlaceVerdict {
  /** How many studs, clips, pins … hold it. */
  readonly holds: number
  /** The nodes that it would be held by, and those it would share space with, by id. */
  readonly heldBy: readonly string[]
  readonly collidesWith: readonly string[]
  /** Its lowest body stands at the height of the table, u 0 or the lowest of what is there. */
  readonly isOnTable: boolean
}

/** A joint reaches from one body just into another: what is held stands no farther off, u. */
const REACH = 4
const FAR = 1_000_000

/** A judge is made anew whenever something is put down; most parts stand where they stood. */
const keptHull = memo(partHull)

/** The nodes of a section, asked what a further one would meet: each question costs what stands near, not the whole. */
export class PlaceJudge {
  private readonly tree: BoxTree
  private readonly boxes: readonly Box[]
  /** The height of the table, u: 0, or the lowest of what is there. */
  readonly table: number

  constructor(private readonly nodes: readonly NodeSpec[]) {
    const withParts = nodes.filter(({ parts }) => parts.length > 0)
    this.nodes = withParts
    this.boxes = withParts.map(({ parts }) => parts.map(keptHull).reduce(unite))
    this.tree = new BoxTree(this.boxes)
    this.table = this.boxes.reduce((low, { min }) => Math.min(low, min[2]), 0)
  }

  /**
   * @param held what would stand there
   * @param except nodes that are thought away: those that are being moved
   */
  judge(held: readonly PlacedPart[], except: ReadonlySet<string> = new Set()): PlaceVerdict {
    const hull = held.map(partHull).reduce(unite)
    const near = this.near(hull, except)
    const scene = buildScene([{ id: '', kind: 'part', source: '', parts: held }, ...near])
    const joints = findJoints(scene)
    const own = joints.list.filter(({ a, b }) => a === 0 || b === 0)
    const heldBy = new Set(own.map(({ a, b }) => scene.nodes[a + b]!.id))
    const collidesWith = new Set<string>()
    for (const { a, b } of findOverlaps(scene, joints)) {
      const [one, other] = [scene.partNode[a]!, scene.partNode[b]!]
      if (one === 0 || other === 0) collidesWith.add(scene.nodes[one + other]!.id)
    }
    return {
      holds: own.reduce((sum, { studs }) => sum + studs, 0),
      heldBy: [...heldBy],
      collidesWith: [...collidesWith],
      isOnTable: hull.min[2] === this.table,
    }
  }

  /** The height of what stands under a box, or would be in it, as if something came down from above, u; the table where nothing does. */
  topUnder({ min, max }: Box, except: ReadonlySet<string> = new Set()): number {
    const column: Box = { min: [min[0], min[1], -FAR], max: [max[0], max[1], FAR] }
    let top = this.table
    this.tree.each(column, (box) => {
      const node = this.nodes[box]!
      if (except.has(node.id)) return false
      for (const { shape, pose } of node.parts) {
        for (const body of shape.bodies) {
          const stands = posedBox(pose, body)
          if (boxesMeet(stands, column)) top = Math.max(top, stands.max[2])
        }
      }
      return false
    })
    return Math.ceil(top - 1e-9) + 0
  }

  /** Around what of each node stands on the table, where that reaches into a box, u. */
  footsNear(around: Box, except: ReadonlySet<string>): Box[] {
    const found: Box[] = []
    this.tree.each(around, (box) => {
      const node = this.nodes[box]!
      if (except.has(node.id) || this.boxes[box]!.min[2] !== this.table) return false
      const low = node.parts.map(keptHull).filter(({ min }) => min[2] === this.table)
      if (low.length > 0) found.push(low.reduce(unite))
      return false
    })
    return found
  }

  /** Whether no body reaches into a box; studs below it do not count. */
  readonly hasRoom = (box: Box): boolean =>
    !this.tree.each(box, (node) =>
      this.nodes[node]!.parts.some(({ shape, pose }) => shape.bodies.some((body) => boxesMeet(posedBox(pose, body), box))),
    )

  private near(hull: Box, except: ReadonlySet<string>): NodeSpec[] {
    const [low, high] = [hull.min, hull.max]
    const around: Box = {
      min: [low[0] - REACH, low[1] - REACH, low[2] - REACH],
      max: [high[0] + REACH, high[1] + REACH, high[2] + REACH],
    }
    const found: NodeSpec[] = []
    this.tree.each(around, (box) => {
      const node = this.nodes[box]!
      if (!except.has(node.id)) {
        const parts = node.parts.length > 1 ? node.parts.filter((part) => boxesMeet(keptHull(part), around)) : node.parts
        if (parts.length > 0) found.push({ ...node, parts })
      }
      return false
    })
    return found
  }
}
