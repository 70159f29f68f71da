import { add, length, middle, scale, sizeOf, STUD_PITCH, subtract, type Box, type Vec } from '../space'
import { stepPart } from './limits'
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
/** Like parts at one height count as neighbours up to this gap between their bodies, in u: two studs. */
const NEIGHBOUR = 2 * STUD_PITCH

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
  const buckets = new Map<string, number[]>()
  const { nodeBoxes } = section.scene
  section.scene.nodes.forEach((spec, node) => {
    if (spec.kind !== 'part') return
    const key = `${stepPart(section.scene, node).likeness}@${nodeBoxes[node]!.min[2]}`
    const bucket = buckets.get(key)
    if (bucket) bucket.push(node)
    else buckets.set(key, [node])
  })
  let pairs = 0
  let together = 0
  for (const bucket of buckets.values()) {
    bucket.sort((a, b) => nodeBoxes[a]!.min[0] - nodeBoxes[b]!.min[0] || nodeBoxes[a]!.min[1] - nodeBoxes[b]!.min[1])
    bucket.forEach((node, i) => {
      const near = nearestInLine(nodeBoxes, bucket, i)
      if (near < 0) return
      pairs++
      if (Math.abs(stepOf.get(node)! - stepOf.get(near)!) <= 1) together++
    })
  }
  return { pairs, together }
}

/** Like parts are equally large, so the gap along an axis follows from where they begin; the search stops where x alone is too far. */
function nearestInLine(boxes: readonly Box[], bucket: readonly number[], i: number): number {
  const here = boxes[bucket[i]!]!
  const [wide, deep] = sizeOf(here)
  let best = -1
  let bestGap = NEIGHBOUR + 1
  for (const way of [-1, 1]) {
    for (let j = i + way; j >= 0 && j < bucket.length; j += way) {
      const there = boxes[bucket[j]!]!
      const gapX = Math.abs(there.min[0] - here.min[0]) - wide
      if (gapX >= bestGap) break
      const gap = Math.max(gapX, Math.abs(there.min[1] - here.min[1]) - deep, 0)
      if (gap >= bestGap) continue
      best = bucket[j]!
      bestGap = gap
    }
  }
  return best
}
