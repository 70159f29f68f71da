import { add, length, middle, scale, sizeOf, STUD_PITCH, subtract, turnOfMatrix, type Vec } from '../space'
import type { BuiltSection } from './section-plan'

/** How well a plan reads (DESIGN.md section 5, measures). */
export interface Measures {
  readonly stepsPer100: number
  /** Between the middles of consecutive steps, in studs. */
  readonly meanJump: number
  /** Share of steps with a part less than 20 % visible. */
  readonly poorlyVisible: number
  readonly turnsPer100: number
  /** Share of like neighbours at most one step apart. */
  readonly likeTogether: number
}

const POORLY = 0.2
/** Like parts at one height count as neighbours up to this distance between their middles, in u. */
const NEIGHBOUR = 60

/** @param visible for each section, each step, the share of each added node that shows; missing where nothing was drawn */
export function measurePlan(built: readonly BuiltSection[], visible: readonly (readonly (readonly number[])[])[] | undefined): Measures {
  let steps = 0
  let parts = 0
  let jumps = 0
  let way = 0
  let poor = 0
  let pairs = 0
  let together = 0
  built.forEach((section, s) => {
    const middles = section.steps.filter((step) => step.length > 0).map((step) => stepMiddle(section, step))
    steps += Math.max(section.steps.length, section.looseParts.length)
    parts += section.scene.nodes.filter((spec) => spec.kind === 'part').length + section.looseParts.flat().length
    for (let i = 1; i < middles.length; i++) {
      way += length(subtract(middles[i]!, middles[i - 1]!)) / STUD_PITCH
      jumps++
    }
    poor += (visible?.[s] ?? []).filter((shares) => shares.some((share) => share < POORLY)).length
    const like = likePairs(section)
    pairs += like.pairs
    together += like.together
  })
  const round = (value: number): number => Math.round(value * 1000) / 1000
  return {
    stepsPer100: round(parts === 0 ? 0 : (100 * steps) / parts),
    meanJump: round(jumps === 0 ? 0 : way / jumps),
    poorlyVisible: round(steps === 0 ? 0 : poor / steps),
    turnsPer100: 0,
    likeTogether: round(pairs === 0 ? 1 : together / pairs),
  }
}

function stepMiddle(section: BuiltSection, step: readonly number[]): Vec {
  const sum = step.map((node) => middle(section.scene.nodeBoxes[node]!)).reduce(add)
  return scale(sum, 1 / step.length)
}

/** For each part, its nearest like part (same piece, same turn, same height), within reach; found in buckets of likeness. */
function likePairs(section: BuiltSection): { pairs: number; together: number } {
  const stepOf = new Map<number, number>()
  section.steps.forEach((step, i) => {
    for (const node of step) stepOf.set(node, i)
  })
  const buckets = new Map<string, { node: number; at: Vec }[]>()
  section.scene.nodes.forEach((spec, node) => {
    const placed = spec.parts[0]
    if (spec.kind !== 'part' || !placed) return
    const box = section.scene.nodeBoxes[node]!
    const key = `${placed.shape.id} ${placed.colour} ${turnOfMatrix(placed.pose.matrix) ?? ''} ${box.min[2]} ${sizeOf(box).join()}`
    const bucket = buckets.get(key)
    if (bucket) bucket.push({ node, at: middle(box) })
    else buckets.set(key, [{ node, at: middle(box) }])
  })
  let pairs = 0
  let together = 0
  for (const bucket of buckets.values()) {
    bucket.sort((a, b) => a.at[0] - b.at[0] || a.at[1] - b.at[1])
    for (let i = 0; i < bucket.length; i++) {
      const near = nearestInLine(bucket, i)
      if (near < 0) continue
      pairs++
      if (Math.abs(stepOf.get(bucket[i]!.node)! - stepOf.get(bucket[near]!.node)!) <= 1) together++
    }
  }
  return { pairs, together }
}

/** Looks both ways along x from i and stops where x alone is farther than the best. */
function nearestInLine(bucket: readonly { at: Vec }[], i: number): number {
  let best = -1
  let bestFar = NEIGHBOUR
  for (const way of [-1, 1]) {
    for (let j = i + way; j >= 0 && j < bucket.length; j += way) {
      if (Math.abs(bucket[j]!.at[0] - bucket[i]!.at[0]) > bestFar) break
      const far = length(subtract(bucket[j]!.at, bucket[i]!.at))
      if (far > bestFar || (far === bestFar && best >= 0)) continue
      best = j
      bestFar = far
    }
  }
  return best
}
