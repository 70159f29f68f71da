import type { Catalogue } from '../catalogue'
import { neighboursOf, type Joints } from '../joints'
import {
  add,
  apply,
  composeTurns,
  mirrorMatrix,
  multiply,
  nearestTurn,
  subtract,
  transpose,
  TURNS,
  type Matrix,
  type Turn,
  type Vec,
} from '../space'
import { Interner, labelsOf, mirroredLooks, plainLooks, type Labels } from './labels'
import { mirroredTurn, PlaceIndex, type PartTable } from './part-table'

/** A frame put on a part: p' = at + matrix · p; twice u, as middles are. */
interface FrameOn {
  readonly matrix: Matrix
  readonly at: Vec
  readonly isMirrored: boolean
}

/** A move as a matrix, and as a lattice turn after a mirror across x where it mirrors. */
interface FrameMove {
  readonly matrix: Matrix
  readonly at: Vec
  readonly turn: Turn
}

/** Like groups of parts: the first as it stands, the others by where the first would have to go. */
export interface Repeat {
  /** Parts by index, in one order in all groups; −1 where a group has no such part. */
  readonly groups: readonly (readonly number[])[]
  /** From the first group to each: p' = at + matrix · p, u. */
  readonly moves: readonly { readonly matrix: Matrix; readonly at: Vec; readonly isMirrored: boolean }[]
}

export interface RepeatOptions {
  readonly least: number
  /** Mirror images count as alike. */
  readonly withMirrors: boolean
  /** Groups may differ in some colours, and lack some parts. */
  readonly isNear: boolean
}

/** Steps along joints that are looked at around a part, to find those that begin alike. */
const ROUNDS = 3
const MOST_ALIKE = 4000
/** Of the parts of a group that may be different in another. */
const MOST_DIFFERENT = 0.2
/** Lookups for one section, and for each of its parts: what it may cost to look for repeats. */
const LOOKUPS = 1_000_000
const LOOKUPS_A_PART = 15

/**
 * Groups of parts that stand alike: parts with like surroundings are taken together as the beginnings of groups, and all grow by
 * the same neighbour at once, as long as every one has it (grow and match, as in subgraph mining on one graph: Kuramochi and Karypis 2005).
 */
export function findRepeats(table: PartTable, joints: Joints, catalogue: Catalogue, options: RepeatOptions): Repeat[] {
  return new RepeatSearch(table, joints, catalogue, options).run()
}

interface Member {
  readonly part: number
  frames: readonly FrameOn[]
}

class RepeatSearch {
  private readonly plain: Labels
  private readonly mirrored: Labels | undefined
  private readonly done = new Set<string>()
  private readonly places: PlaceIndex
  private readonly most: number

  constructor(
    private readonly table: PartTable,
    private readonly joints: Joints,
    private readonly catalogue: Catalogue,
    private readonly options: RepeatOptions,
  ) {
    const kindOf = (shape: string, part: number): string => (options.isNear ? shape : `${shape} ${table.parts[part]!.colour}`)
    const how = { rounds: ROUNDS, interner: new Interner() }
    const count = table.parts.length
    this.plain = labelsOf(
      plainLooks(table, (part) => kindOf(table.parts[part]!.shape, part)),
      joints,
      count,
      how,
    )
    if (options.withMirrors) this.mirrored = labelsOf(mirroredLooks(table, catalogue, kindOf), joints, count, how)
    this.places = new PlaceIndex(table, kindOf)
    this.most = LOOKUPS + LOOKUPS_A_PART * count
  }

  run(): Repeat[] {
    const found: Repeat[] = []
    for (let round = ROUNDS; round > 0; round--) {
      for (const members of this.classes(round)) {
        if (this.isDone(round, members)) continue
        if (!this.canGoOn()) return found
        const repeat = this.grow(members)
        if (repeat) found.push(repeat)
      }
    }
    return found
  }

