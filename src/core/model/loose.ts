import { copiesOf, partsOf, type ModelDocument, type Part, type Section } from './types'

/** A piece and how many of it. */
export interface LoosePieces {
  readonly shape: string
  readonly colour: string
  readonly count: number
}

/** Pieces as loose parts of a section, each under an id that is free in it. */
export function loosePartsFor(section: Section, pieces: readonly LoosePieces[]): Part[] {
  const taken = new Set([...partsOf(section), ...copiesOf(section)].map(({ id }) => id))
  let number = 0
  return pieces.map(({ shape, colour, count }): Part => {
    do number++
    while (taken.has(`loose-${number}`))
    return { id: `loose-${number}`, shape, colour, count }
  })
}

/** The model with pieces added to a section as loose parts: counted, without a place. */
export function withLooseParts(model: ModelDocument, sectionId: string, pieces: readonly LoosePieces[]): ModelDocument {
  const sections = model.sections.map((section) =>
    section.id === sectionId ? { ...section, parts: [...partsOf(section), ...loosePartsFor(section, pieces)] } : section,
  )
  return { ...model, sections }
}
