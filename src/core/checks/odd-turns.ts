import { turnsAlike, type Shape } from '../catalogue'
import { memoPair } from '../memo'
import type { PlacedPart } from '../model'
import type { NodeSpec, Scene } from '../scene'
import {
  apply,
  determinant,
  mapVec,
  middle,
  multiply,
  posed,
  scale,
  subtract,
  TURNS,
  type Box,
  type Matrix,
  type Vec,
  vecOf,
} from '../space'

/**
 * What stands otherwise than all that is like it: one of two on the sides of a section that is the same there, or one of a row. A
 * pattern that most parts follow is what the designer means; the one that breaks it is a slip, or a reader will think so.
 */
export interface OddTurn {
  readonly kind: 'sides' | 'row'
  /** Along which the sides lie, or the row runs. */
  readonly axis: 0 | 1
  /** The two of a pair, or the one of the row. */
  readonly nodes: readonly number[]
}

/** From this share of mirrored nodes on, a section is meant to be the same on both sides. */
const SYMMETRIC = 0.7
/** Fewer nodes do not make a pattern of sides, unless every one has its counterpart. */
const LEAST_NODES = 12
const LEAST_OF_FEW = 4
/** More pairs that break a pattern than these, or this share of all, are a pattern of their own. */
const FEW_ODD = 2
const ODD_SHARE = 0.04
/** So many alike make a row. */
const LEAST_ROW = 4
/** Parts farther apart than this make no row, u. */
const MOST_PITCH = 80
/** So many of one kind vote for the plane of a mirror; more would say nothing. */
const MOST_VOTERS = 6

export function findOddTurns(scene: Scene): OddTurn[] {
  const places = scene.nodes.map((node, i) => placeOf(node, scene.nodeBoxes[i]!))
  const rows = ([0, 1] as const).flatMap((axis) => oddInRows(scene.nodes, places, axis))
  const inRows = new Set(rows.flatMap(({ nodes }) => nodes))
  const sides = ([0, 1] as const).flatMap((axis) => oddPairs(scene.nodes, places, axis))
  return [...rows, ...sides.filter(({ nodes }) => !nodes.some((node) => inRows.has(node)))]
}

/** What a node is, whichever hand it has, and where: twice the place, so that halves are whole numbers. */
interface NodePlace {
  readonly kind: string
  readonly at: Vec
}

function placeOf(node: NodeSpec, box: Box): NodePlace {
  const kinds = node.parts.map(({ shape, colour }) => `${handless(shape)} ${colour}`)
  // What reaches out of the body box, as a clip does, moves the middle when it is turned.
  const at = node.kind === 'part' ? bodyMiddle(node.parts[0]!) : middle(box)
  return { kind: kinds.length === 1 ? kinds[0]! : kinds.sort().join('|'), at: mapVec(at, (value) => Math.round(value * 2)) }
}

const handless = ({ id, mirror: { twin } }: Shape): string => (twin !== null && twin < id ? twin : id)

const bodyMiddle = ({ shape, pose }: PlacedPart): Vec => posed(pose, scale(shape.box, 0.5))

/** One among at least four alike in a row at equal distances that stands otherwise; not the middle one, which may be meant. */
function oddInRows(nodes: readonly NodeSpec[], places: readonly NodePlace[], axis: 0 | 1): OddTurn[] {
  const lines = new Map<string, number[]>()
  places.forEach(({ kind, at }, node) => {
    const key = `${kind} ${at[1 - axis]} ${at[2]}`
    const line = lines.get(key)
    if (line) line.push(node)
    else lines.set(key, [node])
  })
  return [...lines.values()].flatMap((line) => {
    if (line.length < LEAST_ROW) return []
    line.sort((a, b) => places[a]!.at[axis] - places[b]!.at[axis])
    return rowsOf(line, places, axis).flatMap((row) => {
      const odd = oddOne(row.map((node) => lookOf(nodes[node]!)))
      return odd === undefined || odd * 2 === row.length - 1 ? [] : [{ kind: 'row' as const, axis, nodes: [row[odd]!] }]
    })
  })
}

function rowsOf(line: readonly number[], places: readonly NodePlace[], axis: 0 | 1): number[][] {
  const at = (i: number): number => places[line[i]!]!.at[axis]
  const rows: number[][] = []
  for (let begin = 0; begin < line.length - 1;) {
    const pitch = at(begin + 1) - at(begin)
    let end = begin + 1
    while (end + 1 < line.length && at(end + 1) - at(end) === pitch) end++
    if (pitch > 0 && pitch <= 2 * MOST_PITCH && end - begin + 1 >= LEAST_ROW) rows.push(line.slice(begin, end + 1))
    begin = end
  }
  return rows
}

/** The index of the only one that differs from all others, which are alike. */
function oddOne(looks: readonly string[]): number | undefined {
  const common = looks[0] === looks[1] || looks[0] === looks[2] ? looks[0]! : looks[1]!
  const odd = looks.flatMap((look, i) => (look === common ? [] : [i]))
  return odd.length === 1 ? odd[0] : undefined
}