  private spent = 0
  private canGoOn(): boolean {
    return this.spent < this.most
  }

  /** Parts that begin alike, the rarest first: they grow furthest. */
  private classes(round: number): Member[][] {
    const classes = new Map<number, Member[]>()
    const note = (label: number, member: Member): void => {
      const known = classes.get(label)
      // A part that is its own mirror image begins as it stands.
      if (!known) classes.set(label, [member])
      else if (!known.some(({ part }) => part === member.part)) known.push(member)
    }
    this.plain.rounds[round]!.forEach((label, part) => note(label, { part, frames: this.framesOf(part) }))
    const plainLabels = new Set(this.plain.rounds[round])
    this.mirrored?.rounds[round]!.forEach((label, part) => {
      if (plainLabels.has(label) && this.plain.rounds[round]![part] !== label) note(label, { part, frames: this.mirroredFramesOf(part) })
    })
    return [...classes.values()].filter(({ length }) => length > 1 && length <= MOST_ALIKE).sort((a, b) => a.length - b.length)
  }

  private framesOf(part: number): FrameOn[] {
    return this.plain.frames[part]!.map((turn) => ({ matrix: TURNS[turn]!, at: this.table.middles[part]!, isMirrored: false }))
  }

  private mirroredFramesOf(part: number): FrameOn[] {
    const flip = mirrorMatrix('x')
    return this.mirrored!.frames[part]!.map((turn) => ({
      matrix: multiply(flip, TURNS[turn]!),
      at: this.table.middles[part]!,
      isMirrored: true,
    }))
  }

  private isDone(round: number, members: readonly Member[]): boolean {
    return this.done.has(`${round} ${this.plain.rounds[round]![members[0]!.part]} ${members.length}`)
  }

  private noteDone(group: readonly number[], count: number): void {
    for (let round = 1; round <= ROUNDS; round++)
      for (const part of group) this.done.add(`${round} ${this.plain.rounds[round]![part]} ${count}`)
  }

  /** Grows all members at once by neighbours of the first. */
  private grow(members: readonly Member[]): Repeat | undefined {
    const growth = new Growth(members, this.options, (part, from, to) => this.image(part, from, to))
    const queue = [...new Set(neighboursOf(this.joints, members[0]!.part))]
    const seen = new Set([members[0]!.part, ...queue])
    const left: number[] = []
    for (const part of queue) {
      this.spent += members.length
      if (!growth.take(part, 'in all')) {
        left.push(part)
        continue
      }
      for (const other of neighboursOf(this.joints, part)) {
        if (seen.has(other)) continue
        seen.add(other)
        queue.push(other)
      }
    }
    // What some of them lack belongs to the group only where it hangs on nothing else.
    const isWithin = (part: number): boolean => neighboursOf(this.joints, part).every((other) => growth.isFirst(other))
    if (this.options.isNear) for (const part of left) if (isWithin(part)) growth.take(part, 'in most')
    const repeat = growth.finish((part) => this.table.parts[part]!.colour)
    if (repeat) this.noteDone(repeat.groups[0]!, members.length)
    return repeat
  }

  /** The part that stands where a part would go from one frame to another. */
  private image(part: number, from: FrameOn, to: FrameOn): number | undefined {
    const { shapes, turns, middles } = this.table
    const { matrix, at, turn } = this.move(from, to)
    const middle = add(apply(matrix, middles[part]!), at)
    const shape = shapes[part]!
    if (!to.isMirrored) return this.places.find(shape, part, composeTurns(turn, turns[part]!), middle)
    const twin = shape.mirror.twin === null ? undefined : this.catalogue.shapes.get(shape.mirror.twin)
    return twin && this.places.find(twin, part, composeTurns(turn, mirroredTurn(shape, turns[part]!)), middle)
  }

