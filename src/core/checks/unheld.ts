import { defineCheck } from './check'
import { idsInOrder } from './naming'
import { planAgain } from './ways'

export const unheld = defineCheck({
  code: 'unheld',
  severity: 'error',
  about: 'Parts hold to nothing, and do not rest on the table.',
  scope: 'rail',
  find: ({ built }) =>
    built.holding.problems.flatMap(({ code, step, nodes }) => {
      if (code !== 'unheld') return []
      const parts = idsInOrder(built, nodes)
      return [{ step: step + 1, parts, said: { key: 'find.unheld', n: parts.length, about: { parts: { parts } } } }]
    }),
  waysOut: planAgain,
})
