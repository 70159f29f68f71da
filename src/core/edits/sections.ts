import { LIMITS, sectionById, type AskedMass, type ModelDocument } from '../model'

/** The document with a section called otherwise; an empty name changes nothing. */
export function renameSection(model: ModelDocument, id: string, name: string): ModelDocument {
  const plain = name.trim().slice(0, LIMITS.nameLength)
  if (plain === '' || sectionById(model, id).name === plain) return model
  return { ...model, sections: model.sections.map((section) => (section.id === id ? { ...section, name: plain } : section)) }
}

/** The document with a section so many places later, or earlier; nothing changes beyond the ends of the list. */
export function moveSection(model: ModelDocument, id: string, by: number): ModelDocument {
  const from = model.sections.findIndex((section) => section.id === id)
  const to = from + by
  if (from < 0 || to < 0 || to >= model.sections.length) return model
  const sections = [...model.sections]
  const [moved] = sections.splice(from, 1)
  sections.splice(to, 0, moved!)
  return { ...model, sections }
}

/** What is said of the model as a whole. */
export interface ModelWords {
  readonly name?: string
  readonly designer?: string
  readonly notes?: string
}

/** The document with other words about it; a model always has a name. */
export function describeModel(model: ModelDocument, words: ModelWords): ModelDocument {
  const name = words.name?.trim().slice(0, LIMITS.nameLength)
  const next = { ...model, ...words, name: name === undefined || name === '' ? model.name : name }
  const isSame = next.name === model.name && next.designer === model.designer && next.notes === model.notes
  return isSame ? model : next
}

/** What a section must weigh with all that it joins, g, or how it must balance, g·mm; nothing where a bound is undefined. */
export function askMass(model: ModelDocument, id: string, bound: keyof AskedMass, amount: number | undefined): ModelDocument {
  return {
    ...model,
    sections: model.sections.map((section) => {
      if (section.id !== id) return section
      const { mass: { [bound]: _bound, ...kept } = {}, ...rest } = section
      const mass = { ...kept, ...(amount === undefined ? {} : { [bound]: amount }) }
      return Object.keys(mass).length === 0 ? rest : { ...rest, mass }
    }),
  }
}
