import { documentOfVersion, type ModelDocument, type VersionChoice } from '../model'
import { needOf } from './need'
import type { DeskPiece } from './piece'
import { stockDifference } from './stock-change'

/** Pieces of one shape that come in another colour. */
interface Recoloured {
  readonly shape: string
  readonly from: string
  readonly to: string
  readonly count: number
}

/** What turns one version into another, piece by piece. */
export interface VersionDifference {
  readonly added: readonly DeskPiece[]
  readonly taken: readonly DeskPiece[]
  readonly recoloured: readonly Recoloured[]
}

/** What another version takes more, takes less, and takes in another colour. */
export function compareVersions(model: ModelDocument, one: VersionChoice, other: VersionChoice): VersionDifference {
  const changes = stockDifference(needOf(documentOfVersion(model, one)), needOf(documentOfVersion(model, other)))
  const added = changes.filter(({ count }) => count > 0)
  const taken = changes.filter(({ count }) => count < 0).map((piece) => ({ ...piece, count: -piece.count }))
  const pairs = colourPairs(model, one, other)
  const recoloured: Recoloured[] = []
  for (const gone of taken) {
    for (const come of added) {
      const count = Math.min(gone.count, come.count)
      if (count === 0 || come.shape !== gone.shape || come.lengthMm !== gone.lengthMm) continue
      if (!pairs.has(`${gone.colour} ${come.colour}`)) continue
      recoloured.push({ shape: gone.shape, from: gone.colour, to: come.colour, count })
      Object.assign(gone, { count: gone.count - count })
      Object.assign(come, { count: come.count - count })
    }
  }
  const left = (pieces: readonly DeskPiece[]): DeskPiece[] => pieces.filter(({ count }) => count > 0)
  return { added: left(added), taken: left(taken), recoloured }
}

/** "orange black": which colour of one version is which of the other. */
function colourPairs({ variants = [] }: ModelDocument, one: VersionChoice, other: VersionChoice): ReadonlySet<string> {
  const entriesOf = ({ variant }: VersionChoice) => variants.find(({ id }) => id === variant)?.recolour ?? []
  const [before, after] = [entriesOf(one), entriesOf(other)]
  const colours = new Set([...before, ...after].map(({ from }) => from))
  const becomes = (colour: string, entries: typeof before): string[] => [
    colour,
    ...entries.filter(({ from }) => from === colour).map(({ to }) => to),
  ]
  return new Set(
    [...colours].flatMap((colour) => becomes(colour, before).flatMap((was) => becomes(colour, after).map((is) => `${was} ${is}`))),
  )
}
