import { memo } from '../memo'
import { copiesOf, partsOf, pieceCount, sectionById, type Flattener, type ModelDocument, type Part } from '../model'
import type { NodeSpec } from './scene'

/** What a section is built from: one node for each placed part, one for each copy that holds parts. Loose parts have no place. */
export function sectionNodes(model: ModelDocument, flattener: Flattener, sectionId: string): NodeSpec[] {
  const section = sectionById(model, sectionId)
  return [
    ...flattener.own(section).map((placed): NodeSpec => ({ id: placed.part.id, kind: 'part', source: placed.part.shape, parts: [placed] })),
    ...copiesOf(section).map((copy): NodeSpec => ({
      id: copy.id,
      kind: 'copy',
      source: `${copy.section}${copy.mirror ? ' mirrored' : ''}`,
      parts: flattener.copy(section, copy),
    })),
  ]
}

/** Pieces of a section's own, loose ones counted as often as they say. */
export const ownPieceCount = (model: ModelDocument, sectionId: string): number => piecesOf(partsOf(sectionById(model, sectionId)))

const piecesOf = memo((parts: readonly Part[]) => parts.reduce((sum, part) => sum + pieceCount(part), 0))
