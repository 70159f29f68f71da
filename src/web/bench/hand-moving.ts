import { edgeToEdge, mirrorHand, QUARTER_TURN, snapTo, standOnTable, TIP_OVER, turnHand, type PickedPoint } from '@core/placing'
import {
  add,
  DIRECTION_VECTORS,
  PLATE_HEIGHT,
  scale,
  STUD_PITCH,
  type Direction,
  type Matrix,
  type MirrorAxis,
  type Ray,
} from '@core/space'
import { attempt } from './attempt'
import type { HandState } from './hand-state'
import type { BenchSection } from './use-section'

/** Moves what is in the hand: by keys, and after the pointer. */
export function createMoving(on: BenchSection, { held, movedIds, landed, change }: HandState) {
  function moveBy(direction: Direction, by: 'stud' | 'half' | 'plate'): void {
    const now = held.value
    if (!now) return
    const far = by === 'plate' ? PLATE_HEIGHT : by === 'half' ? STUD_PITCH / 2 : STUD_PITCH
    const at = add(now.at, scale(DIRECTION_VECTORS[direction]!, far))
    const isAloft = now.isAloft || by === 'plate'
    change({ at: isAloft ? at : landed(now.hand, at, movedIds.value), isAloft })
  }
  function turnBy(matrix: Matrix): void {
    const now = held.value
    if (!now) return
    const hand = turnHand(now.hand, matrix)
    change({ hand, at: now.isAloft ? now.at : landed(hand, now.at, movedIds.value) })
  }
  function mirror(axis: MirrorAxis): void {
    const now = held.value
    const hand = now && attempt(() => mirrorHand(now.hand, axis, on.catalogue.value))
    if (hand) change({ hand })
  }
  /** Comes down on what stands below. */
  const drop = (): void => {
    const now = held.value
    if (now) change({ at: landed(now.hand, now.at, movedIds.value), isAloft: false })
  }
  /** Follows the pointer: onto the connector under it, or the table. */
  function follow(point: PickedPoint | undefined, ray: Ray): void {
    const now = held.value
    if (!now) return
    const target = point && on.shown.value.parts[point.part]
    if (point && target && !movedIds.value.has(on.shown.value.owners[point.part]!)) {
      const snap = snapTo({
        hand: now.hand,
        picked: point,
        target,
        judge: on.judge.value,
        catalogue: on.catalogue.value,
        except: movedIds.value,
      })
      return change({ hand: snap.hand, at: snap.at, isAloft: true })
    }
    const floor = on.judge.value.table
    if (ray.way[2] >= 0) return
    const distance = (floor - ray.from[2]) / ray.way[2]
    const at = standOnTable(now.hand, add(ray.from, scale(ray.way, distance)), floor)
    const question = { judge: on.judge.value, catalogue: on.catalogue.value, except: movedIds.value }
    change({ at: edgeToEdge(now.hand, at, question), isAloft: true })
  }

  return { moveBy, turn: () => turnBy(QUARTER_TURN), tip: () => turnBy(TIP_OVER), mirror, drop, follow }
}
