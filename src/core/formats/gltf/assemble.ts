import type { Catalogue, Shape } from '../../catalogue'
import { exchangeForTwin, LIMITS, shapeOfPart, type Copy, type GivenStep, type Part, type Section } from '../../model'
import {
  add,
  apply,
  composePoses,
  inversePose,
  isMirroring,
  nearestTurn,
  posedBox,
  rotationDegrees,
  subtract,
  turnText,
  TURNS,
  vecOf,
  withoutMirror,
  type Pose,
  type Vec,
} from '../../space'
import { latticeOffset, LATTICE_TOLERANCE } from './lattice-offset'
import { SectionLikeness } from './section-likeness'

/** A recognised piece in the world: u, our axes. */
export interface WorldPiece {
  readonly id: string
  readonly shape: string
  readonly colour: string
  /** It turns, and never mirrors. */
  readonly pose: Pose
  readonly step?: number
  /** What else the part had when it was written. */
  readonly extra?: Partial<Part>
}

/** What a named node holds: pieces, and groups in it. Its frame may mirror. */
export interface WorldGroup {
  readonly name: string
  /** The section it is a copy of, where the file says so. */
  readonly section?: string
  readonly step?: number
  /** The copy as it was written. */
  readonly copy?: Partial<Copy>
  readonly frame: Pose
  readonly pieces: readonly WorldPiece[]
  readonly groups: readonly WorldGroup[]
}

/** A section that a group became, and where its lattice stands in the world. */
interface Built {
  readonly group: WorldGroup
  readonly section: string
  readonly frame: Pose
}

/** Makes sections of groups, the innermost first; groups of equal content become one section. */
export class Assembly {
  readonly sections = new Map<string, Section>()
  private readonly likeness: SectionLikeness
  /** How far a part was moved to stand on the lattice, u at most. */
  snapped = 0

  constructor(private readonly catalogue: Catalogue) {
    this.likeness = new SectionLikeness(catalogue)
  }

  build(group: WorldGroup): Built {
    return this.make(group, { isRoot: false })
  }

  /** The section of the whole: never one that stands for another. */
  buildRoot(group: WorldGroup): Built {
    return this.make(group, { isRoot: true })
  }

  private make(group: WorldGroup, { isRoot }: { readonly isRoot: boolean }): Built {
    const inner = group.groups.map((each) => this.build(each))
    const frame = this.frameFor(group)
    const { lattice, rest } = this.split(group, frame)
    const offset = latticeOffset([...lattice.map(({ low }) => low), ...inner.flatMap((each) => latticeAt(each, frame))])
    const stands = { matrix: frame.matrix, at: add(frame.at, apply(frame.matrix, offset)) }
    const [fit, beside] = partition(lattice, (each) => residual(subtract(each.low, offset)) <= LATTICE_TOLERANCE)
    const isSplit = beside.length > 0 && beside.length <= lattice.length / 2
    const kept = isSplit ? fit : lattice
    const turned = [...clusters(rest, frame), ...(isSplit ? [beside.map(({ piece }) => piece)] : [])].map((pieces, i) =>
      this.build({
        name: `${group.name} turned ${i + 1}`,
        frame: { matrix: pieces[0]!.pose.matrix, at: pieces[0]!.pose.at },
        pieces,
        groups: [],
      }),
    )
    const ids = new Ids()
    const parts = kept.map(({ piece, low, shape, turn }): Part => this.part(piece, { low: subtract(low, offset), shape, turn }, ids))
    const copies = [...inner, ...turned].map((each) => this.copy(each, stands, ids))
    return this.settle(
      group,
      stands,
      {
        parts,
        copies,
        steps: givenSteps(
          kept.map(({ piece }) => piece),
          parts,
          [...inner, ...turned],
          copies,
        ),
      },
      isRoot,
    )
  }

  /** Where the pieces of a group lie alike but not along its node, they say how its lattice lies. */
  private frameFor({ frame, pieces, groups, section }: WorldGroup): Pose {
    if (section !== undefined || groups.length > 0 || pieces.length === 0) return frame
    const isFree = pieces.every(({ pose }) => nearestTurn(relative(frame, pose).matrix) === undefined && !isMirroring(frame))
    const [first] = pieces
    const isOne = isFree && pieces.every(({ pose }) => nearestTurn(relative(first!.pose, pose).matrix) !== undefined)
    return isOne ? first!.pose : frame
  }

  private split({ pieces }: WorldGroup, frame: Pose): { readonly lattice: readonly LatticePiece[]; readonly rest: readonly WorldPiece[] } {
    const lattice: LatticePiece[] = []
    const rest: WorldPiece[] = []
    for (const piece of pieces) {
      const found = this.onLattice(piece, frame)
      if (found) lattice.push(found)
      else rest.push(piece)
    }
    return { lattice, rest }
  }

  private onLattice(piece: WorldPiece, frame: Pose): LatticePiece | undefined {
    const inside = exchangeForTwin(this.shapeOf(piece), relative(frame, piece.pose), this.catalogue)
    const turn = nearestTurn(inside.pose.matrix)
    if (turn === undefined) return undefined
    const { min } = posedBox({ matrix: TURNS[turn]!, at: inside.pose.at }, { min: [0, 0, 0], max: inside.shape.box })
    return { piece, low: min, shape: inside.shape.id, turn }
  }

  private shapeOf({ shape, colour, extra }: WorldPiece): Shape {
    return shapeOfPart({ id: '', shape, colour, ...extra }, this.catalogue.shapes)
  }

  private part({ id, colour, extra }: WorldPiece, { low, shape, turn }: { low: Vec; shape: string; turn: number }, ids: Ids): Part {
    const at = this.whole(low)
    return { id: ids.take(id, 'part'), shape, colour, at, ...(turn === 0 ? {} : { turn: turnText(turn) }), ...extra }
  }

