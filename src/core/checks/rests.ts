import { defineCheck } from './check'
import { idsInOrder, nameParts } from './naming'
import { planAgain } from './ways'

export const rests = defineCheck({
  code: 'rests',
  severity: 'error',
  title: 'Loose for too long',
  about: 'Parts lie loose on the table for more than three steps.',
  scope: 'rail',
  find: ({ built }) =>
    built.holding.problems.flatMap(({ code, step, nodes }) => {
      if (code !== 'rests') return []
      const parts = idsInOrder(built, nodes)
      const isOne = parts.length === 1
      const message = `${nameParts(parts)} lie${isOne ? 's' : ''} loose on the table for more than three steps. Add what holds ${isOne ? 'it' : 'them'} sooner.`
      return [{ step: step + 1, parts, message }]
    }),
  waysOut: planAgain,
})
