import { memo } from '../memo'
import { isLoose, partsOf, sectionById, type Part } from '../model'
import { defineCheck } from './check'
import { nameParts } from './naming'

export const loose = defineCheck({
  code: 'loose',
  severity: 'note',
  title: 'Without a place',
  about: 'Parts are counted but have no position, so nothing about their place is checked.',
  scope: 'section',
  find({ model, built }) {
    const parts = looseIds(partsOf(sectionById(model, built.base)))
    if (parts.length === 0) return []
    const isOne = parts.length === 1
    const message = `${nameParts(parts)} ${isOne ? 'is' : 'are'} counted but ${isOne ? 'has' : 'have'} no position, so nothing about ${isOne ? 'its' : 'their'} place is checked.`
    return [{ section: built.base, step: null, parts, message }]
  },
})

const looseIds = memo((parts: readonly Part[]): readonly string[] => parts.filter(isLoose).map(({ id }) => id))
