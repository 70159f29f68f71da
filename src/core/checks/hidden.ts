import { defineCheck } from './check'
import { idsOf, nameParts } from './naming'
import { planAgain } from './ways'

export const hidden = defineCheck({
  code: 'hidden',
  severity: 'warning',
  title: 'Cannot be seen',
  about: 'A part that a step brings shows nowhere in the picture of that step.',
  scope: 'rail',
  find: ({ built, looks }) =>
    looks.flatMap(({ shares }, i) => {
      if (!shares.includes(0)) return []
      const unseen = (built.steps[i] ?? []).filter((_, k) => shares[k] === 0)
      if (unseen.length === 0) return []
      const parts = idsOf(built, unseen)
      const them = parts.length === 1 ? 'it' : 'them'
      const message = `${nameParts(parts)} cannot be seen in the picture of this step. Add ${them} before what hides ${them}.`
      return [{ step: i + 1, parts, message }]
    }),
  waysOut: planAgain,
})
