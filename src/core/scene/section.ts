import { memo } from '../memo'
import { copiesOf, holdsPressed, partsOf, pieceCount, sectionById, type Flattener, type ModelDocument, type Part } from '../model'
import type { NodeSpec } from './scene'

/** What a section is built from: one node for each placed part, one for each copy that holds parts. Loose parts have no place. */
export function sectionNodes(model: ModelDocument, flattener: Flattener, sectionId: string): NodeSpec[] {
  const section = sectionById(model, sectionId)
  const more = { ...(holdsPressed(model) ? { holdsPressed: true } : {}), ...(section.apart ? { standsApart: true } : {}) }
  return [
    ...flattener
      .own(section)
      .map((placed): NodeSpec => ({ id: placed.part.id, kind: 'part', source: placed.part.shape, parts: [placed], ...more })),
    ...copiesOf(section).map((copy): NodeSpec => ({
      id: copy.id,
      kind: 'copy',
      source: `${copy.section}${copy.mirror ? ' mirrored' : ''}`,
      parts: flattener.copy(section, copy),
      ...more,
    })),
  ]
}

/** Pieces of a section's own, loose ones counted as often as they say. */
export const ownPieceCount = (model: ModelDocument, sectionId: string): number => piecesOf(partsOf(sectionById(model, sectionId)))

const piecesOf = memo((parts: readonly Part[]) => parts.reduce((sum, part) => sum + pieceCount(part), 0))

/** The parts of a section that are one shape in one colour. */
export interface KindOfPiece {
  readonly shape: string
  readonly colour: string
  readonly ids: readonly string[]
}

/** The parts of a section, kind by kind in the order of the document. */
export function kindsOf(model: ModelDocument, sectionId: string): KindOfPiece[] {
  const kinds = new Map<string, { shape: string; colour: string; ids: string[] }>()
  for (const { id, shape, colour } of partsOf(sectionById(model, sectionId))) {
    const key = `${shape} ${colour}`
    const known = kinds.get(key)
    if (known) known.ids.push(id)
    else kinds.set(key, { shape, colour, ids: [id] })
  }
  return [...kinds.values()]
}
