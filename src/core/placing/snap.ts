import type { Catalogue } from '../catalogue'
import type { PlacedPart } from '../model'
import { freeConnectors, type FreeConnector } from '../scene'
import { DIRECTION_VECTORS, directionOf, dot, length, mapVec, PLUS_Z, STUD_PITCH, subtract, TURNS, type Matrix, type Vec } from '../space'
import { handBox, heldParts, turnHand, type Hand } from './hand'
import type { PlaceJudge } from './judge'
import type { PickedPoint } from './pick-part'

/** Where a hand snaps to: how it is turned then, and where its lowest corner goes, u. */
export interface Snap {
  readonly hand: Hand
  readonly at: Vec
  /** It is held there by a connector; else it only stands or lies there. */
  readonly isHeld: boolean
}

/** What a snap is looked for among. */
export interface SnapQuestion {
  readonly hand: Hand
  readonly picked: PickedPoint
  readonly target: PlacedPart
  readonly judge: PlaceJudge
  readonly catalogue: Catalogue
  /** Nodes that are being moved. */
  readonly except?: ReadonlySet<string>
}

/** Places tried one after another, nearest first, in each turn. */
const MOST_TRIED = 8
/** Connectors farther from the pointer than this are not meant, u. */
const NEAR = 24

/**
 * The place nearest to the pointer at which a connector of what is held takes hold of one of the part under it, and nothing is in
 * the way: as it is turned now, else turned so that its underside lies on the face pointed at, else in any of the 24 turns. Where
 * nothing takes hold it stands on the face, in the grid of studs.
 */
export function snapTo(question: SnapQuestion): Snap {
  const tried = new Set<string>()
  for (const matrix of turnsToTry(question.picked.normal)) {
    const hand = matrix ? turnHand(question.hand, matrix) : question.hand
    const key = JSON.stringify(hand.nodes.map(({ pose }) => pose.matrix))
    if (tried.has(key)) continue
    tried.add(key)
    const at = heldPlace(question, hand)
    if (at) return { hand, at, isHeld: true }
  }
  return { hand: question.hand, at: standOn(question.hand, question.picked), isHeld: false }
}

const TURN_COUNT_ASIDE = 4

/** As it is; then with its underside on the face; then all others. */
function* turnsToTry(normal: Vec): Generator<Matrix | undefined> {
  yield undefined
  const face = directionOf(mapVec(normal, (value) => Math.round(value) + 0))
  if (face !== undefined) {
    const onFace = TURNS.filter((turn) => dot([turn[2], turn[5], turn[8]], DIRECTION_VECTORS[face]!) === 1)
    yield* onFace.slice(0, TURN_COUNT_ASIDE)
  }
  yield* TURNS
}

interface Mate {
  readonly shift: Vec
  readonly far: number
}

/** @returns where the hand goes so that it is held by the target, nearest to the pointer; nothing where it cannot */
function heldPlace({ picked, target, judge, catalogue, except }: SnapQuestion, hand: Hand): Vec | undefined {
  const box = handBox(hand)
  const parts = heldParts(hand, [0, 0, 0], catalogue)
  const own = parts.flatMap(connectorsOf)
  const there = connectorsOf(target).filter(({ at }) => length(subtract(at, picked.at)) <= NEAR)
  const seen = new Map<string, Mate>()
  for (const mine of own) {
    for (const theirs of there) {
      if (!couldMate(mine, theirs)) continue
      const shift = mapVec(subtract(theirs.at, mine.at), (value) => Math.round(value) + 0)
      // The middle of what is held comes as near to the pointer as it can; of two alike the connector under the pointer counts.
      const middle: Vec = [
        shift[0] + (box.min[0] + box.max[0]) / 2,
        shift[1] + (box.min[1] + box.max[1]) / 2,
        shift[2] + (box.min[2] + box.max[2]) / 2,
      ]
      const far = length(subtract(theirs.at, picked.at)) + length(subtract(middle, picked.at))
      // What is pointed at is faced: nothing snaps to the other side of it.
      if (dot(subtract(middle, picked.at), picked.normal) < 0) continue
      const key = shift.join()
      if (far < (seen.get(key)?.far ?? Infinity)) seen.set(key, { shift, far })
    }
  }
  const nearest = [...seen.values()].sort((a, b) => a.far - b.far).slice(0, MOST_TRIED)
  return nearest.find(({ shift }) => {
    const verdict = judge.judge(heldParts(hand, shift, catalogue), except)
    return verdict.holds > 0 && verdict.collidesWith.length === 0
  })?.shift
}

const connectorsOf = ({ shape, pose }: PlacedPart): FreeConnector[] =>
  shape.connectors.flatMap((connector) => freeConnectors(connector, pose, 0, 0))

/** Whether two could be the two ends of a joint, told by their sort alone; the judge looks at the ways. */
const couldMate = (a: FreeConnector, b: FreeConnector): boolean => a.gives !== b.gives && a.hold === b.hold

/** On the face pointed at, its middle under the pointer as near as the grid of studs lets. */
function standOn(hand: Hand, { at, normal }: PickedPoint): Vec {
  const { max } = handBox(hand)
  const facing = directionOf(mapVec(normal, (value) => Math.round(value) + 0)) ?? PLUS_Z
  const axis = facing >> 1
  return mapVec(at, (value, i) => {
    if (i === axis) return Math.round(value) - ((facing & 1) === 0 ? 0 : max[i])
    const low = value - max[i] / 2
    return i === 2 ? Math.round(low) : Math.round(low / STUD_PITCH) * STUD_PITCH
  })
}

/** On the table, its middle under a point of it as near as the grid of studs lets. */
export const standOnTable = (hand: Hand, point: Vec, height = 0): Vec =>
  standOn(hand, { part: -1, at: [point[0], point[1], height], normal: [0, 0, 1] })

/** How the hand is turned a quarter about the upright axis, or tipped over to the front. */
export const QUARTER_TURN: Matrix = [0, -1, 0, 1, 0, 0, 0, 0, 1]
export const TIP_OVER: Matrix = [1, 0, 0, 0, 0, -1, 0, 1, 0]
