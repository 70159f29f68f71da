import type { BuiltSection } from './built'
import { countTurns } from './orientation'
import { addSums, measuresOf, sumsOf, ZERO, type Measures } from './step-measures'

export type { Measures } from './step-measures'

const POORLY = 0.2

/** What was seen of a plan: for each section, each step, the share of each added node that shows, the side it is seen from, how full its picture is. */
interface SeenStepShares {
  readonly shares: readonly (readonly (readonly number[])[])[]
  readonly views: readonly (readonly number[])[]
  readonly fills: readonly (readonly number[])[]
  /** Parts that can be misread, and of how many; missing where nobody has looked. */
  readonly reading?: { readonly parts: number; readonly misread: number }
}

/** @param seen missing where nothing was drawn */
export function measurePlan(built: readonly BuiltSection[], seen?: SeenStepShares): Measures {
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
    poor += countPoor(seen?.shares[s] ?? [])
  })
  const changes = (seen?.views ?? []).reduce((sum, views) => sum + views.filter((view, i) => i > 0 && view !== views[i - 1]).length, 0)
  const fills = (seen?.fills ?? []).flat()
  return measuresOf(sums, {
    poor,
    changes,
    filled: fills.reduce((sum, fill) => sum + fill, 0),
    pictures: fills.length,
    ...(seen?.reading ? { read: seen.reading.parts, misread: seen.reading.misread } : {}),
  })
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
