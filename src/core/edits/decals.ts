import { partsOf, type Decal, type ModelDocument, type Part, type PieceWork } from '../model'

/** A part of a section, told by both ids. */
export interface PartPlace {
  readonly section: string
  readonly part: string
}

/** Says of some parts what is done to them, in place of what was said before; nothing done leaves the plain piece. */
export function withWork(model: ModelDocument, places: readonly PartPlace[], work: readonly PieceWork[]): ModelDocument {
  const named = new Set(places.map(({ section, part }) => `${section}\n${part}`))
  return {
    ...model,
    sections: model.sections.map((section) => {
      if (!partsOf(section).some(({ id }) => named.has(`${section.id}\n${id}`))) return section
      const parts = partsOf(section).map((part) => (named.has(`${section.id}\n${part.id}`) ? worked(part, work) : part))
      return { ...section, parts }
    }),
  }
}

function worked({ work: _before, ...part }: Part, work: readonly PieceWork[]): Part {
  return work.length === 0 ? part : { ...part, work }
}

/** A picture to put on pieces: a new one, or another in place of the one with its id. */
export function withDecal(model: ModelDocument, decal: Decal): ModelDocument {
  const before = model.decals ?? []
  const isKnown = before.some(({ id }) => id === decal.id)
  return { ...model, decals: isKnown ? before.map((old) => (old.id === decal.id ? decal : old)) : [...before, decal] }
}

/** Takes a picture out of the model, and off every piece that bears it. */
export function withoutDecal({ decals = [], ...model }: ModelDocument, id: string): ModelDocument {
  const left = decals.filter((decal) => decal.id !== id)
  const sections = model.sections.map((section) => {
    if (!partsOf(section).some(({ work }) => work?.some(({ decal }) => decal === id))) return section
    const parts = partsOf(section).map((part) =>
      part.work
        ? worked(
            part,
            part.work.filter(({ decal }) => decal !== id),
          )
        : part,
    )
    return { ...section, parts }
  })
  return { ...model, sections, ...(left.length > 0 ? { decals: left } : {}) }
}

/** An id for a new picture, made of its name: "Ferry sign" → "ferry-sign", or "ferry-sign-2" where that is taken. */
export function decalId(model: ModelDocument, name: string): string {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60) || 'decal'
  const taken = new Set((model.decals ?? []).map(({ id }) => id))
  let id = plain
  for (let i = 2; taken.has(id); i++) id = `${plain}-${i}`
  return id
}
