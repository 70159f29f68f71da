import { HOLD } from '../catalogue'
import { defineCheck } from './check'
import { idsOf, lastStep } from './naming'
import { techniqueReason, techniqueTitle } from './techniques'
import { findPressed } from '../joints'
import { techniquesOf, type Technique } from '../model'
import type { BuiltSection } from '../plan'
import type { Scene } from '../scene'
import { apply, isLatticePose, posed, STUD_PITCH, type Vec } from '../space'

/** The policy says how much is made of each technique. One finding a technique and pair of nodes. */
export const strained = defineCheck({
  code: 'strained',
  severity: 'warning',
  about: 'A technique that some builders refuse, since a piece is strained.',
  scope: 'rail',
  find: ({ built, model }) =>
    [...built.scene.tables.of(findTechniques, built)].flatMap(([technique, pairs]) => {
      const severity = techniquesOf(model)[technique]
      if (severity === 'allowed') return []
      return pairs.map((nodes) => {
        const parts = idsOf(built, nodes)
        const about = { title: techniqueTitle(technique), parts: { parts }, reason: techniqueReason(technique) }
        return { section: built.base, step: lastStep(built, nodes), parts, said: { key: 'find.strained', about }, severity }
      })
    }),
})

type NodePair = readonly [number, number]

/** Techniques do not depend on steps. */
const findTechniques = (built: BuiltSection): ReadonlyMap<Technique, readonly NodePair[]> =>
  new Map<Technique, readonly NodePair[]>([
    ['stud-in-hole', studsInHoles(built)],
    ['plate-between-studs', platesBetweenStuds(built.scene)],
    ['slopes-nose-to-nose', nosesTogether(built.scene)],
    ['off-the-lattice', missedJoints(built)],
  ])

/** Pairs of nodes, each once. */
class NodePairs {
  private readonly seen = new Set<string>()
  readonly list: NodePair[] = []

  add(a: number, b: number): void {
    const pair: NodePair = a < b ? [a, b] : [b, a]
    if (a === b || this.seen.has(pair.join())) return
    this.seen.add(pair.join())
    this.list.push(pair)
  }
}

function studsInHoles({ scene, joints }: BuiltSection): NodePair[] {
  const pairs = new NodePairs()
  joints.list.forEach(({ a, b, hold }, joint) => {
    if (hold !== HOLD.stud) return
    for (let i = joints.held.start[joint]!; i < joints.held.start[joint + 1]!; i++) {
      const holder = scene.parts[joints.held.socketPart[i]!]!
      const at = [0, 1, 2].map((k) => joints.held.places[i * 3 + k]!)
      const isMouth = holder.shape.connectors.some(
        (connector) => connector.kind === 'mouth' && posed(holder.pose, connector.at).every((value, k) => Math.abs(value - at[k]!) < 0.5),
      )
      if (isMouth) pairs.add(a, b)
    }
  })
  return pairs.list
}

/** Joints that miss by more than this bend what is between them, u. */
const BENDS = 0.05

function missedJoints({ joints }: BuiltSection): NodePair[] {
  const pairs = new NodePairs()
  for (const { a, b, miss } of joints.list) if (miss > BENDS) pairs.add(a, b)
  return pairs.list
}

const keyOf = (v: Vec): string => v.map((value) => value + 0).join()

/** Noses of low slopes, a cell at a time: two at one place that look at each other. */
function nosesTogether(scene: Scene): NodePair[] {
  const pairs = new NodePairs()
  const noses = new Map<string, number>()
  scene.parts.forEach((placed, part) => {
    const { shape, pose } = placed
    if (shape.family !== 'low slope' || !isLatticePose(pose)) return
    const way = apply(pose.matrix, [0, -1, 0])
    const up = apply(pose.matrix, [0, 0, 1])
    for (let x = STUD_PITCH / 2; x < shape.box[0]; x += STUD_PITCH) {
      const place = `${keyOf(posed(pose, [x, 0, 0]))} ${keyOf(up)}`
      const other = noses.get(`${place} ${keyOf(apply(pose.matrix, [0, 1, 0]))}`)
      if (other !== undefined) pairs.add(scene.partNode[part]!, other)
      noses.set(`${place} ${keyOf(way)}`, scene.partNode[part]!)
    }
  })
  return pairs.list
}

/** Plates that stand on edge where only the room between two rows of studs is. */
function platesBetweenStuds(scene: Scene): NodePair[] {
  const pairs = new NodePairs()
  for (const { edge, studs } of findPressed(scene)) pairs.add(scene.partNode[edge]!, scene.partNode[studs[0]]!)
  return pairs.list
}