  private moves = new WeakMap<FrameOn, { readonly from: FrameOn; readonly move: FrameMove }>()
  /** Asked for every part of a group, and the same for all. */
  private move(from: FrameOn, to: FrameOn): FrameMove {
    let known = this.moves.get(to)
    if (known?.from !== from) {
      const { matrix, at } = moveBetween(from, to)
      const turn = nearestTurn(to.isMirrored ? multiply(matrix, mirrorMatrix('x')) : matrix)!
      this.moves.set(to, (known = { from, move: { matrix, at, turn } }))
    }
    return known.move
  }
}

/** The move that takes what stands in one frame to where it stands in another; twice u. */
function moveBetween(from: FrameOn, to: FrameOn): { readonly matrix: Matrix; readonly at: Vec } {
  const matrix = multiply(to.matrix, transpose(from.matrix))
  return { matrix, at: subtract(to.at, apply(matrix, from.at)) }
}

type FindImage = (part: number, from: FrameOn, to: FrameOn) => number | undefined

/** Groups that grow together. */
class Growth {
  private readonly first: FrameOn
  private readonly groups: number[][]
  private readonly alive: (readonly FrameOn[])[]
  private readonly owner = new Map<number, number>()

  constructor(
    private readonly members: readonly Member[],
    private readonly options: RepeatOptions,
    private readonly image: FindImage,
  ) {
    this.first = members[0]!.frames[0]!
    this.alive = members.map(({ frames }, i) => (i === 0 ? [frames[0]!] : frames))
    this.groups = members.map(({ part }) => [part])
    members.forEach(({ part }, i) => this.owner.set(part, i))
  }

  /** Whether a part is in the first group. */
  isFirst(part: number): boolean {
    return this.owner.get(part) === 0
  }

  /** @returns whether every group has such a part, or at least half of them */
  take(part: number, where: 'in all' | 'in most'): boolean {
    if (this.owner.has(part)) return false
    const found: number[] = [part]
    const frames: (readonly FrameOn[])[] = [this.alive[0]!]
    let missing = 0
    const taken = new Set([part])
    for (let i = 1; i < this.members.length; i++) {
      const images = this.alive[i]!.map((to) => this.image(part, this.first, to))
      const fits = this.alive[i]!.filter((_, k) => images[k] !== undefined && !this.owner.has(images[k]) && !taken.has(images[k]))
      const best = fits.length > 0 ? images[this.alive[i]!.indexOf(fits[0]!)]! : -1
      if (best < 0 && (where === 'in all' || ++missing > this.members.length / 2)) return false
      found.push(best)
      if (best >= 0) taken.add(best)
      frames.push(best < 0 ? this.alive[i]! : fits.filter((to) => this.image(part, this.first, to) === best || !this.options.isNear))
    }
    found.forEach((each, i) => {
      this.groups[i]!.push(each)
      if (each >= 0) this.owner.set(each, i)
    })
    frames.forEach((each, i) => (this.alive[i] = each))
    return true
  }

  /** Groups large enough, those that differ too much left out. */
  finish(colourOf: (part: number) => string): Repeat | undefined {
    const size = this.groups[0]!.length
    if (size < this.options.least) return undefined
    const kept = this.groups.map((_, i) => i).filter((i) => this.fits(i, size, colourOf))
    if (kept.length < 2) return undefined
    return {
      groups: kept.map((i) => this.groups[i]!),
      moves: kept.map((i) => {
        const to = this.alive[i]![0]!
        const { matrix, at } = moveBetween(this.first, to)
        return { matrix, at: [at[0] / 2, at[1] / 2, at[2] / 2], isMirrored: to.isMirrored }
      }),
    }
  }

  private fits(i: number, size: number, colourOf: (part: number) => string): boolean {
    if (!this.options.isNear) return true
    const different = this.groups[i]!.filter((part, k) => part < 0 || colourOf(part) !== colourOf(this.groups[0]![k]!)).length
    return different <= size * MOST_DIFFERENT
  }
}
