import { colourDifference, type Catalogue, type Shape } from '../catalogue'
import type { PieceCount } from '../count'
import { ALIKE } from '../desk'
import { STUD_PITCH } from '../space'

type Kind = Pick<PieceCount, 'shape' | 'colour'>

/** Tells pairs of pieces that are taken for each other in one bag; each pair is looked at once. */
export class LookAlikes {
  private readonly known = new Map<string, boolean>()

  constructor(private readonly catalogue: Catalogue) {}

  areAlike(a: Kind, b: Kind): boolean {
    const key = a.shape < b.shape || (a.shape === b.shape && a.colour < b.colour) ? keyOf(a, b) : keyOf(b, a)
    let alike = this.known.get(key)
    if (alike === undefined) this.known.set(key, (alike = this.judge(a, b)))
    return alike
  }

  /** How many pairs of kinds are taken for each other. */
  pairs(kinds: readonly Kind[]): number {
    let sum = 0
    kinds.forEach((kind, i) => {
      for (let k = i + 1; k < kinds.length; k++) if (this.areAlike(kind, kinds[k]!)) sum++
    })
    return sum
  }

  private judge(a: Kind, b: Kind): boolean {
    if (a.colour === b.colour) {
      const [one, other] = [this.catalogue.shapes.get(a.shape), this.catalogue.shapes.get(b.shape)]
      return one !== undefined && other !== undefined && isStudApart(one, other)
    }
    if (a.shape !== b.shape) return false
    const [one, other] = [this.catalogue.colours.get(a.colour), this.catalogue.colours.get(b.colour)]
    return one !== undefined && other !== undefined && colourDifference(one.hex, other.hex) < ALIKE
  }
}

const keyOf = (a: Kind, b: Kind): string => `${a.shape}\n${a.colour}\n${b.shape}\n${b.colour}`

/** The same piece, one stud longer or wider. */
function isStudApart(one: Shape, other: Shape): boolean {
  if (one.family !== other.family || one.box[2] !== other.box[2] || kindName(one.id) !== kindName(other.id)) return false
  const along = Math.abs(one.box[0] - other.box[0])
  const across = Math.abs(one.box[1] - other.box[1])
  return (along === STUD_PITCH && across === 0) || (along === 0 && across === STUD_PITCH)
}

/** What an id says besides the size: "wedge-plate-left". */
const kindName = (id: string): string => id.replace(/\d+x\d+/, '').replace(/-\d+$/, '-')