/** Pairs on the two sides of an otherwise symmetric section that are not each other's image. */
function oddPairs(nodes: readonly NodeSpec[], places: readonly NodePlace[], axis: 0 | 1): OddTurn[] {
  const plane = mirrorPlane(places, axis)
  if (plane === undefined) return []
  const known = new Map(places.map(({ kind, at }, node) => [keyAt(kind, at), node]))
  const odd: [number, number][] = []
  const mirrored: number[] = []
  places.forEach(({ kind, at }, node) => {
    const image = vecOf((k) => (k === axis ? plane - at[k] : at[k]))
    const other = known.get(keyAt(kind, image))
    if (other === undefined) return
    if (lookOf(nodes[node]!, FLIPS[axis]) === lookOf(nodes[other]!)) mirrored.push(node)
    else if (node < other) odd.push([node, other])
  })
  if (odd.length === 0) return []
  if (nodes.length < LEAST_NODES) {
    // Of few every one has a counterpart, and one pair breaks the rule.
    const isPattern = odd.length === 1 && nodes.length >= LEAST_OF_FEW && mirrored.length + 2 === nodes.length
    return isPattern && !turnsHalf(nodes, places, known) ? odd.map((pair) => ({ kind: 'sides', axis, nodes: pair })) : []
  }
  if (mirrored.length < SYMMETRIC * nodes.length) return []
  const isCopy = (node: number): boolean => nodes[node]!.kind !== 'part'
  const [parts, copies] = [odd.filter(([node]) => !isCopy(node)), odd.filter(([node]) => isCopy(node))]
  return [
    ...(parts.length <= Math.max(FEW_ODD, ODD_SHARE * nodes.length) ? parts : []),
    // Copies that all look one way have a rule of their own, as houses along a street.
    ...(copies.length <= Math.max(1, mirrored.filter(isCopy).length / 2) ? copies : []),
  ].map((pair) => ({ kind: 'sides', axis, nodes: pair }))
}

const keyAt = (kind: string, at: Vec): string => `${kind} ${at.join()}`

/** Where the mirror stands: twice the place that most pairs agree on. */
function mirrorPlane(places: readonly NodePlace[], axis: 0 | 1): number | undefined {
  const groups = new Map<string, number[]>()
  for (const { kind, at } of places) {
    const key = `${kind} ${at[1 - axis]} ${at[2]}`
    const group = groups.get(key)
    if (group) group.push(at[axis])
    else groups.set(key, [at[axis]])
  }
  const votes = new Map<number, number>()
  for (const group of groups.values()) {
    if (group.length > MOST_VOTERS) {
      vote(votes, Math.min(...group) + Math.max(...group), group.length)
      continue
    }
    for (const a of group) for (const b of group) vote(votes, a + b, 1)
  }
  let best: number | undefined
  for (const [plane, count] of votes)
    if (best === undefined || count > votes.get(best)! || (count === votes.get(best)! && plane < best)) best = plane
  return best
}

const vote = (votes: Map<number, number>, plane: number, count: number): void => void votes.set(plane, (votes.get(plane) ?? 0) + count)

/** Few parts that are the same turned half round follow that rule: the arms of a windmill are nobody's image. */
function turnsHalf(nodes: readonly NodeSpec[], places: readonly NodePlace[], known: ReadonlyMap<string, number>): boolean {
  const planes = ([0, 1] as const).map((axis) => mirrorPlane(places, axis))
  return places.every(({ kind, at }, node) => {
    const other = known.get(
      keyAt(
        kind,
        vecOf((k) => (k === 2 ? at[2] : planes[k]! - at[k])),
      ),
    )
    return other !== undefined && lookOf(nodes[node]!, HALF) === lookOf(nodes[other]!)
  })
}

const STILL: Matrix = [1, 0, 0, 0, 1, 0, 0, 0, 1]
const HALF: Matrix = [-1, 0, 0, 0, -1, 0, 0, 0, 1]
const FLIPS: readonly [Matrix, Matrix] = [
  [-1, 0, 0, 0, 1, 0, 0, 0, 1],
  [1, 0, 0, 0, -1, 0, 0, 0, 1],
]

/** How a node looks, turned or mirrored: equal for two that look the same. */
const lookOf = (node: NodeSpec, by: Matrix = STILL): string => (node.parts.length === 1 ? partLook(node.parts[0]!, by) : looksOf(node, by))

const partLook = ({ shape, pose }: PlacedPart, by: Matrix): string => turnedLook(shape, product(by, pose.matrix))

/**
 * A shape under a matrix, as a text: the same for all turns after which it looks and holds the same. In a mirror it is its twin,
 * turned as the reflection says.
 */
const turnedLook = memoPair((shape: Shape, matrix: Matrix): string => {
  const { twin, reflection } = shape.mirror
  const isMirrored = determinant(matrix) < 0
  const turns = turnsAlike(shape).map((turn) => {
    const turned = multiply(matrix, TURNS[turn]!)
    return textOf(isMirrored && twin !== null ? multiply(turned, reflection) : turned)
  })
  return `${(isMirrored ? twin : shape.id) ?? `mirrored ${shape.id}`} ${turns.sort()[0]!}`
})

/** Of a copy or unit: each part by where it is from the middle of all. */
const looksOf = memoPair((node: NodeSpec, by: Matrix): string => {
  const middles = node.parts.map(bodyMiddle)
  const centre = vecOf((k) => (Math.min(...middles.map((at) => at[k])) + Math.max(...middles.map((at) => at[k]))) / 2)
  return node.parts
    .map(
      (part, i) =>
        `${textOf(mapVec(apply(by, subtract(middles[i]!, centre)), (value) => Math.round(value * 2)))} ${part.colour} ${partLook(part, by)}`,
    )
    .sort()
    .join('|')
})

/** The turns of the lattice are a few matrices used everywhere, so each product is made once. */
const product = memoPair((by: Matrix, matrix: Matrix): Matrix => multiply(by, matrix))

/** A hundredth is nothing; nought has no sign. */
const textOf = (values: readonly number[]): string => values.map((value) => Math.round(value * 100) + 0).join()
