import type { Copy, CopyJoint, ModelDocument, Part, Section } from '../src/core/model'
import type { Vec } from '../src/core/space'

/** A wall runs along x or along y. */
export type Run = 'x' | 'y'

const LENGTHS = [8, 6, 4, 3, 2, 1] as const

/** Turns a shape a quarter, so that its longer side runs along y. */
const QUARTER = '+y-x'
const HALF = '-x-y'

/** Collects the parts and copies of one section; ids are a word and a running number. All places in u. */
export class SectionBuilder {
  private readonly parts: Part[] = []
  private readonly copies: Copy[] = []
  private readonly counts = new Map<string, number>()
  /** Places (in studs along a wall) where bricks of a course end, by wall and height. */
  private lengths: readonly number[] = LENGTHS
  private readonly seams = new Map<string, Set<number>>()

  constructor(
    readonly id: string,
    readonly name: string,
  ) {}

  private nextId(word: string): string {
    const count = (this.counts.get(word) ?? 0) + 1
    this.counts.set(word, count)
    return `${word}-${count}`
  }

  add(word: string, shape: string, colour: string, at: Vec, turn?: string): this {
    this.parts.push({ id: this.nextId(word), shape, colour, at, ...(turn === undefined ? {} : { turn }) })
    return this
  }

  /** The same with the longer side along y. */
  addAcross(word: string, shape: string, colour: string, at: Vec): this {
    return this.add(word, shape, colour, at, QUARTER)
  }

  /** The same turned half round: what fell toward −y falls toward +y. */
  addBack(word: string, shape: string, colour: string, at: Vec): this {
    return this.add(word, shape, colour, at, HALF)
  }

  /** A part with more to say: a length, work done to it. */
  addMore(word: string, part: Omit<Part, 'id'>): this {
    this.parts.push({ id: this.nextId(word), ...part })
    return this
  }

  /** A copy that hangs on a moving joint. */
  joined(section: string, joint: CopyJoint): this {
    this.copies.push({ id: this.nextId(section), section, joint })
    return this
  }

  copy(section: string, at: Vec, more: Partial<Copy> = {}): this {
    this.copies.push({ id: this.nextId(section), section, at, ...more })
    return this
  }

  /** @param longest the longest brick to use, in studs */
  useBricksUpTo(longest: number): this {
    this.lengths = LENGTHS.filter((length) => length <= longest)
    return this
  }

  /**
   * Lays bricks from stud `from` to `to` along a wall; seams avoid those of the course below, and every brick reaches
   * over a place that `carried` allows.
   */
  wall(
    word: string,
    colour: string,
    run: Run,
    origin: Vec,
    from: number,
    to: number,
    carried: (stud: number) => boolean = () => true,
  ): this {
    const lane = `${run} ${run === 'x' ? origin[1] : origin[0]}`
    const below = this.seams.get(`${lane} ${origin[2] - 12}`) ?? new Set<number>()
    const lengths = layBricks(this.lengths, from, to, below, carried)
    // A course may be laid in several runs, on both sides of an opening.
    const now = this.seams.get(`${lane} ${origin[2]}`) ?? new Set<number>()
    let at = from
    for (const length of lengths) {
      const place: Vec = run === 'x' ? [origin[0] + at * 10, origin[1], origin[2]] : [origin[0], origin[1] + at * 10, origin[2]]
      if (run === 'x' || length === 1) this.add(word, `brick-1x${length}`, colour, place)
      else this.addAcross(word, `brick-1x${length}`, colour, place)
      at += length
      now.add(at)
    }
    this.seams.set(`${lane} ${origin[2]}`, now)
    return this
  }

  section(): Section {
    return {
      id: this.id,
      name: this.name,
      parts: this.parts,
      ...(this.copies.length > 0 ? { copies: this.copies } : {}),
    }
  }
}

