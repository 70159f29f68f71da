import type { Matrix, Vec } from '../space'
import type { DrawnPart } from './part-groups'

type DrawnShape = DrawnPart['shape']

/** Numbers for one pose: its matrix, row by row, and its place, u. */
const MATRIX = 9
const PER_POSE = MATRIX + 3

/**
 * What has become of a list of parts, for another thread: packed, and only what is not as in the list before, so that a part more among
 * twenty thousand is told at once.
 */
export interface PartNews {
  /** How many parts at both ends are as before. */
  readonly start: number
  readonly end: number
  /** Those between, by number. */
  readonly numbers: Uint32Array
  /** The numbers of those that were not in the list before, and what they are. */
  readonly fresh: Uint32Array
  readonly poses: Float64Array
  /** Of each that is fresh its shape and its colour, by number. */
  readonly shapes: Uint32Array
  readonly colours: Uint32Array
  /** Shapes and colours that are new, numbered on from those told before. */
  readonly newShapes: readonly DrawnShape[]
  readonly newColours: readonly string[]
}

/** Says what lists of parts hold, one list after another; a part is known by being the same object. */
export class PartTeller {
  private before: readonly DrawnPart[] = []
  private numbers = new Uint32Array(0)
  private readonly shapes = new Map<DrawnShape, number>()
  private readonly colours = new Map<string, number>()
  private next = 0

  tell(parts: readonly DrawnPart[]): PartNews {
    const { before } = this
    const shorter = Math.min(before.length, parts.length)
    let start = 0
    while (start < shorter && before[start] === parts[start]) start++
    let end = 0
    while (end < shorter - start && before[before.length - 1 - end] === parts[parts.length - 1 - end]) end++
    const known = new Map<DrawnPart, number>()
    for (let i = start; i < before.length - end; i++) known.set(before[i]!, this.numbers[i]!)
    const fresh: DrawnPart[] = []
    const middle = parts.slice(start, parts.length - end)
    for (const part of middle) {
      if (known.has(part)) continue
      known.set(part, this.next++)
      fresh.push(part)
    }
    const numbers = Uint32Array.from(middle, (part) => known.get(part)!)
    const all = new Uint32Array(parts.length)
    all.set(this.numbers.subarray(0, start))
    all.set(numbers, start)
    all.set(this.numbers.subarray(before.length - end), parts.length - end)
    this.numbers = all
    this.before = parts
    return { start, end, numbers, fresh: Uint32Array.from(fresh, (part) => known.get(part)!), ...this.pack(fresh) }
  }

  private pack(fresh: readonly DrawnPart[]): Pick<PartNews, 'poses' | 'shapes' | 'colours' | 'newShapes' | 'newColours'> {
    const [newShapes, newColours]: [DrawnShape[], string[]] = [[], []]
    const poses = new Float64Array(fresh.length * PER_POSE)
    fresh.forEach(({ pose }, i) => {
      poses.set(pose.matrix, i * PER_POSE)
      poses.set(pose.at, i * PER_POSE + MATRIX)
    })
    return {
      poses,
      shapes: Uint32Array.from(fresh, ({ shape }) => numberIn(this.shapes, shape, () => newShapes.push(plain(shape)))),
      colours: Uint32Array.from(fresh, ({ colour }) => numberIn(this.colours, colour, () => newColours.push(colour))),
      newShapes,
      newColours,
    }
  }
}

/** Without what nobody there needs: meshes are large. */
const plain = ({ box, connectors, plainMesh }: DrawnShape): DrawnShape => ({ box, connectors, plainMesh })

function numberIn<Key>(numbers: Map<Key, number>, key: Key, onNew: () => void): number {
  let number = numbers.get(key)
  if (number === undefined) {
    numbers.set(key, (number = numbers.size))
    onNew()
  }
  return number
}

/** Hears what a teller says: a part that was there before is the same object as before. */
export class PartListener {
  private parts: readonly DrawnPart[] = []
  private numbers = new Uint32Array(0)
  private readonly shapes: DrawnShape[] = []
  private readonly colours: string[] = []

  hear(news: PartNews): readonly DrawnPart[] {
    const { start, end, numbers } = news
    this.shapes.push(...news.newShapes)
    this.colours.push(...news.newColours)
    const until = this.parts.length - end
    const known = new Map<number, DrawnPart>()
    for (let i = start; i < until; i++) known.set(this.numbers[i]!, this.parts[i]!)
    news.fresh.forEach((number, i) => known.set(number, this.unpack(news, i)))
    const middle = Array.from(numbers, (number) => known.get(number)!)
    this.parts = [...this.parts.slice(0, start), ...middle, ...this.parts.slice(until)]
    this.numbers = Uint32Array.from([...this.numbers.subarray(0, start), ...numbers, ...this.numbers.subarray(until)])
    return this.parts
  }

  private unpack({ poses, shapes, colours }: PartNews, i: number): DrawnPart {
    const pose = Array.from(poses.subarray(i * PER_POSE, (i + 1) * PER_POSE))
    return {
      shape: this.shapes[shapes[i]!]!,
      colour: this.colours[colours[i]!]!,
      pose: { matrix: pose.slice(0, MATRIX) as unknown as Matrix, at: pose.slice(MATRIX) as unknown as Vec },
    }
  }
}

/** What of news is handed over, not copied. */
export const handedOver = ({ numbers, fresh, poses, shapes, colours }: PartNews): ArrayBuffer[] =>
  [numbers, fresh, poses, shapes, colours].map(({ buffer }) => buffer as ArrayBuffer)
