import type { BuiltSection } from './built'
import { countTurns } from './orientation'
import { addSums, measuresOf, sumsOf, ZERO, type Measures } from './step-measures'

export type { Measures } from './step-measures'

const POORLY = 0.2

/** @param visible for each section, each step, the share of each added node that shows; missing where nothing was drawn */
export function measurePlan(built: readonly BuiltSection[], visible: readonly (readonly (readonly number[])[])[] | undefined): Measures {
  let sums = ZERO
  let poor = 0
  built.forEach((section, s) => {
    const own = sumsOf(section.scene, section.steps)
    const loose = section.looseParts.flat().length
    const moreSteps = Math.max(0, section.looseParts.length - section.steps.length)
    sums = addSums(sums, {
      ...own,
      parts: own.parts + loose,
      steps: own.steps + moreSteps,
      turns: countTurns(section.orientations, section),
    })
    poor += countPoor(visible?.[s] ?? [])
  })
  return measuresOf(sums, poor)
}

function countPoor(steps: readonly (readonly number[])[]): number {
  let poor = 0
  for (const shares of steps) {
    for (const share of shares) {
      if (share >= POORLY) continue
      poor++
      break
    }
  }
  return poor
}
