import { extendCatalogue, type Catalogue, type Shape } from '../catalogue'
import type { ModelDocument, Part } from '../model'
import { apply, DIRECTION_VECTORS, turnFromText, TURNS, type Matrix, type Vec } from '../space'
import { ownCopyPose, ownShape } from './copy-pose'
import { isTied, linksOf, linkWays, movedLinks } from './links'
import { isLoosePair, loosened, looseObstacle } from './loose-pose'
import type { Brick, Corner, Stud, ReplayedThing } from './things'

/**
 * Where everything stands and what is in the way of it, worked out plainly and slowly: the second implementation that proofs of
 * plans rest on. It shares nothing with the planner but the catalogue and `space`: where copies stand is worked out here too.
 */

const NOTHING_FREE = { solids: [], freeStuds: [], freeSockets: [] }

const plus = (a: Vec, b: Vec): Corner => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]

export function boxBetween(a: Vec, b: Vec, open = false, round = false): Brick {
  return {
    min: [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])],
    max: [Math.max(a[0], b[0]), Math.max(a[1], b[1]), Math.max(a[2], b[2])],
    open,
    ...(round ? { round } : {}),
  }
}

function thingOf(part: Part, shape: Shape): ReplayedThing {
  const turn = TURNS[turnFromText(part.turn ?? '+x+y')!]!
  const turned = boxBetween([0, 0, 0], apply(turn, shape.box))
  const shift = part.at!.map((value, i) => value - turned.min[i]!) as Corner
  return {
    id: part.id,
    boxes: shape.bodies.map((b) => boxBetween(plus(apply(turn, b.min), shift), plus(apply(turn, b.max), shift), b.open === true, b.round)),
    ...connectors(shape, (v) => plus(apply(turn, v), shift), turn),
    ...NOTHING_FREE,
    links: linksOf(shape, (v) => plus(apply(turn, v), shift), turn),
    edges: FLAT.has(shape.family) ? [{ box: boxBetween(shift, plus(apply(turn, shape.box), shift)), thin: apply(turn, [0, 0, 1]) }] : [],
  }
}

const FLAT = new Set(['plate', 'tile'])

function connectors(shape: Shape, place: (v: Vec) => Corner, turn: Matrix): { studs: Stud[]; sockets: Stud[] } {
  const of = (...kinds: string[]): Stud[] =>
    shape.connectors
      .filter((c) => kinds.includes(c.kind))
      .map((c) => ({ foot: place(c.at), axis: apply(turn, DIRECTION_VECTORS[c.facing]!) }))
  return { studs: of('stud'), sockets: of('socket', 'mouth') }
}

function moved(thing: ReplayedThing, id: string, matrix: Matrix, at: Vec): ReplayedThing {
  const links = movedLinks(thing.links, matrix, at)
  if (!isLattice(matrix, at)) return { id, boxes: [], studs: [], sockets: [], links, edges: [], ...loosened(thing, matrix, at, studBrick) }
  const { solids, freeStuds, freeSockets } = loosened({ ...thing, boxes: [], studs: [], sockets: [], edges: [] }, matrix, at, studBrick)
  const place = (v: Vec): Corner => plus(apply(matrix, v), at)
  const stud = ({ foot, axis }: Stud): Stud => ({ foot: place(foot), axis: apply(matrix, axis) })
  return {
    id,
    boxes: thing.boxes.map((b) => boxBetween(place(b.min), place(b.max), b.open, b.round)),
    studs: thing.studs.map(stud),
    sockets: thing.sockets.map(stud),
    solids,
    freeStuds,
    freeSockets,
    links,
    edges: thing.edges.map(({ box, thin }) => ({ box: boxBetween(place(box.min), place(box.max)), thin: apply(matrix, thin) })),
  }
}

const isLattice = (matrix: Matrix, at: Vec): boolean => matrix.every(Number.isInteger) && at.every(Number.isInteger)

export const union = (id: string, things: readonly ReplayedThing[]): ReplayedThing => ({
  id,
  boxes: things.flatMap((t) => t.boxes),
  studs: things.flatMap((t) => t.studs),
  sockets: things.flatMap((t) => t.sockets),
  solids: things.flatMap((t) => t.solids),
  freeStuds: things.flatMap((t) => t.freeStuds),
  freeSockets: things.flatMap((t) => t.freeSockets),
  links: things.flatMap((t) => t.links),
  edges: things.flatMap((t) => t.edges),
})

export class Geometry {
  private readonly sections = new Map<string, ReplayedThing>()
  readonly catalogue: Catalogue
  /** Plates on edge between studs count as held: the designer lets that pass, as a whole or one by one. */
  readonly holdsPressed: boolean

  constructor(private readonly model: ModelDocument) {
    this.catalogue = extendCatalogue(model.shapes, model.palette)
    const { techniques } = model
    const verdict = typeof techniques === 'object' ? techniques['plate-between-studs'] : techniques === 'relaxed' ? 'note' : undefined
    this.holdsPressed = verdict === 'allowed' || verdict === 'note'
  }

