import { flatNodeBoxes, type Scene } from '../scene'
import { sizeOf, STUD_PITCH, type Box } from '../space'
import { stepPart } from './limits'

/** How well a plan reads (DESIGN.md section 5, measures). */
export interface Measures {
  readonly stepsPer100: number
  /** Between the middles of consecutive steps, in studs. */
  readonly meanJump: number
  /** Share of steps with a part less than 20 % visible. */
  readonly poorlyVisible: number
  /** How often the work is turned over or lifted, to be worked on from another side. */
  readonly turnsPer100: number
  /** Share of like neighbours at most one step apart. */
  readonly likeTogether: number
  /** How often, in a hundred steps, the picture is seen from another side than the step before. */
  readonly viewChangesPer100: number
  /** The drawn work's share of its picture's area, mean over the steps. */
  readonly pictureFill: number
  /** Of a hundred parts, those that could stand elsewhere without the picture telling; missing where nobody has looked. */
  readonly misreadablePer100?: number
}

/** Like parts at one height count as neighbours up to this gap between their bodies, in u: two studs. */
const NEIGHBOUR = 2 * STUD_PITCH

/** Sums from which measures are made, so that sections add up. */
export interface Sums {
  readonly steps: number
  readonly parts: number
  readonly way: number
  readonly jumps: number
  readonly pairs: number
  readonly together: number
  readonly turns: number
}

export const ZERO: Sums = { steps: 0, parts: 0, way: 0, jumps: 0, pairs: 0, together: 0, turns: 0 }

/** Turns of the work are counted by `countTurns`, since steps alone do not tell them. */
export function sumsOf(scene: Scene, steps: readonly (readonly number[])[]): Sums {
  const { pairs, parts } = sceneFacts(scene)
  const boxes = flatNodeBoxes(scene)
  const stepOf = new Int32Array(scene.nodes.length).fill(steps.length)
  let way = 0
  let jumps = -1
  let [x, y, z] = [0, 0, 0]
  for (let i = 0; i < steps.length; i++) {
    const step = steps[i]!
    if (step.length === 0) continue
    let [sumX, sumY, sumZ] = [0, 0, 0]
    for (const node of step) {
      stepOf[node] = i
      sumX += boxes[node * 6]! + boxes[node * 6 + 3]!
      sumY += boxes[node * 6 + 1]! + boxes[node * 6 + 4]!
      sumZ += boxes[node * 6 + 2]! + boxes[node * 6 + 5]!
    }
    const half = 1 / (2 * step.length)
    if (++jumps > 0) way += Math.hypot(sumX * half - x, sumY * half - y, sumZ * half - z)
    x = sumX * half
    y = sumY * half
    z = sumZ * half
  }
  let together = 0
  for (let i = 0; i < pairs.length; i += 2) if (Math.abs(stepOf[pairs[i]!]! - stepOf[pairs[i + 1]!]!) <= 1) together++
  return { steps: steps.length, parts, way: way / STUD_PITCH, jumps: Math.max(0, jumps), pairs: pairs.length / 2, together, turns: 0 }
}

/** What the measures ask of a scene, whatever its steps. */
interface SceneFacts {
  /** Like neighbours: pairs of nodes, one after the other. */
  readonly pairs: Int32Array
  readonly parts: number
}

const sceneFacts = (scene: Scene): SceneFacts => scene.tables.of(findFacts, scene)

const findFacts = (scene: Scene): SceneFacts => ({
  pairs: likePairs(scene),
  parts: scene.nodes.filter((spec) => spec.kind === 'part').length,
})

export const addSums = (a: Sums, b: Sums): Sums => ({
  steps: a.steps + b.steps,
  parts: a.parts + b.parts,
  way: a.way + b.way,
  jumps: a.jumps + b.jumps,
  pairs: a.pairs + b.pairs,
  together: a.together + b.together,
  turns: a.turns + b.turns,
})

/** What was seen of the steps, summed up: those that show a part poorly, those seen from another side than the one before, and how full. */
export interface SeenSums {
  readonly poor: number
  readonly changes: number
  /** Shares of pictures that are filled, and of how many. */
  readonly filled: number
  readonly pictures: number
  /** Parts that can be misread, and of how many. */
  readonly misread?: number
  readonly read?: number
}

const UNSEEN: SeenSums = { poor: 0, changes: 0, filled: 0, pictures: 0 }

export function measuresOf(sums: Sums, { poor, changes, filled, pictures, misread = 0, read }: SeenSums): Measures {
  const share = (part: number, whole: number, empty: number): number => Math.round((whole === 0 ? empty : part / whole) * 1000) / 1000
  return {
    stepsPer100: share(100 * sums.steps, sums.parts, 0),
    meanJump: share(sums.way, sums.jumps, 0),
    poorlyVisible: share(poor, sums.steps, 0),
    turnsPer100: share(100 * sums.turns, sums.steps, 0),
    likeTogether: share(sums.together, sums.pairs, 1),
    viewChangesPer100: share(100 * changes, sums.steps, 0),
    pictureFill: share(filled, pictures, 0),
    ...(read === undefined ? {} : { misreadablePer100: share(100 * misread, read, 0) }),
  }
}

/** The measures of one section's steps, but for what shows. */
export const measureSteps = (scene: Scene, steps: readonly (readonly number[])[]): Measures => measuresOf(sumsOf(scene, steps), UNSEEN)

/** What a reader is promised (DESIGN.md, measures). */
export const PROMISE = { stepsPer100: 20, meanJump: 6, likeTogether: 0.9 } as const

/** By how much steps break what is promised; 0 where they do not. */
export function brokenPromises(
  scene: Scene,
  steps: readonly (readonly number[])[],
  promise: Record<keyof typeof PROMISE, number> = PROMISE,
): number {
  const { stepsPer100, meanJump, likeTogether } = measureSteps(scene, steps)
  return (
    Math.max(0, stepsPer100 / promise.stepsPer100 - 1) +
    Math.max(0, meanJump / promise.meanJump - 1) +
    4 * Math.max(0, promise.likeTogether - likeTogether)
  )
}

/** For each part, its nearest like part (same piece, same turn, same height), within reach; found in buckets of likeness. */
function likePairs(scene: Scene): Int32Array {
  const buckets = new Map<string, number[]>()
  const { nodeBoxes } = scene
  scene.nodes.forEach((spec, node) => {
    if (spec.kind !== 'part') return
    const key = `${stepPart(scene, node).likeness}@${nodeBoxes[node]!.min[2]}`
    const bucket = buckets.get(key)
    if (bucket) bucket.push(node)
    else buckets.set(key, [node])
  })
  const pairs: number[] = []
  for (const bucket of buckets.values()) {
    bucket.sort((a, b) => nodeBoxes[a]!.min[0] - nodeBoxes[b]!.min[0] || nodeBoxes[a]!.min[1] - nodeBoxes[b]!.min[1])
    bucket.forEach((node, i) => {
      const near = nearestInLine(nodeBoxes, bucket, i)
      if (near >= 0) pairs.push(node, near)
    })
  }
  return Int32Array.from(pairs)
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
