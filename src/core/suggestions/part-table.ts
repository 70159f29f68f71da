import { turnsAlike, type Catalogue, type Shape } from '../catalogue'
import { memo } from '../memo'
import { isLoose, partPose, partsOf, shapeOfPart, type Part, type Section } from '../model'
import { composeTurns, mirrorMatrix, multiply, nearestTurn, posedBox, TURNS, type Turn, type Vec } from '../space'

/** The placed parts of a section, as they are compared: whole numbers, so that equal is equal. */
export interface PartTable {
  readonly parts: readonly Part[]
  readonly shapes: readonly Shape[]
  readonly turns: readonly Turn[]
  /** Twice the middle of each body box: whole in any turn, u. */
  readonly middles: readonly Vec[]
}

/** Of the turns that look and hold the same the first, for each turn of a shape. */
const leastTurns = memo((shape: Shape): Uint8Array =>
  Uint8Array.from(TURNS, (_, turn) => Math.min(...turnsAlike(shape).map((alike) => composeTurns(turn, alike)))),
)
export const leastTurn = (shape: Shape, turn: Turn): Turn => leastTurns(shape)[turn]!

/** The turn of a piece's image in a mirror across x; the image is the twin of its shape. */
const mirroredTurns = memo((shape: Shape): Uint8Array =>
  Uint8Array.from(TURNS, (matrix) => nearestTurn(multiply(multiply(mirrorMatrix('x'), matrix), shape.mirror.reflection))!),
)
export const mirroredTurn = (shape: Shape, turn: Turn): Turn => mirroredTurns(shape)[turn]!

export function partTable(section: Section, { shapes: known }: Catalogue): PartTable {
  const parts = partsOf(section).filter((part) => !isLoose(part) && part.work === undefined)
  const shapes = parts.map((part) => shapeOfPart(part, known))
  const poses = parts.map((part, i) => partPose(part, shapes[i]!))
  const turns = poses.map(({ matrix }) => nearestTurn(matrix)!)
  const middles = poses.map((pose, i): Vec => {
    const { min, max } = posedBox(pose, { min: [0, 0, 0], max: shapes[i]!.box })
    return [min[0] + max[0], min[1] + max[1], min[2] + max[2]]
  })
  return { parts, shapes, turns, middles }
}

/** Finds a part by what it is, how it is turned and where its middle is. */
export class PlaceIndex {
  private readonly kinds = new Map<string, number>()
  private readonly rows = new Map<number, Map<number, number>>()
  private readonly low: Vec
  private readonly span: Vec

  /** @param kindOf what must be the same: shape and colour, or the shape alone */
  constructor(
    private readonly table: PartTable,
    private readonly kindOf: (shape: string, part: number) => string,
  ) {
    const { middles, parts, shapes, turns } = table
    const ends = (pick: (...values: number[]) => number, from: number): Vec =>
      middles.reduce((ends, middle) => [pick(ends[0], middle[0]), pick(ends[1], middle[1]), pick(ends[2], middle[2])], [
        from,
        from,
        from,
      ] as Vec)
    this.low = ends(Math.min, Infinity)
    const high = ends(Math.max, -Infinity)
    this.span = [high[0] - this.low[0] + 1, high[1] - this.low[1] + 1, high[2] - this.low[2] + 1]
    parts.forEach((part, i) => {
      const row = this.rowOf(this.kindNumber(kindOf(part.shape, i)), leastTurn(shapes[i]!, turns[i]!))
      let places = this.rows.get(row)
      if (!places) this.rows.set(row, (places = new Map<number, number>()))
      places.set(this.placeOf(middles[i]!), i)
    })
  }

  find(shape: Shape, like: number, turn: Turn, middle: Vec): number | undefined {
    for (const axis of [0, 1, 2] as const) {
      const value = middle[axis] - this.low[axis]
      if (value < 0 || value >= this.span[axis]) return undefined
    }
    const kind = this.kinds.get(this.kindOf(shape.id, like))
    const found = kind === undefined ? undefined : this.rows.get(this.rowOf(kind, leastTurn(shape, turn)))?.get(this.placeOf(middle))
    // Places of very wide models may share a number.
    return found !== undefined && this.table.middles[found]!.every((value, axis) => value === middle[axis]) ? found : undefined
  }

  private kindNumber(kind: string): number {
    let number = this.kinds.get(kind)
    if (number === undefined) this.kinds.set(kind, (number = this.kinds.size))
    return number
  }

  private rowOf(kind: number, turn: Turn): number {
    return kind * TURNS.length + turn
  }

  private placeOf(middle: Vec): number {
    return ((middle[0] - this.low[0]) * this.span[1] + middle[1] - this.low[1]) * this.span[2] + middle[2] - this.low[2]
  }
}
