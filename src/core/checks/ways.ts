import type { GivenStep, Section } from '../model'
import { forgetSteps, setStepText, withParts } from '../edits'
import type { Trouble, WayOut } from './check'

/** Ways out that several checks offer. */

/** Whether all steps of the section are the designer's. */
export const hasGivenSteps = ({ steps, planRest }: Section): boolean => steps !== undefined && planRest !== true

/** The program lays the steps anew, where they are the designer's or some are locked. */
export const planAgain = ({ section }: Trouble): WayOut[] =>
  section.steps ? [{ label: { key: 'act.planAgain' }, change: (model) => forgetSteps(model, section.id) }] : []

/** A note says what the picture cannot; only where the step has none yet. @param what the note tells */
export function writeNote({ section, finding, plans, advice }: Trouble, what: 'note.where' | 'note.wayRound'): WayOut[] {
  const { section: id, step, parts } = finding
  if (step === null || id !== section.id || (section.steps?.[step - 1]?.note ?? '') !== '') return []
  const text = advice.say({ key: what, n: parts.length, about: { parts: { parts } } })
  return [
    {
      label: { key: 'act.writeNote' },
      change: (model) => setStepText(model, plans, { section: id, step: step - 1 }, { key: 'note', text }),
    },
  ]
}

export const freeColour = ({ section, finding: { parts } }: Trouble): WayOut[] => [
  {
    label: { key: 'act.freeColour', n: parts.length },
    change: (model) =>
      withParts(model, section.id, (all) => all.map((part) => (parts.includes(part.id) ? { ...part, showsColour: false } : part))),
  },
]

export const isAbout = (step: GivenStep, ids: readonly string[]): boolean =>
  [...(step.add ?? []), ...(step.join ?? [])].every((id) => ids.includes(id))
