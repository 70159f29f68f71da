import type { Adjacency } from '../joints'
import type { Scene } from '../scene'
import { PLATE_HEIGHT, STUD_PITCH } from '../space'
import { findClusters } from './clusters'
import { stepPart, type StepPart } from './limits'
import { findMirrorPairs } from './mirror-pairs'

/** What the scheduler asks of every node again and again, in flat tables; made once for all schedules of a section. */
export interface NodeFacts {
  /** Middle seen from above, in studs. */
  readonly x: Float64Array
  readonly y: Float64Array
  /** Lowest and highest plane, u. */
  readonly plane: Float64Array
  readonly top: Float64Array
  /** 1 for what is no higher than a plate. */
  readonly isFlat: Uint8Array
  /** Numbers that are equal for equal pieces; for equal pieces turned alike. */
  readonly piece: Int32Array
  readonly likeness: Int32Array
  /** 1 for a part, 0 for a copy or a unit. */
  readonly isPart: Uint8Array
  /** 1 for a copy of a section without parts: there is nothing to hold. */
  readonly isEmpty: Uint8Array
  /** The part on the other side of a symmetric section; −1 where there is none (`mirror-pairs.ts`). */
  readonly partner: Int32Array
  /** Cluster of each node (`clusters.ts`). */
  readonly cluster: Int32Array
  readonly stepParts: readonly StepPart[]
}

export function nodeFacts(scene: Scene, adjacency: Adjacency): NodeFacts {
  const count = scene.nodes.length
  const facts = {
    x: new Float64Array(count),
    y: new Float64Array(count),
    plane: new Float64Array(count),
    top: new Float64Array(count),
    isFlat: new Uint8Array(count),
    piece: new Int32Array(count),
    likeness: new Int32Array(count),
    isPart: new Uint8Array(count),
    isEmpty: new Uint8Array(count),
    partner: findMirrorPairs(scene),
    cluster: findClusters(scene, adjacency),
    stepParts: new Array<StepPart>(count),
  }
  const pieces = new Map<string, number>()
  const likenesses = new Map<string, number>()
  const texts = new Map<string, string>()
  scene.nodes.forEach((spec, node) => {
    const { min, max } = scene.nodeBoxes[node]!
    // Texts are many and few differ: each is kept once.
    const made = stepPart(scene, node)
    const [piece, likeness] = [once(texts, made.piece), once(texts, made.likeness)]
    facts.stepParts[node] = { piece, likeness, box: made.box }
    facts.x[node] = (min[0] + max[0]) / (2 * STUD_PITCH)
    facts.y[node] = (min[1] + max[1]) / (2 * STUD_PITCH)
    facts.plane[node] = min[2]
    facts.top[node] = max[2]
    facts.isFlat[node] = max[2] - min[2] <= PLATE_HEIGHT ? 1 : 0
    facts.piece[node] = numberOf(pieces, piece)
    facts.likeness[node] = numberOf(likenesses, likeness)
    facts.isPart[node] = spec.kind === 'part' ? 1 : 0
    facts.isEmpty[node] = spec.parts.length === 0 ? 1 : 0
  })
  return facts
}

function once(texts: Map<string, string>, text: string): string {
  const known = texts.get(text)
  if (known === undefined) texts.set(text, text)
  return known ?? text
}

function numberOf(numbers: Map<string, number>, text: string): number {
  let known = numbers.get(text)
  if (known === undefined) numbers.set(text, (known = numbers.size))
  return known
}