  part(sectionId: string, id: string): ReplayedThing | undefined {
    const part = this.section(sectionId).parts?.find((candidate) => candidate.id === id)
    return part?.at ? thingOf(part, ownShape(part, this.catalogue.shapes)) : undefined
  }

  copy(sectionId: string, id: string): ReplayedThing | undefined {
    const copy = this.section(sectionId).copies?.find((candidate) => candidate.id === id)
    if (!copy) return undefined
    const { matrix, at } = ownCopyPose(this.model, this.section(sectionId), copy, this.catalogue.shapes)
    return moved(this.whole(copy.section), copy.id, matrix, at)
  }

  section(id: string) {
    return this.model.sections.find((candidate) => candidate.id === id)!
  }

  private whole(id: string): ReplayedThing {
    const known = this.sections.get(id)
    if (known) return known
    const section = this.section(id)
    const things = [
      ...(section.parts ?? []).filter((part) => part.at).map((part) => this.part(id, part.id)!),
      ...(section.copies ?? []).map((copy) => this.copy(id, copy.id)!),
    ]
    const made = union(id, things)
    this.sections.set(id, made)
    return made
  }
}

const meet = (a: Brick, b: Brick): boolean => [0, 1, 2].every((i) => a.min[i]! < b.max[i]! && b.min[i]! < a.max[i]!)

const axisIndex = (axis: Vec): number => axis.findIndex((value) => value !== 0)

function studBrick({ foot, axis }: Stud): Brick {
  const i = axisIndex(axis)
  const low = foot.map((value, k) => (k === i ? value : value - 3)) as Corner
  const high = foot.map((value, k) => (k === i ? value + 2 * axis[k]! : value + 3)) as Corner
  return boxBetween(low, high)
}

/** Whether two things share space: bodies, or a stud of one in the other where no socket receives it. */
export function overlaps(a: ReplayedThing, b: ReplayedThing): boolean {
  if (a.boxes.some((one) => b.boxes.some((other) => meet(one, other)))) return true
  const studs = (t: ReplayedThing): Brick[] => t.studs.map(studBrick)
  if (studs(a).some((one) => studs(b).some((other) => meet(one, other)))) return true
  return [[a, b] as const, [b, a] as const].some(([one, other]) => {
    const sockets = new Set(other.sockets.map((s) => key(s.foot, s.axis)))
    return one.studs.some((stud) => {
      const isReceived = sockets.has(key(stud.foot, stud.axis.map((value) => -value) as Corner))
      return !isReceived && other.boxes.some((box) => !box.open && meet(studBrick(stud), box))
    })
  })
}

const FAR = 1_000_000
const STUD_REACH = 2

/** Everything a box passes on its way in along `direction`, from far outside to its place. */
function wayIn(box: Brick, direction: Vec): Brick {
  const from = direction.map((value) => (value === 0 ? 0 : -value * FAR))
  return boxBetween(
    [0, 1, 2].map((i) => Math.min(box.min[i]!, box.min[i]! + from[i]!)) as Corner,
    [0, 1, 2].map((i) => Math.max(box.max[i]!, box.max[i]! + from[i]!)) as Corner,
    box.open,
  )
}

/** Why a thing cannot come in along a direction past what is there; undefined when it can. */
export function obstacle(thing: ReplayedThing, direction: Vec, present: readonly ReplayedThing[]): string | undefined {
  const tied = present.find((other) => isTied(thing, other, direction))
  if (tied) return tied.id
  const isLoose = (other: ReplayedThing): boolean => isLoosePair(thing, other, direction)
  for (const other of present.filter(isLoose)) {
    const by = looseObstacle(thing, direction, other, studBrick)
    if (by !== undefined) return by
  }
  const lattice = present.filter((other) => !isLoose(other))
  return lattice.length === 0 ? undefined : latticeObstacle(thing, direction, lattice)
}

function latticeObstacle(thing: ReplayedThing, direction: Vec, present: readonly ReplayedThing[]): string | undefined {
  const travelAxis = axisIndex(direction)
  const across = (studs: readonly Stud[]): Brick[] => studs.filter((s) => axisIndex(s.axis) !== travelAxis).map(studBrick)
  const bodies = thing.boxes.map((box) => wayIn(box, direction))
  const studs = across(thing.studs).map((box) => wayIn(box, direction))
  const around = bodies.reduce((a, b) =>
    boxBetween(a.min.map((v, i) => Math.min(v, b.min[i]!)) as Corner, a.max.map((v, i) => Math.max(v, b.max[i]!)) as Corner),
  )
  // Studs of both reach beyond their bodies.
  const reach = 2 * STUD_REACH
  const near = { min: around.min.map((v) => v - reach) as Corner, max: around.max.map((v) => v + reach) as Corner, open: false }
  for (const other of present) {
    if (!other.boxes.some((box) => meet(near, box))) continue
    if (bodies.some((way) => other.boxes.some((box) => meet(way, box)))) return other.id
    const standing = across(other.studs)
    if (standing.some((stud) => bodies.some((way) => !way.open && meet(way, stud)) || studs.some((way) => meet(way, stud)))) return other.id
    if (studs.some((way) => other.boxes.some((box) => !box.open && meet(way, box)))) return other.id
    for (const axis of jointAxes(thing, other)) if (axis !== travelAxis) return other.id
  }
  return undefined
}

