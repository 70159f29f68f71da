import type { GivenStep } from '../model'
import { withSteps } from '../edits'
import { defineCheck } from './check'

export const stepTwice = defineCheck({
  code: 'step-twice',
  severity: 'error',
  about: 'A part or copy is added in more than one of the given steps.',
  scope: 'rail',
  find: ({ built: { twice } }) =>
    twice.map(({ id, step }) => ({
      step: step + 1,
      parts: [id],
      said: { key: 'find.stepTwice', about: { step: step + 1, id } },
    })),
  waysOut({ section, finding }) {
    if (!section.steps) return []
    return [
      {
        label: { key: 'act.keepFirst' },
        change: (model) => withSteps(model, section.id, (steps) => keepFirst(steps, finding.parts[0]!)),
      },
    ]
  },
})

function keepFirst(steps: readonly GivenStep[], id: string): GivenStep[] {
  let isMet = false
  const once = (ids: readonly string[] | undefined): string[] | undefined =>
    ids?.filter((other) => {
      if (other !== id) return true
      const isFirst = !isMet
      isMet = true
      return isFirst
    })
  return steps
    .map((step) => {
      const [add, join] = [once(step.add), once(step.join)]
      return { ...step, ...(add ? { add } : {}), ...(join ? { join } : {}) }
    })
    .filter((step) => (step.add?.length ?? 0) + (step.join?.length ?? 0) > 0)
}
