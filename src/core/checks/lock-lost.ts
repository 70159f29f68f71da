import { withSteps } from '../edits'
import { defineCheck } from './check'
import { nameParts } from './naming'
import { isAbout } from './ways'

export const lockLost = defineCheck({
  code: 'lock-lost',
  severity: 'warning',
  title: 'Lock not kept',
  about: 'A locked step could not be kept in one piece.',
  scope: 'rail',
  find: ({ built: { base, lostLocks = [] } }) =>
    lostLocks.map(({ ids, because }) => {
      const reason =
        because.length === 0 ? 'its parts do not go in one after another' : `${nameParts(because)} must come into the middle of it`
      const message = `The locked step with ${nameParts(ids)} could not be kept: ${reason}. Unlock it, or lock the parts in between with it.`
      return { section: base, step: null, parts: [...ids, ...because], message }
    }),
  waysOut({ section, finding }) {
    if (!section.steps) return []
    return [
      {
        label: 'Unlock it',
        change: (model) => withSteps(model, section.id, (steps) => steps.filter((step) => !isAbout(step, finding.parts))),
      },
    ]
  },
})
