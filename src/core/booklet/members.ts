import { inventoryOf, total, type PieceCount } from '../count'
import { copiesOf, sectionById, sectionsWithin, type ModelDocument } from '../model'

/** One of the models of a collection: how often it stands there, and all its pieces. */
export interface CollectionMember {
  readonly name: string
  readonly times: number
  readonly parts: number
  readonly pieces: readonly PieceCount[]
}

/** The models of a collection, each with the sections of which it is built, itself among them; nothing where all holds together. */
export function membersOf(model: ModelDocument): ReadonlyMap<string, ReadonlySet<string>> {
  const root = sectionById(model, model.root)
  if (root.apart !== true) return NOBODY
  return new Map([...new Set(copiesOf(root).map(({ section }) => section))].map((id) => [id, sectionsWithin(model, id)]))
}

const NOBODY: ReadonlyMap<string, ReadonlySet<string>> = new Map()

/** What a member of a collection is made of, all its copies together. */
export function memberOf(model: ModelDocument, id: string): CollectionMember {
  const root = sectionById(model, model.root)
  const copies = copiesOf(root).filter(({ section }) => section === id)
  const only = { ...root, parts: [], copies }
  const pieces = inventoryOf({ ...model, sections: model.sections.map((section) => (section === root ? only : section)) })
  return { name: sectionById(model, id).name, times: copies.length, parts: total(pieces), pieces }
}