  private whole(place: Vec): Vec {
    const at = vecOf((axis) => Math.round(place[axis]) + 0)
    this.snapped = Math.max(this.snapped, ...place.map((value, axis) => Math.abs(value - at[axis]!)))
    return at
  }

  private copy({ group, section, frame }: Built, outer: Pose, ids: Ids): Copy {
    if (group.copy) return { ...group.copy, id: ids.take(group.name, section), section }
    const pose = relative(outer, frame)
    const isMirrored = isMirroring(pose)
    const plain = isMirrored ? withoutMirror(pose) : pose
    const turn = nearestTurn(plain.matrix)
    const base = { id: ids.take(group.name, section), section }
    const mirror = isMirrored ? ({ mirror: 'x' } as const) : {}
    if (turn !== undefined && residual(plain.at) <= LATTICE_TOLERANCE)
      return { ...base, at: this.whole(plain.at), ...(turn === 0 ? {} : { turn: turnText(turn) }), ...mirror }
    const rotate = vecOf((axis) => tidy(rotationDegrees(plain.matrix)[axis]))
    return { ...base, at: vecOf((axis) => tidy(plain.at[axis])), rotate, ...mirror }
  }

  /** The section of a group: one that is there already, where it holds the same. */
  private settle(group: WorldGroup, frame: Pose, content: Pick<Section, 'parts' | 'copies' | 'steps'>, isRoot: boolean): Built {
    const { parts = [], copies = [], steps } = content
    const name = group.name.slice(0, LIMITS.nameLength - 20) || (isRoot ? 'Model' : 'Group')
    if (group.section !== undefined && this.sections.has(group.section)) return { group, section: group.section, frame }
    const known = isRoot || group.section !== undefined ? undefined : this.likeness.find(parts, copies)
    if (known) return { group, section: known.section, frame: composePoses(frame, known.pose) }
    const id = group.section ?? this.freeId(name)
    const section: Section = {
      id,
      name,
      ...(parts.length > 0 ? { parts } : {}),
      ...(copies.length > 0 ? { copies } : {}),
      ...(steps && steps.length > 0 ? { steps } : {}),
    }
    this.sections.set(id, section)
    if (!isRoot && group.section === undefined) this.likeness.note(section)
    return { group, section: id, frame }
  }

  private freeId(name: string): string {
    const plain =
      name
        .toLowerCase()
        .replace(/[^\p{L}\p{N}]+/gu, '-')
        .replace(/^-|-$/g, '') || 'section'
    let id = plain
    for (let number = 2; this.sections.has(id); number++) id = `${plain}-${number}`
    return id
  }
}

interface LatticePiece {
  readonly piece: WorldPiece
  /** The lowest corner of its body box in the lattice of its group, u; not whole yet. */
  readonly low: Vec
  /** Its twin, in a group that mirrors. */
  readonly shape: string
  readonly turn: number
}

/** Ids of one section, each once. */
class Ids {
  private readonly taken = new Set<string>()

  take(wanted: string, otherwise: string): string {
    const plain = (wanted || otherwise).slice(0, LIMITS.nameLength - 10)
    let id = plain
    for (let number = 2; this.taken.has(id); number++) id = `${plain}-${number}`
    this.taken.add(id)
    return id
  }
}

const relative = (outer: Pose, inner: Pose): Pose => composePoses(inversePose(outer), inner)
const residual = (place: Vec): number => Math.max(...place.map((value) => Math.abs(value - Math.round(value))))
/** Rounding of single precision is not meant. */
const tidy = (value: number): number => Math.round(value * 1000) / 1000 + 0

function latticeAt({ frame }: Built, outer: Pose): Vec[] {
  const pose = relative(outer, frame)
  const plain = isMirroring(pose) ? withoutMirror(pose) : pose
  return nearestTurn(plain.matrix) === undefined ? [] : [plain.at]
}

function partition<T>(items: readonly T[], isFirst: (item: T) => boolean): readonly [readonly T[], readonly T[]] {
  const [first, second]: [T[], T[]] = [[], []]
  for (const item of items) (isFirst(item) ? first : second).push(item)
  return [first, second]
}

/** Pieces that lie alike, though not along the lattice. */
function clusters(pieces: readonly WorldPiece[], frame: Pose): (readonly WorldPiece[])[] {
  const found: { readonly turned: Pose; readonly pieces: WorldPiece[] }[] = []
  for (const piece of pieces) {
    const known = found.find(({ turned }) => nearestTurn(relative(turned, piece.pose).matrix) !== undefined)
    if (known) known.pieces.push(piece)
    else found.push({ turned: { matrix: piece.pose.matrix, at: frame.at }, pieces: [piece] })
  }
  return found.map((cluster) => cluster.pieces)
}

/** Steps by the numbers that pieces and groups bear; none where a thing has none, for the program plans then. */
function givenSteps(pieces: readonly WorldPiece[], parts: readonly Part[], built: readonly Built[], copies: readonly Copy[]): GivenStep[] {
  const steps = new Map<number, { add: string[]; join: string[] }>()
  const stepAt = (number: number): { add: string[]; join: string[] } => {
    let step = steps.get(number)
    if (!step) steps.set(number, (step = { add: [], join: [] }))
    return step
  }
  pieces.forEach(({ step }, i) => step !== undefined && stepAt(step).add.push(parts[i]!.id))
  built.forEach(({ group }, i) => group.step !== undefined && stepAt(group.step).join.push(copies[i]!.id))
  return [...steps]
    .sort(([a], [b]) => a - b)
    .map(([, { add: added, join }]) => ({ ...(added.length > 0 ? { add: added } : {}), ...(join.length > 0 ? { join } : {}) }))
}
