import { turnsAlike, type Catalogue } from '../catalogue'
import { neighboursOf, type Joints } from '../joints'
import { apply, composeTurns, inverseTurn, mirrorMatrix, subtract, transpose, TURNS, type Turn, type Vec } from '../space'
import { leastTurn, mirroredTurn, type PartTable } from './part-table'

/** What stands around each part: equal numbers where the same stands around two. */
export interface Labels {
  /** By radius (steps along joints), then by part. */
  readonly rounds: readonly Int32Array[]
  /** The turns of each part from which its surroundings read least: its frames. */
  readonly frames: readonly (readonly Turn[])[]
}

/** Numbers for texts, shared by the parts and their mirror images. */
export class Interner {
  private readonly known = new Map<string, number>()

  number(text: string): number {
    let number = this.known.get(text)
    if (number === undefined) this.known.set(text, (number = this.known.size))
    return number
  }
}

/** Parts as they are, or as they look in a mirror across x. */
export interface Looks {
  readonly kind: (part: number) => string
  readonly turn: (part: number) => Turn
  readonly middle: (part: number) => Vec
  readonly alike: (part: number) => readonly Turn[]
  readonly least: (part: number, turn: Turn) => Turn
}

export function plainLooks(table: PartTable, kindOf: (part: number) => string): Looks {
  return {
    kind: kindOf,
    turn: (part) => table.turns[part]!,
    middle: (part) => table.middles[part]!,
    alike: (part) => turnsAlike(table.shapes[part]!),
    least: (part, turn) => leastTurn(table.shapes[part]!, turn),
  }
}

/** @returns nothing where a piece has no mirror image; such a part is like nothing */
export function mirroredLooks(table: PartTable, { shapes }: Catalogue, kindOf: (shape: string, part: number) => string): Looks {
  const twins = table.shapes.map((shape) => (shape.mirror.twin === null ? undefined : shapes.get(shape.mirror.twin)))
  const flip = mirrorMatrix('x')
  return {
    kind: (part) => (twins[part] ? kindOf(twins[part].id, part) : `none ${part}`),
    turn: (part) => mirroredTurn(table.shapes[part]!, table.turns[part]!),
    middle: (part) => apply(flip, table.middles[part]!),
    alike: (part) => turnsAlike(twins[part] ?? table.shapes[part]!),
    least: (part, turn) => leastTurn(twins[part] ?? table.shapes[part]!, turn),
  }
}

/**
 * Labels by colour refinement over the graph of joints, with relative places (Weisfeiler and Leman 1968): of each part its
 * kind, then again and again what its neighbours are and where they stand as seen from it.
 */
export function labelsOf(
  looks: Looks,
  joints: Joints,
  count: number,
  { rounds, interner }: { rounds: number; interner: Interner },
): Labels {
  let labels = Int32Array.from({ length: count }, (_, part) => interner.number(looks.kind(part)))
  const all = [labels]
  const frames: (readonly Turn[])[] = []
  for (let round = 0; round < rounds; round++) {
    const before = labels
    const next = new Int32Array(count)
    for (let part = 0; part < count; part++) {
      const { text, from } = surroundings(part, looks, joints, before)
      next[part] = interner.number(`${round} ${before[part]} ${text}`)
      if (round === 0) frames.push(from)
    }
    labels = next
    all.push(labels)
  }
  return { rounds: all, frames }
}

/** Neighbours as a text, from the turns of the part that read it least. */
function surroundings(
  part: number,
  looks: Looks,
  joints: Joints,
  labels: Int32Array,
): { readonly text: string; readonly from: readonly Turn[] } {
  const neighbours = [...new Set(neighboursOf(joints, part))]
  let text: string | undefined
  let from: Turn[] = []
  for (const alike of looks.alike(part)) {
    const frame = composeTurns(looks.turn(part), alike)
    const back = transpose(TURNS[frame]!)
    const words = neighbours.map((other) => {
      const turn = looks.least(other, composeTurns(inverseTurn(frame), looks.turn(other)))
      return `${labels[other]}:${turn}:${apply(back, subtract(looks.middle(other), looks.middle(part))).join()}`
    })
    const said = words.sort().join(' ')
    if (text === undefined || said < text) [text, from] = [said, [frame]]
    else if (said === text) from.push(frame)
  }
  return { text: text ?? '', from }
}
