import { defineCheck } from './check'
import { idsInOrder, nameParts } from './naming'
import { planAgain } from './ways'

export const unheld = defineCheck({
  code: 'unheld',
  severity: 'error',
  title: 'Nothing holds it',
  about: 'Parts hold to nothing, and do not rest on the table.',
  scope: 'rail',
  find: ({ built }) =>
    built.holding.problems.flatMap(({ code, step, nodes }) => {
      if (code !== 'unheld') return []
      const parts = idsInOrder(built, nodes)
      const them = parts.length === 1 ? 'it' : 'them'
      const message = `Nothing holds ${nameParts(parts)}. Connect ${them} to the rest, or make ${them} a section.`
      return [{ step: step + 1, parts, message }]
    }),
  waysOut: planAgain,
})
