import { HOLD, type HoldKind } from '../catalogue'
import type { ChainLink, LinkKind } from '../fit'
import { Flattener, type ModelDocument } from '../model'
import { buildScene, sectionNodes, type Scene } from '../scene'
import { findJoints, type Joints } from './joints'

/** A way from one thing of a section to another, over what holds. */
export interface SlackChain {
  /** Parts and copies from one end to the other, by id. */
  readonly along: readonly string[]
  readonly links: readonly ChainLink[]
}

const LINK_OF: Readonly<Record<HoldKind, LinkKind>> = {
  [HOLD.stud]: 'stud joint',
  [HOLD.press]: 'stud joint',
  [HOLD.clip]: 'clip',
  [HOLD.hole]: 'peg',
  [HOLD.cross]: 'peg',
  [HOLD.post]: 'peg',
  [HOLD.ball]: 'ball',
  [HOLD.hinge]: 'hinge',
}

/**
 * The shortest way between two parts or copies of a section, and, where there is one, the shortest that shares no joint with it: what
 * closes a ring must be as long one way as the other. Nothing where no way leads there. Breadth first, O(joints).
 */
export function slackChains(model: ModelDocument, sectionId: string, [from, to]: readonly [string, string]): SlackChain[] {
  const scene = buildScene(sectionNodes(model, new Flattener(model), sectionId))
  const joints = findJoints(scene)
  const [start, end] = [from, to].map((id) => scene.nodes.findIndex((node) => node.id === id))
  if (start === undefined || end === undefined || start < 0 || end < 0 || start === end) return []
  const first = shortestWay(joints, [start, end], new Set())
  if (!first) return []
  const second = shortestWay(joints, [start, end], new Set(first.map(({ joint }) => joint)))
  return [first, ...(second ? [second] : [])].map((way) => chainOf(way, { scene, joints, start }))
}

/** One step of a way: over a joint, to a node. */
interface WayStep {
  readonly joint: number
  readonly node: number
}

function shortestWay({ adjacency }: Joints, [from, to]: readonly [number, number], closed: ReadonlySet<number>): WayStep[] | undefined {
  const { start, list, joint } = adjacency
  /** By which step each node was come to, and from where. */
  const came = new Map<number, WayStep & { readonly from: number }>()
  let edge = [from]
  while (edge.length > 0 && !came.has(to)) {
    const next: number[] = []
    for (const node of edge) {
      for (let i = start[node]!; i < start[node + 1]!; i++) {
        const other = list[i]!
        if (other === from || came.has(other) || closed.has(joint[i]!)) continue
        came.set(other, { joint: joint[i]!, node: other, from: node })
        next.push(other)
      }
    }
    edge = next
  }
  const way: WayStep[] = []
  for (let at = came.get(to); at; at = came.get(at.from)) way.unshift({ joint: at.joint, node: at.node })
  return way.length === 0 ? undefined : way
}

interface WayContext {
  readonly scene: Scene
  readonly joints: Joints
  readonly start: number
}

function chainOf(way: readonly WayStep[], { scene, joints: { list }, start }: WayContext): SlackChain {
  const counts = new Map<LinkKind, number>()
  const add = (kind: LinkKind): void => void counts.set(kind, (counts.get(kind) ?? 0) + 1)
  way.forEach(({ joint, node }, i) => {
    add(LINK_OF[list[joint]!.hold])
    const next = way[i + 1]
    // Whoever goes in by the base of a bracket and out by its wall goes over the corner between them.
    if (next && isBracket(scene, node) && list[joint]!.lets !== list[next.joint]!.lets) add('bracket')
  })
  return {
    along: [start, ...way.map(({ node }) => node)].map((node) => scene.nodes[node]!.id),
    links: [...counts].map(([kind, count]) => ({ kind, count })),
  }
}

const isBracket = ({ nodes }: Scene, node: number): boolean => nodes[node]!.parts.some(({ shape }) => shape.family === 'bracket')
