import { plural } from '../words'
import { defineCheck } from './check'

/** What nothing joins is planned, but counts nowhere: said before somebody misses the pieces. */
export const unjoined = defineCheck({
  code: 'unjoined',
  severity: 'warning',
  title: 'Nothing joins it',
  about: 'A section that nothing joins: its parts are in no count and no booklet.',
  scope: 'section',
  find({ built, use: { times, mirrored } }) {
    const parts = built.scene.parts.length + built.looseParts.flat().length
    if (times + mirrored > 0 || parts === 0) return []
    const message = `Nothing joins this section, so its ${plural(parts, 'part')} are in no count and no booklet.`
    return [{ section: built.base, step: null, parts: [], message }]
  },
})
