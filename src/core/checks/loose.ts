import { memo } from '../memo'
import { isLoose, partsOf, sectionById, type Part } from '../model'
import { defineCheck } from './check'

export const loose = defineCheck({
  code: 'loose',
  severity: 'note',
  about: 'Parts are counted but have no position, so nothing about their place is checked.',
  scope: 'section',
  find({ model, built }) {
    const parts = looseIds(partsOf(sectionById(model, built.base)))
    if (parts.length === 0) return []
    return [{ section: built.base, step: null, parts, said: { key: 'find.loose', n: parts.length, about: { parts: { parts } } } }]
  },
})

const looseIds = memo((parts: readonly Part[]): readonly string[] => parts.filter(isLoose).map(({ id }) => id))
