import { defineCheck } from './check'
import { idsInOrder } from './naming'
import { planAgain } from './ways'

export const rests = defineCheck({
  code: 'rests',
  severity: 'error',
  about: 'Parts lie loose on the table for more than three steps.',
  scope: 'rail',
  find: ({ built }) =>
    built.holding.problems.flatMap(({ code, step, nodes }) => {
      if (code !== 'rests') return []
      const parts = idsInOrder(built, nodes)
      return [{ step: step + 1, parts, said: { key: 'find.rests', n: parts.length, about: { parts: { parts } } } }]
    }),
  waysOut: planAgain,
})
