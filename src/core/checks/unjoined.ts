import { joinBeside, takeOutSection } from '../edits'
import { copiesOf, type ModelDocument } from '../model'
import { defineCheck } from './check'

/** What nothing joins is planned, but counts nowhere: said before somebody misses the pieces. */
export const unjoined = defineCheck({
  code: 'unjoined',
  severity: 'error',
  about: 'A section that nothing joins: its parts are in no count and no booklet.',
  scope: 'section',
  find({ model, built, use: { times, mirrored } }) {
    const parts = built.scene.parts.length + built.looseParts.flat().length
    if (times + mirrored > 0 || parts === 0) return []
    // What another section uses is told with that one.
    if (model.sections.some((section) => copiesOf(section).some((copy) => copy.section === built.base))) return []
    return [{ section: built.base, step: null, parts: [], said: { key: 'find.unjoined', n: parts } }]
  },
  waysOut: ({ model, section }) => [
    ...(joinBeside(model, section.id) === model
      ? []
      : [{ label: { key: 'act.joinBeside' as const }, change: (now: ModelDocument) => joinBeside(now, section.id) }]),
    { label: { key: 'act.takeOutSection' }, change: (now) => takeOutSection(now, section.id) },
  ],
})
