import { copiesOf, partsOf, type ModelDocument, type Part } from './types'

/** A piece and how many of it. */
export interface LoosePieces {
  readonly shape: string
  readonly colour: string
  readonly count: number
}

/** The model with pieces added to a section as loose parts: counted, without a place, each under an id of its own. */
export function withLooseParts(model: ModelDocument, sectionId: string, pieces: readonly LoosePieces[]): ModelDocument {
  const sections = model.sections.map((section) => {
    if (section.id !== sectionId) return section
    const taken = new Set([...partsOf(section), ...copiesOf(section)].map(({ id }) => id))
    let number = 0
    const loose = pieces.map(({ shape, colour, count }): Part => {
      do number++
      while (taken.has(`loose-${number}`))
      return { id: `loose-${number}`, shape, colour, count }
    })
    return { ...section, parts: [...partsOf(section), ...loose] }
  })
  return { ...model, sections }
}
