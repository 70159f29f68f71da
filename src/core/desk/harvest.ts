import { inventoryOf, partsByPiece } from '../count'
import { sectionsById, type ModelDocument } from '../model'
import { allocate } from './allocate'
import { deskKey, deskPiece, kindOf, piecesIn, tallyPieces, type DeskPiece } from './piece'

/** What another model could give, and what that would break. */
export interface Harvest {
  readonly name: string
  readonly gives: readonly DeskPiece[]
  /** How many pieces it has in all. */
  readonly of: number
  /** Names of its sections that would lose pieces. */
  readonly breaks: readonly string[]
}

/** What of the missing pieces stands in other models, the most helpful first; worked pieces are left where they are. */
export function harvestFrom(missing: readonly DeskPiece[], models: readonly ModelDocument[]): Harvest[] {
  return models
    .flatMap((model): Harvest[] => {
      const all = inventoryOf(model).map(deskPiece)
      const there = all.filter(({ work }) => !work || work.length === 0)
      const { taken } = allocate(
        missing,
        there.map((piece) => ({ ...piece, from: model.name })),
      )
      const gives = tallyPieces(taken.map(({ supply, count }) => ({ ...kindOf(supply), count })))
      if (gives.length === 0) return []
      return [{ name: model.name, gives, of: piecesIn(all), breaks: brokenSections(model, gives) }]
    })
    .sort((a, b) => piecesIn(b.gives) - piecesIn(a.gives))
}

function brokenSections(model: ModelDocument, gives: readonly DeskPiece[]): string[] {
  const wanted = new Set(gives.map(deskKey))
  const ids = new Set(
    partsByPiece(model).flatMap(({ piece, parts }) => (wanted.has(deskKey(deskPiece(piece))) ? parts.map(({ section }) => section) : [])),
  )
  const sections = sectionsById(model)
  return [...ids].map((id) => sections.get(id)?.name ?? id)
}
