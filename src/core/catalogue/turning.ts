import { memo } from '../memo'
import { apply, DIRECTION_VECTORS, scale, subtract, TURNS, type Axis, type Matrix, type Turn, type Vec, mapVec, vecOf } from '../space'
import type { Facet } from './mesh'
import type { Connector, ConnectorKind, Shape } from './types'

/** Of how many quarter turns about an axis a shape has the same look and hold: every one, only the half turn, or none. */
type TurnSymmetry = 'every quarter' | 'half' | 'none'

/** Whether turning a shape about each axis through the middle of its body box changes it. */
export interface Turning {
  /** What the eye sees, and what takes hold: outline and connectors. */
  readonly looks: readonly [TurnSymmetry, TurnSymmetry, TurnSymmetry]
  /** About the upright axis, whether it goes on in the same place turned half round, though it looks another: easily put in the wrong way. */
  readonly isTrap: boolean
}

const QUARTERS: readonly Matrix[] = [
  [1, 0, 0, 0, 0, -1, 0, 1, 0],
  [0, 0, 1, 0, 1, 0, -1, 0, 0],
  [0, -1, 0, 1, 0, 0, 0, 0, 1],
]
const HALVES: readonly Matrix[] = [
  [1, 0, 0, 0, -1, 0, 0, 0, -1],
  [-1, 0, 0, 0, 1, 0, 0, 0, -1],
  [-1, 0, 0, 0, -1, 0, 0, 0, 1],
]
const AXES: readonly Axis[] = [0, 1, 2]
const UPRIGHT = 2

/** How a shape turns; made once for each. */
export const turningOf = memo(findTurning)

/** The lattice turns after which a shape looks and holds the same; no turn is the first. */
export const turnsAlike = memo((shape: Shape): readonly Turn[] => TURNS.flatMap((matrix, turn) => (isSame(shape, matrix) ? [turn] : [])))

/** Whether nobody could see a difference after a turn, studs and all, whatever takes hold inside. */
export const looksSameTurned = (shape: Shape, turn: Matrix): boolean => sameSurfaces(shape, turn, shape.mesh)

function findTurning(shape: Shape): Turning {
  const looks = AXES.map((axis): TurnSymmetry => {
    if (isSame(shape, QUARTERS[axis]!)) return 'every quarter'
    return isSame(shape, HALVES[axis]!) ? 'half' : 'none'
  }) as unknown as [TurnSymmetry, TurnSymmetry, TurnSymmetry]
  const half = HALVES[UPRIGHT]!
  const below = shape.connectors.filter(({ facing }) => DIRECTION_VECTORS[facing]![2] === -1)
  return { looks, isTrap: looks[UPRIGHT] === 'none' && below.length > 0 && sameConnectors(shape, half, below) }
}

const isSame = (shape: Shape, turn: Matrix): boolean =>
  sameConnectors(shape, turn, shape.connectors) && sameSurfaces(shape, turn, shape.plainMesh)

/** Where a place of a shape goes when it is turned about the middle of its body box. */
const turned = ({ box }: Shape, turn: Matrix, place: Vec): Vec => {
  const middle = scale(box, 0.5)
  return mapVec(apply(turn, subtract(place, middle)), (value, i) => value + middle[i])
}

/** Texts of places are of halves of u: all that matters stands on them. */
const textOf = (values: readonly number[]): string => values.map((value) => Math.round(value * 2)).join()

function sameConnectors(shape: Shape, turn: Matrix, connectors: readonly Connector[]): boolean {
  const still: Matrix = [1, 0, 0, 0, 1, 0, 0, 0, 1]
  const all = new Set(connectors.map((connector) => connectorText(shape, connector, still)))
  return connectors.every((connector) => all.has(connectorText(shape, connector, turn)))
}

/** What is held along its whole length, or from both sides, has an axis and no sense. */
const THROUGH: readonly ConnectorKind[] = ['bar', 'axle', 'hose', 'hole', 'cross']

function connectorText(shape: Shape, { kind, at, facing, along, length = 0 }: Connector, turn: Matrix): string {
  const way = apply(turn, DIRECTION_VECTORS[facing]!)
  const place = turned(shape, turn, at)
  if (THROUGH.includes(kind)) {
    const end = place.map((value, i) => value + way[i]! * length)
    return `${kind} ${[textOf(place), textOf(end)].sort().join(' ')} ${axisText(way)}`
  }
  const other = along === undefined ? '' : axisText(apply(turn, DIRECTION_VECTORS[along]!))
  return `${kind} ${textOf(place)} ${way.join()} ${other}`
}

const axisText = (along: Vec): string => along.map(Math.abs).join()

/** A surface of the outline in a few numbers, rounded so that a circle of many sides counts as round. */
interface Surface {
  readonly middle: Vec
  readonly low: Vec
  readonly high: Vec
}

/** How far apart two surfaces may lie and still be one, u. */
const GIVE = 0.45

function sameSurfaces(shape: Shape, turn: Matrix, mesh: readonly Facet[]): boolean {
  const surfaces = surfacesOf(mesh)
  return surfaces.every((surface) => {
    const corners = [turned(shape, turn, surface.low), turned(shape, turn, surface.high)] as const
    const low = corners[0].map((value, i) => Math.min(value, corners[1][i]!))
    const high = corners[0].map((value, i) => Math.max(value, corners[1][i]!))
    const middle = turned(shape, turn, surface.middle)
    const near = (a: readonly number[], b: Vec): boolean => a.every((value, i) => Math.abs(value - b[i]!) < GIVE)
    return surfaces.some((other) => near(low, other.low) && near(high, other.high) && near(middle, other.middle))
  })
}

function surfacesOf(mesh: readonly Facet[]): Surface[] {
  const groups = new Map<number, Facet[]>()
  for (const facet of mesh) groups.set(facet.surface, [...(groups.get(facet.surface) ?? []), facet])
  return [...groups.values()].map((facets) => {
    const corners = facets.flatMap((facet) => facet.corners)
    const along = (pick: (values: number[]) => number): Vec => vecOf((i) => pick(corners.map((corner) => corner[i])))
    return {
      middle: along((values) => values.reduce((sum, value) => sum + value, 0) / values.length),
      low: along((values) => Math.min(...values)),
      high: along((values) => Math.max(...values)),
    }
  })
}
