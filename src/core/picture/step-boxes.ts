import { flatNodeBoxes, type Scene } from '../scene'
import type { Box } from '../space'
import { GrowingBox } from './growing-box'
import type { Steps } from './look'

/** Where the steps of a rail work, u. */
export interface StepBoxes {
  /** Around all that is there after each step; each holds the one before. */
  readonly all: readonly Box[]
  /** Around what each step brings. */
  readonly work: readonly Box[]
}

/**
 * The boxes of steps. As long as nothing grows, all that is there has the same object around it, so that thousands of steps cost as many
 * looks as growths.
 * @param empty where nothing has come yet
 */
export function boxesOfSteps(scene: Scene, steps: Steps, empty: Box): StepBoxes {
  const boxes = flatNodeBoxes(scene)
  return collectBoxes(steps, empty, (step, around) => {
    for (const node of step) around.addRow(boxes, node)
  })
}

/** The same of anything that steps bring. @param addTo adds what a step brings to a box */
export function collectBoxes<Step>(steps: readonly Step[], empty: Box, addTo: (step: Step, around: GrowingBox) => void): StepBoxes {
  const there = new GrowingBox()
  const all: Box[] = []
  const work: Box[] = []
  for (const step of steps) {
    const own = new GrowingBox()
    addTo(step, own)
    if (own.box) there.add(own.box)
    all.push(there.box ?? empty)
    work.push(own.box ?? there.box ?? empty)
  }
  return { all, work }
}
