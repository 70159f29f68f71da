import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { connectedHeap } from '../../../tests/support/heaps'
import { findJoints, type Joints } from '../joints'
import { Flattener, type ModelDocument } from '../model'
import { reverseTravel, SpaceLeft } from '../motion'
import { buildScene, sectionNodes, type Scene } from '../scene'
import { CutOffSearch } from './cut-off'
import { followHolding } from './holding'
import { fitsLimits, stepPart } from './limits'
import { STRATEGY_WEIGHTS } from './scheduling-weights'
import { Peeler } from './peel'
import { planModel } from './plan'
import { findPrecedence } from './precede'
import { schedule } from './schedule'
import { searchSchedule } from './search'
import { NORMAL_LIMITS } from './types'

/** The stages of a plan one by one, on hostile heaps of parts, each against what can be said of it plainly. */
const RUNS = { numRuns: 60 }

function spaceOf(model: ModelDocument): SpaceLeft {
  const scene = buildScene(sectionNodes(model, new Flattener(model), 'main'))
  return new SpaceLeft(scene, findJoints(scene))
}

const neighbours = ({ adjacency: { start, list } }: Joints, node: number): number[] => [...list.subarray(start[node], start[node + 1])]

/** Connected parts of what is there, found by walking. */
function pieces(joints: Joints, there: ReadonlySet<number>): Set<number>[] {
  const left = new Set(there)
  const found: Set<number>[] = []
  for (const first of there) {
    if (!left.has(first)) continue
    const piece = new Set([first])
    for (const node of piece) for (const other of neighbours(joints, node)) if (there.has(other)) piece.add(other)
    for (const node of piece) left.delete(node)
    found.push(piece)
  }
  return found
}

const nodesOf = ({ nodes }: Scene): number[] => nodes.map((_, node) => node)

describe('what is cut off', () => {
  it('are all pieces but one that the leaving nodes held together', () => {
    fc.assert(
      fc.property(
        connectedHeap(14),
        fc.array(fc.nat(99), { maxLength: 4 }),
        fc.array(fc.nat(99), { minLength: 1, maxLength: 2 }),
        (model, gone, going) => {
          const space = spaceOf(model)
          const count = space.scene.nodes.length
          for (const node of new Set(gone.map((each) => each % count))) if (space.count > 1) space.remove(node)
          const there = nodesOf(space.scene).filter((node) => space.isThere[node] === 1)
          const leaving = [...new Set(going.map((each) => there[each % there.length]!))]
          const floor = Uint8Array.from(nodesOf(space.scene), (node) => (space.scene.nodeBoxes[node]!.min[2] === 0 ? 1 : 0))
          const search = new CutOffSearch(space, floor)
          const cut = search.find(leaving)
          const beside = new Set(leaving.flatMap((node) => neighbours(space.joints, node)))
          const rest = pieces(space.joints, new Set(there.filter((node) => !leaving.includes(node)))).filter((piece) =>
            [...piece].some((node) => beside.has(node)),
          )
          expect(cut).toHaveLength(Math.max(0, rest.length - 1))
          for (const { nodes, touchesFloor } of cut) {
            const piece = rest.find((each) => each.has(nodes[0]!))!
            expect(new Set(nodes)).toEqual(piece)
            expect(touchesFloor).toBe(nodes.some((node) => floor[node] === 1))
          }
          if (leaving.length === 1) expect(search.cuts(leaving[0]!)).toBe(rest.length > 1)
        },
      ),
      { numRuns: 150 },
    )
  })
})

describe('taking apart', () => {
  it('takes everything once, each along a way that is free when it goes', () => {
    fc.assert(
      fc.property(connectedHeap(12), (model) => {
        const removals = new Peeler(spaceOf(model)).run()
        const again = spaceOf(model)
        for (const { nodes, travel, block, press } of removals) {
          if (nodes.length === 1 && !block && press === undefined) expect(again.blocker(nodes[0]!, travel)).toBe(-1)
          for (const node of nodes) again.remove(node)
        }
        expect(again.count).toBe(0)
        expect(removals.flatMap(({ nodes }) => nodes).sort((a, b) => a - b)).toEqual(nodesOf(again.scene))
      }),
      RUNS,
    )
  })
})

