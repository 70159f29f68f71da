import { memo, memoLast } from '../memo'
import {
  copiesOf,
  holdsPressed,
  partsOf,
  pieceCount,
  sectionById,
  type Copy,
  type Flattener,
  type ModelDocument,
  type Part,
  type PlacedPart,
} from '../model'
import type { NodeSpec } from './scene'

const partNode = memoLast((placed: PlacedPart, isPressed: boolean, isApart: boolean): NodeSpec => ({
  id: placed.part.id,
  kind: 'part',
  source: placed.part.shape,
  parts: [placed],
  ...more(isPressed, isApart),
}))

const copyNode = memoLast((copy: Copy, parts: readonly PlacedPart[], isPressed: boolean, isApart: boolean): NodeSpec => ({
  id: copy.id,
  kind: 'copy',
  source: `${copy.section}${copy.mirror ? ' mirrored' : ''}`,
  parts,
  ...more(isPressed, isApart),
}))

const more = (isPressed: boolean, isApart: boolean): Pick<NodeSpec, 'holdsPressed' | 'standsApart'> => ({
  ...(isPressed ? { holdsPressed: true } : {}),
  ...(isApart ? { standsApart: true } : {}),
})

/**
 * What a section is built from: one node for each placed part, one for each copy that holds parts. Loose parts have no place. After an
 * edit most are the very objects from before.
 */
export function sectionNodes(model: ModelDocument, flattener: Flattener, sectionId: string): NodeSpec[] {
  const section = sectionById(model, sectionId)
  const [isPressed, isApart] = [holdsPressed(model), section.apart === true]
  return [
    ...flattener.own(section).map((placed) => partNode(placed, isPressed, isApart)),
    ...copiesOf(section).map((copy) => copyNode(copy, flattener.copy(section, copy), isPressed, isApart)),
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