/** Fewest bricks that fill from…to, each carried somewhere, with as few seams as possible above seams. */
function layBricks(
  lengths: readonly number[],
  from: number,
  to: number,
  below: ReadonlySet<number>,
  carried: (stud: number) => boolean,
): number[] {
  const best: { cost: number; length: number }[] = []
  best[to] = { cost: 0, length: 0 }
  for (let at = to - 1; at >= from; at--) {
    best[at] = { cost: Infinity, length: 1 }
    for (const length of lengths) {
      const rest = best[at + length]
      if (at + length > to || !rest) continue
      if (!Array.from({ length }, (_, i) => at + i).some(carried)) continue
      const seam = at + length < to && below.has(at + length) ? 20 : 0
      const cost = 1 + seam + (length === 1 ? 0.6 : 0) + rest.cost
      if (cost < best[at]!.cost) best[at] = { cost, length }
    }
  }
  const laid: number[] = []
  for (let at = from; at < to; at += best[at]!.length) laid.push(best[at]!.length)
  return laid
}

/** A hole in a wall: studs from…to along it, courses from…to. */
export interface Opening {
  readonly side: 'front' | 'back' | 'left' | 'right'
  readonly from: number
  readonly to: number
  readonly first: number
  readonly last: number
}

export interface House {
  readonly at: Vec
  /** Outer size in studs. */
  readonly columns: number
  readonly rows: number
  readonly courses: number
  readonly colour: (course: number) => string
  readonly openings: readonly Opening[]
  readonly word: string
}

/** Four walls in bond: the long and the short sides take turns to run through the corners. */
export function buildWalls(builder: SectionBuilder, house: House): void {
  for (let course = 0; course < house.courses; course++) {
    const longThrough = course % 2 === 0
    const z = house.at[2] + course * 12
    const lanes = [
      { side: 'front', run: 'x', x: 0, y: 0, through: longThrough, studs: house.columns },
      { side: 'back', run: 'x', x: 0, y: house.rows - 1, through: longThrough, studs: house.columns },
      { side: 'left', run: 'y', x: 0, y: 0, through: !longThrough, studs: house.rows },
      { side: 'right', run: 'y', x: house.columns - 1, y: 0, through: !longThrough, studs: house.rows },
    ] as const
    for (const lane of lanes) {
      const first = lane.through ? 0 : 1
      const last = lane.through ? lane.studs : lane.studs - 1
      const holes = house.openings.filter((o) => o.side === lane.side)
      const isOpenAt = (stud: number, level: number): boolean =>
        holes.some((o) => stud >= o.from && stud < o.to && level >= o.first && level <= o.last)
      const carried = (stud: number): boolean => !isOpenAt(stud, course - 1)
      const origin: Vec = [house.at[0] + lane.x * 10, house.at[1] + lane.y * 10, z]
      for (const [from, to] of solidRuns(first, last, (stud) => isOpenAt(stud, course)))
        builder.wall(house.word, house.colour(course), lane.run, origin, from, to, carried)
    }
  }
}

function solidRuns(first: number, last: number, isOpen: (stud: number) => boolean): [number, number][] {
  const runs: [number, number][] = []
  for (let stud = first; stud < last; stud++) {
    if (isOpen(stud)) continue
    const open = runs[runs.length - 1]
    if (open && open[1] === stud) open[1] = stud + 1
    else runs.push([stud, stud + 1])
  }
  return runs
}

export interface Roof {
  readonly columns: number
  readonly rows: number
  readonly colour: string
  readonly gable: string
  readonly ridge: string
}

/** A gabled roof over a ceiling of plates, as a section of its own: slopes from both eaves meet under a ridge. */
export const buildRoof = (builder: SectionBuilder, roof: Roof): void => {
  buildRoofOn(builder, { ...roof, at: [0, 0, 0] })
}

