import type { Connector, Shape } from '../catalogue'
import { apply, DIRECTION_VECTORS, dot, length, scale, subtract, type Matrix, type Vec, mapVec } from '../space'
import type { Link, ReplayedThing } from './things'

/**
 * Everything that holds but studs in sockets: bars, pegs, balls, hinges. There are few of them, so each pair is compared, in
 * the lattice and in free poses alike.
 */

const TOLERANCE = 0.2
const SAME = 0.9999

/** What goes into what. */
const PAIRS: readonly (readonly [gives: Connector['kind'], receives: Connector['kind']])[] = [
  ['bar', 'clip'],
  ['pin', 'hole'],
  ['axle', 'hole'],
  ['axle', 'cross'],
  ['hose', 'hole'],
  ['ball', 'cup'],
  ['tongue', 'fork'],
  ['post', 'ring'],
]

const STUDDED = new Set<Connector['kind']>(['stud', 'socket', 'mouth'])

export const linksOf = (shape: Shape, place: (v: Vec) => Vec, turn: Matrix): Link[] =>
  shape.connectors
    .filter(({ kind }) => !STUDDED.has(kind))
    .map(({ kind, at, facing, along, length: long = 0 }) => ({
      kind,
      at: place(at),
      facing: apply(turn, DIRECTION_VECTORS[facing]!),
      along: apply(turn, DIRECTION_VECTORS[along ?? facing]!),
      long,
    }))

export const movedLinks = (links: readonly Link[], matrix: Matrix, at: Vec): Link[] =>
  links.map((link) => ({
    ...link,
    at: mapVec(apply(matrix, link.at), (value, k) => value + at[k]),
    facing: apply(matrix, link.facing),
    along: apply(matrix, link.along),
  }))

/** For each place where two things hold each other so: the ways they can be pulled apart, either sense. */
export function linkWays(a: ReplayedThing, b: ReplayedThing): Vec[][] {
  const found: Vec[][] = []
  for (const [one, other] of [
    [a, b],
    [b, a],
  ] as const) {
    for (const gives of one.links) {
      for (const receives of other.links) if (joins(gives, receives)) found.push(waysOf(receives))
    }
  }
  return found
}

/** Whether a link stops a thing from travelling along a direction. */
export const isTied = (a: ReplayedThing, b: ReplayedThing, direction: Vec): boolean =>
  a.links.length > 0 && b.links.length > 0 && linkWays(a, b).some((ways) => !ways.some((way) => Math.abs(dot(way, direction)) > SAME))

const waysOf = ({ kind, facing, along }: Link): Vec[] => (kind === 'clip' ? [facing, along] : [facing])

function joins(gives: Link, receives: Link): boolean {
  if (!PAIRS.some(([first, second]) => gives.kind === first && receives.kind === second)) return false
  if (receives.kind === 'ring' && dot(gives.facing, receives.facing) > -SAME) return false
  if (receives.kind !== 'cup' && Math.abs(dot(gives.along, receives.along)) < SAME) return false
  const apart = subtract(receives.at, gives.at)
  const along = Math.max(0, Math.min(gives.long, dot(apart, gives.facing)))
  return length(subtract(apart, scale(gives.facing, along))) <= TOLERANCE
}
