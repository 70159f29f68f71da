import { isByLength, USUAL_LENGTH_MM } from '../catalogue'
import { ANY_COLOUR, workText, type DeskPiece } from './piece'

/** Pieces that are there, with where they are from. */
export interface Supply<Source> extends DeskPiece {
  readonly from: Source
}

/** Some of a need, met by some of a supply. */
interface Taken<Source> {
  readonly need: DeskPiece
  readonly supply: Supply<Source>
  readonly count: number
}

export interface Allocation<Source> {
  readonly taken: readonly Taken<Source>[]
  readonly missing: readonly DeskPiece[]
  readonly left: readonly Supply<Source>[]
}

/**
 * Hands out what is there: pieces in a named colour first, then those in any; of each need first what was worked the same way,
 * then plain pieces; of several supplies those that stand first. Whatever serves several needs, serves all that something else
 * in its place would (a plain piece does for a worked one, not the other way round), so taking the less useful first leaves as few
 * needs open as can be.
 */
export function allocate<Source>(needs: readonly DeskPiece[], supplies: readonly Supply<Source>[]): Allocation<Source> {
  const shelf = new Shelf(supplies)
  const taken: Taken<Source>[] = []
  const open = needs.map(({ count }) => count)
  for (const isAny of [false, true]) {
    needs.forEach((need, i) => {
      if ((need.colour === ANY_COLOUR) !== isAny) return
      for (const supply of shelf.servingFor(need)) {
        const count = shelf.take(supply, open[i]!)
        if (count === 0) continue
        taken.push({ need, supply, count })
        open[i]! -= count
        if (open[i] === 0) break
      }
    })
  }
  return {
    taken,
    missing: needs.flatMap((need, i) => (open[i] === 0 ? [] : [{ ...need, count: open[i]! }])),
    left: shelf.left(),
  }
}

/** What is still there, found by what it does for. */
class Shelf<Source> {
  private readonly counts: Map<Supply<Source>, number>
  private readonly byShape = new Map<string, Supply<Source>[]>()

  constructor(private readonly supplies: readonly Supply<Source>[]) {
    this.counts = new Map(supplies.map((supply) => [supply, supply.count]))
    for (const supply of supplies) {
      const key = shapeKey(supply)
      const list = this.byShape.get(key)
      if (list) list.push(supply)
      else this.byShape.set(key, [supply])
    }
  }

  /** What serves a need, in the order in which it is taken. In any colour: of what there is most of first. */
  servingFor(need: DeskPiece): Supply<Source>[] {
    const fit = (this.byShape.get(shapeKey(need)) ?? []).filter((supply) => serves(supply, need) && this.counts.get(supply)! > 0)
    const worked = fit.filter((supply) => workText(supply) !== '')
    const plain = fit.filter((supply) => workText(supply) === '')
    if (need.colour !== ANY_COLOUR) return [...worked, ...plain]
    const most = (list: Supply<Source>[]): Supply<Source>[] => list.sort((a, b) => this.counts.get(b)! - this.counts.get(a)!)
    const sources = [...new Set(fit.map(({ from }) => from))]
    return [worked, plain].flatMap((list) => sources.flatMap((from) => most(list.filter((supply) => supply.from === from))))
  }

  take(supply: Supply<Source>, atMost: number): number {
    const count = Math.min(this.counts.get(supply)!, atMost)
    this.counts.set(supply, this.counts.get(supply)! - count)
    return count
  }

  left(): Supply<Source>[] {
    return this.supplies.flatMap((supply) => {
      const count = this.counts.get(supply)!
      return count === 0 ? [] : [{ ...supply, count }]
    })
  }
}

/** Shape and length: what is cut from a roll and tells no length has the usual one. */
const shapeKey = ({ shape, lengthMm = isByLength(shape) ? USUAL_LENGTH_MM : undefined }: Omit<DeskPiece, 'count'>): string =>
  `${shape}\n${lengthMm ?? ''}`

/** Whether a piece does for what is needed: shape and length the same, the colour too unless any will do, and plain or worked the same way. */
export const serves = (supply: Omit<DeskPiece, 'count'>, need: Omit<DeskPiece, 'count'>): boolean =>
  shapeKey(supply) === shapeKey(need) &&
  (need.colour === ANY_COLOUR || need.colour === supply.colour) &&
  (workText(supply) === '' || workText(supply) === workText(need))
