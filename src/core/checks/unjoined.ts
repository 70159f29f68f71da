import { joinBeside, takeOutSection } from '../edits'
import { copiesOf, type ModelDocument } from '../model'
import { plural } from '../words'
import { defineCheck } from './check'

/** What nothing joins is planned, but counts nowhere: said before somebody misses the pieces. */
export const unjoined = defineCheck({
  code: 'unjoined',
  severity: 'error',
  title: 'Nothing joins it',
  about: 'A section that nothing joins: its parts are in no count and no booklet.',
  scope: 'section',
  find({ model, built, use: { times, mirrored } }) {
    const parts = built.scene.parts.length + built.looseParts.flat().length
    if (times + mirrored > 0 || parts === 0) return []
    // What another section uses is told with that one.
    if (model.sections.some((section) => copiesOf(section).some((copy) => copy.section === built.base))) return []
    const message = `Nothing joins this section, so its ${plural(parts, 'part')} are in no count and no booklet.`
    return [{ section: built.base, step: null, parts: [], message }]
  },
  waysOut: ({ model, section }) => [
    ...(joinBeside(model, section.id) === model
      ? []
      : [{ label: 'Join it: beside the whole', change: (now: ModelDocument) => joinBeside(now, section.id) }]),
    { label: 'Take it out of the model', change: (now) => takeOutSection(now, section.id) },
  ],
})