/** Why a thing cannot come in lifted against `press`, and then go home along it; undefined when it can. */
export function pressObstacle(thing: ReplayedThing, direction: Vec, press: Vec, present: readonly ReplayedThing[]): string | undefined {
  const lifted = shifted(thing, press.map((value) => -2 * value) as Corner)
  for (const other of present) for (const axis of jointAxes(thing, other)) if (axis !== axisIndex(press)) return other.id
  const tied = present.find((other) => isTied(thing, other, press))
  if (tied) return tied.id
  const bare = present.map((other) => ({ ...other, sockets: [] }))
  return obstacle({ ...lifted, sockets: [], links: [] }, direction, bare) ?? homeObstacle(thing, press, present)
}

/** What stands in the last two u of a thing's way home along `press`. */
function homeObstacle(thing: ReplayedThing, press: Vec, present: readonly ReplayedThing[]): string | undefined {
  const axis = axisIndex(press)
  const stretched = (box: Brick): Brick =>
    boxBetween(
      box.min.map((v, i) => v + Math.min(0, -2 * press[i]!)) as Corner,
      box.max.map((v, i) => v + Math.max(0, -2 * press[i]!)) as Corner,
      box.open,
    )
  const across = (studs: readonly Stud[]): Brick[] => studs.filter((s) => axisIndex(s.axis) !== axis).map(studBrick)
  const bodies = thing.boxes.map(stretched)
  const studs = across(thing.studs).map(stretched)
  return present.find(
    (other) =>
      bodies.some((way) => other.boxes.some((box) => meet(way, box)) || across(other.studs).some((stud) => !way.open && meet(way, stud))) ||
      studs.some((way) => other.boxes.some((box) => !box.open && meet(way, box)) || across(other.studs).some((stud) => meet(way, stud))),
  )?.id
}

function shifted(thing: ReplayedThing, by: Vec): ReplayedThing {
  const stud = ({ foot, axis }: Stud): Stud => ({ foot: plus(foot, by), axis })
  return {
    ...thing,
    boxes: thing.boxes.map((box) => boxBetween(plus(box.min, by), plus(box.max, by), box.open)),
    studs: thing.studs.map(stud),
    sockets: thing.sockets.map(stud),
  }
}

export const key = (v: Vec, axis: Vec): string => [...v, ...axis].map((value) => value + 0).join()

/** Axes (0–2) along which two things hold each other by studs in sockets. */
export function jointAxes(a: ReplayedThing, b: ReplayedThing): Set<number> {
  const axes = new Set<number>()
  for (const [one, other] of [
    [a, b],
    [b, a],
  ] as const) {
    const sockets = new Set(other.sockets.map((s) => key(s.foot, s.axis)))
    for (const stud of one.studs) {
      const facing = stud.axis.map((value) => -value) as Corner
      if (sockets.has(key(stud.foot, facing))) axes.add(axisIndex(stud.axis))
    }
  }
  return axes
}

export const lowest = (things: readonly ReplayedThing[]): number =>
  Math.min(
    ...things.flatMap((t) => t.boxes.map((b) => b.min[2])),
    // The table is asked of bodies; a stud that reaches lower is not a foot.
    ...things.flatMap((t) =>
      t.solids.filter(({ axis }) => axis === undefined).flatMap(({ corners }) => corners.map((corner) => corner[2])),
    ),
  )

/** Groups that hold together. */
export function groupsOf(things: readonly ReplayedThing[]): ReplayedThing[][] {
  const bySocket = new Map<string, number[]>()
  things.forEach((thing, i) => {
    for (const socket of thing.sockets) {
      const k = key(socket.foot, socket.axis)
      bySocket.set(k, [...(bySocket.get(k) ?? []), i])
    }
  })
  const root = things.map((_, i) => i)
  const find = (i: number): number => (root[i] === i ? i : (root[i] = find(root[i]!)))
  things.forEach((thing, i) => {
    for (const stud of thing.studs) {
      const facing = stud.axis.map((value) => -value) as Corner
      for (const j of bySocket.get(key(stud.foot, facing)) ?? []) root[find(j)] = find(i)
    }
    for (let j = 0; j < i; j++) if (linkWays(thing, things[j]!).length > 0) root[find(j)] = find(i)
  })
  const groups = new Map<number, ReplayedThing[]>()
  things.forEach((thing, i) => groups.set(find(i), [...(groups.get(find(i)) ?? []), thing]))
  return [...groups.values()]
}