/** The same with the lowest corner of its ceiling at `at`, on walls of the same section. */
export function buildRoofOn(builder: SectionBuilder, roof: Roof & { readonly at: Vec }): void {
  const depth = roof.rows * 10
  const width = roof.columns * 10
  const [left, front, low] = roof.at
  const bottom = low + layFloor(builder, { word: 'ceiling', columns: roof.columns, rows: roof.rows, colour: 'ash', at: roof.at })
  const courses = roof.rows / 2 - 1
  for (let course = 0; course < courses; course++) {
    const z = bottom + course * 12
    const inset = course * 10
    const gableFrom = inset + 20
    const gableTo = depth - inset - 20
    for (const x of [left, left + width - 10]) {
      let y = front + gableFrom
      if (gableTo <= gableFrom) continue
      for (const length of gableBricks((gableTo - gableFrom) / 10)) {
        if (length === 1) builder.add('gable', 'brick-1x1', roof.gable, [x, y, z])
        else builder.addAcross('gable', `brick-1x${length}`, roof.gable, [x, y, z])
        y += length * 10
      }
    }
    for (const [x, length] of slopeRow(roof.columns, course % 2 === 0)) {
      builder.add('slope', `slope-2x${length}`, roof.colour, [left + x * 10, front + inset, z])
      builder.addBack('slope', `slope-2x${length}`, roof.colour, [left + x * 10, front + depth - inset - 20, z])
    }
  }
  layRidge(builder, roof, [left, front + depth / 2 - 10, bottom + courses * 12])
}

function layRidge(builder: SectionBuilder, roof: Roof, [left, y, top]: Vec): void {
  for (let x = 0; x + 4 <= roof.columns; x += 4) builder.add('ridge', 'plate-2x4', roof.colour, [left + x * 10, y, top])
  builder.add('ridge-tile', 'tile-2x2', roof.ridge, [left, y, top + 4])
  for (let x = 2; x + 4 <= roof.columns - 2; x += 4) builder.add('ridge-tile', 'tile-2x4', roof.ridge, [left + x * 10, y, top + 4])
  builder.add('ridge-tile', 'tile-2x2', roof.ridge, [left + roof.columns * 10 - 20, y, top + 4])
}

export interface Floor {
  readonly word: string
  readonly columns: number
  readonly rows: number
  readonly colour: string
  /** Lowest corner, u; the origin when left out. */
  readonly at?: Vec
}

/** Plates along x; a wide floor gets a second layer along y over the seams of the first. @returns the height of the floor, u */
export function layFloor(builder: SectionBuilder, { word, columns, rows, colour, at = [0, 0, 0] }: Floor): number {
  const place = (x: number, y: number, z: number): Vec => [at[0] + x * 10, at[1] + y * 10, at[2] + z]
  for (let y = 0; y < rows; y += 4)
    for (let x = 0; x < columns; x += 12) builder.add(word, `plate-4x${Math.min(12, columns - x)}`, colour, place(x, y, 0))
  if (rows <= 8) return 4
  const half = rows / 2
  for (const y of [0, half]) {
    builder.addAcross(`${word}-tie`, `plate-2x${half}`, colour, place(0, y, 4))
    for (let x = 2; x < columns - 2; x += 4) builder.addAcross(`${word}-tie`, `plate-4x${half}`, colour, place(x, y, 4))
    builder.addAcross(`${word}-tie`, `plate-2x${half}`, colour, place(columns - 2, y, 4))
  }
  return 8
}

/** Gable bricks must tie the ceiling plates, whose seams lie at every fourth stud. */
function gableBricks(studs: number): number[] {
  const lengths: number[] = []
  for (let left = studs; left > 0;) {
    const length = [8, 6, 4, 2, 1].find((l) => l <= left)!
    lengths.push(length)
    left -= length
  }
  return lengths
}

function slopeRow(columns: number, shifted: boolean): [number, number][] {
  const row: [number, number][] = []
  let x = 0
  if (shifted) {
    row.push([0, 2])
    x = 2
  }
  for (; x + 4 <= columns; x += 4) row.push([x, 4])
  if (x < columns) row.push([x, 2])
  return row
}

export function model(name: string, notes: string, root: string, sections: readonly SectionBuilder[]): ModelDocument {
  return {
    format: 'jump-rail-model',
    version: 1,
    name,
    designer: 'The Jump Rail workshop',
    notes,
    root,
    sections: sections.map((builder) => builder.section()),
  }
}
