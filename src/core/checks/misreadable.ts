import type { AdviceKey } from '../language'
import { partsOf, sectionById, type ModelDocument } from '../model'
import type { Slip } from '../reading'
import { dot, type Vec } from '../space'
import { defineCheck } from './check'
import type { Finding } from './finding'
import { idsOf } from './naming'
import { isNoted } from './noted'
import { writeNote } from './ways'

/** Parts that could stand elsewhere without the picture of their step telling. */
export const misreadable = defineCheck({
  code: 'misreadable',
  severity: 'note',
  about:
    'The same piece one stud or plate off, or turned a quarter or half, would hold and be possible too, and the picture of the step would change in less than 0.15 % of its dots, or over less than 12 dots. Looked for by `plan` and `check`, and on the Checks screen when it is asked for.',
  scope: 'rail',
  find({ model, built, misreadings }) {
    const section = sectionById(model, built.base)
    return misreadings
      .map(({ step, node, slip, off }) => ({ step: step + 1, parts: idsOf(built, [node]), slip, off }))
      .filter(({ step }) => !isNoted(section, step))
      .map(({ step, parts, slip, off }) => ({
        step,
        parts,
        said: { key: 'find.misreadable', about: { parts: { parts }, slip: { key: slipKey(slip, off) } } },
      }))
  },
  waysOut: (trouble) => writeNote(trouble, 'note.where'),
})

const WAYS: readonly { readonly way: Vec; readonly side: 'Right' | 'Left' | 'Back' | 'Front' | 'Up' | 'Down' }[] = [
  { way: [1, 0, 0], side: 'Right' },
  { way: [-1, 0, 0], side: 'Left' },
  { way: [0, 1, 0], side: 'Back' },
  { way: [0, -1, 0], side: 'Front' },
  { way: [0, 0, 1], side: 'Up' },
  { way: [0, 0, -1], side: 'Down' },
]

/** "One stud to the left", "turned a quarter". */
function slipKey(slip: Slip, off: Vec): AdviceKey {
  if (slip === 'quarter' || slip === 'half') return `slip.${slip}`
  const { side } = WAYS.reduce((best, each) => (dot(each.way, off) > dot(best.way, off) ? each : best))
  return `slip.${slip}${side}`
}

/** Of findings of an earlier version those that still can be so: the parts are there, and no note tells where they go. */
export function stillMisread(model: ModelDocument, findings: readonly Finding[]): Finding[] {
  const sections = new Map(model.sections.map((section) => [section.id, { section, ids: new Set(partsOf(section).map(({ id }) => id)) }]))
  return findings.filter(({ section, step, parts }) => {
    const known = sections.get(section)
    // A unit that was made of some parts of a section is none of the document's.
    return !known || (!isNoted(known.section, step) && parts.every((id) => known.ids.has(id)))
  })
}