describe('who must come before whom', () => {
  it('leaves an order, and what comes in finds its way free in every order that keeps it', () => {
    fc.assert(
      fc.property(connectedHeap(10), fc.array(fc.nat(99), { minLength: 12, maxLength: 12 }), (model, choices) => {
        const removals = new Peeler(spaceOf(model)).run()
        if (removals.some(({ nodes, block, press }) => nodes.length > 1 || block !== undefined || press !== undefined)) return
        const space = spaceOf(model)
        const travels = nodesOf(space.scene).map((node) => removals.find(({ nodes }) => nodes[0] === node)!.travel)
        const { after, waits } = findPrecedence(space, travels)
        const left = waits.slice()
        const ready = nodesOf(space.scene).filter((node) => left[node] === 0)
        const order: number[] = []
        for (let i = 0; ready.length > 0; i++) {
          const [node] = ready.splice(choices[i % choices.length]! % ready.length, 1)
          order.push(node!)
          for (const next of after[node!]!) if (--left[next]! === 0) ready.push(next)
        }
        expect(order).toHaveLength(space.scene.nodes.length)
        // Backwards, each can leave the way it came.
        for (const node of order.reverse()) {
          expect(space.blocker(node, travels[node]!)).toBe(-1)
          space.remove(node)
        }
        expect(travels.map(reverseTravel).map(reverseTravel)).toEqual(travels)
      }),
      RUNS,
    )
  })
})

describe('steps', () => {
  it('bring everything once, nothing before what it waits for, and no more than a reader takes', () => {
    fc.assert(
      fc.property(connectedHeap(14), (model) => {
        for (const { frame } of planModel(model).built) {
          if (!frame) continue
          for (const weights of Object.values(STRATEGY_WEIGHTS).flat()) {
            const steps = schedule(frame, { limits: NORMAL_LIMITS, weights })
            const order = steps.flat()
            expect([...order].sort((a, b) => a - b)).toEqual(nodesOf(frame.scene))
            const place = new Map(order.map((node, i) => [node, i]))
            frame.order.after.forEach((later, node) => later.forEach((then) => expect(place.get(node)!).toBeLessThan(place.get(then)!)))
            for (const step of steps) {
              if (step.length > 1 && step.every((node) => frame.scene.nodes[node]!.kind === 'part'))
                expect(
                  fitsLimits(
                    step.map((node) => stepPart(frame.scene, node)),
                    NORMAL_LIMITS,
                  ),
                ).toBe(true)
            }
          }
        }
      }),
      { numRuns: 25 },
    )
  })

  it('that were searched for are none worse than the usual ones', () => {
    fc.assert(
      fc.property(connectedHeap(14), fc.nat(50), (model, seed) => {
        for (const { frame } of planModel(model).built) {
          if (!frame) continue
          const usual = searchSchedule(frame, { limits: NORMAL_LIMITS })
          const searched = searchSchedule(frame, { limits: NORMAL_LIMITS, effort: 200, seed })
          expect(searched.cost).toBeLessThanOrEqual(usual.cost)
          expect(searchSchedule(frame, { limits: NORMAL_LIMITS, effort: 200, seed }).steps).toEqual(searched.steps)
        }
      }),
      { numRuns: 25 },
    )
  })
})

describe('what holds together', () => {
  it('is followed as walking through the joints finds it, whatever the order', () => {
    fc.assert(
      fc.property(
        connectedHeap(12),
        fc.array(fc.nat(99), { minLength: 14, maxLength: 14 }),
        fc.integer({ min: 1, max: 4 }),
        (model, shuffle, size) => {
          const { scene, joints } = spaceOf(model)
          const order = nodesOf(scene).sort((a, b) => shuffle[a % shuffle.length]! - shuffle[b % shuffle.length]! || a - b)
          const steps = Array.from({ length: Math.ceil(order.length / size) }, (_, i) => order.slice(i * size, (i + 1) * size))
          const { looseAfter, problems } = followHolding(scene, joints, steps)
          const there = new Set<number>()
          steps.forEach((step, i) => {
            for (const node of step) there.add(node)
            expect(looseAfter[i]).toBe(pieces(joints, there).length - 1)
          })
          // All hangs together at last, so nothing is called unheld but what hung in the air on its way.
          const lowest = Math.min(...scene.nodeBoxes.map(({ min }) => min[2]))
          for (const { code, nodes, step } of problems) {
            expect(step).toBeLessThan(steps.length)
            if (code === 'rests') expect(nodes.length).toBeGreaterThan(0)
            else expect(nodes.every((node) => scene.nodeBoxes[node]!.min[2] > lowest || node === order[0])).toBe(true)
          }
        },
      ),
      { numRuns: 150 },
    )
  })
})
