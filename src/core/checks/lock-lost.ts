import { withSteps } from '../edits'
import type { Said } from '../language'
import { defineCheck } from './check'
import { isAbout } from './ways'

export const lockLost = defineCheck({
  code: 'lock-lost',
  severity: 'warning',
  about: 'A locked step could not be kept in one piece.',
  scope: 'rail',
  find: ({ built: { base, lostLocks = [] } }) =>
    lostLocks.map(({ ids, because }) => {
      const parts = { parts: ids }
      const said: Said =
        because.length === 0
          ? { key: 'find.lockScattered', about: { parts } }
          : { key: 'find.lockBroken', about: { parts, because: { parts: because } } }
      return { section: base, step: null, parts: [...ids, ...because], said }
    }),
  waysOut({ section, finding }) {
    if (!section.steps) return []
    return [
      {
        label: { key: 'act.unlock' },
        change: (model) => withSteps(model, section.id, (steps) => steps.filter((step) => !isAbout(step, finding.parts))),
      },
    ]
  },
})
