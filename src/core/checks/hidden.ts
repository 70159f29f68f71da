import { travelVector } from '../motion'
import { isDrawnBeside } from '../picture'
import type { BuiltSection } from '../plan'
import { defineCheck } from './check'
import { idsOf } from './naming'
import { planAgain } from './ways'

export const hidden = defineCheck({
  code: 'hidden',
  severity: 'warning',
  about: 'A part that a step brings shows nowhere in the picture of that step.',
  scope: 'rail',
  find: ({ built, looks }) =>
    looks.flatMap(({ shares }, i) => {
      if (!shares.includes(0)) return []
      const unseen = (built.steps[i] ?? []).filter((node, k) => shares[k] === 0 && !isBeside(built, i, node))
      if (unseen.length === 0) return []
      const parts = idsOf(built, unseen)
      return [{ step: i + 1, parts, said: { key: 'find.hidden', n: parts.length, about: { parts: { parts } } } }]
    }),
  waysOut: planAgain,
})

/** In the picture it stands beside its place as well: a pin shows before it is in its hole. */
function isBeside({ scene, steps, arrives, orientations }: BuiltSection, step: number, node: number): boolean {
  if (step === 0) return false
  const ways = steps[step]!.filter((each) => scene.nodes[each]!.kind === 'part').map((each) => travelVector(arrives[each]!).join())
  const travel = travelVector(arrives[node]!)
  const alike = ways.filter((way) => way === travel.join()).length
  return isDrawnBeside({ isPart: scene.nodes[node]!.kind === 'part', travel, alike }, orientations[step]!)
}
