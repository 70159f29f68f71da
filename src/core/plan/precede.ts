import { eachPressObstacle, isAlong, type Pressed, type SpaceLeft, type Travel } from '../motion'
import { axisOf, senseOf, type Axis } from '../space'

/** Who must be in before whom: `after[n]` lists those that wait for n, `waits[n]` says for how many n waits. */
export interface Precedence {
  readonly after: readonly (readonly number[])[]
  readonly waits: Int32Array
}

/**
 * The order that directions alone demand. A node comes in against its leaving direction, so all that stands on that way must
 * come after it; in a column, waiting for the nearest leaver is enough. A joint across the way must be closed by the other.
 *
 * @param space all nodes there; nothing is removed
 * @param leaving how each node leaves; undefined for what was taken by force, which waits for nothing of its own, and for
 *   what slides and is pressed
 * @param pressed what slides and is pressed
 */
export function findPrecedence(space: SpaceLeft, leaving: readonly (Travel | undefined)[], pressed: readonly Pressed[] = []): Precedence {
  const after: number[][] = leaving.map(() => [])
  const waits = new Int32Array(leaving.length)
  const edge = (first: number, then: number): void => {
    const list = after[first]!
    if (list[list.length - 1] === then || list.includes(then)) return
    list.push(then)
    waits[then]!++
  }
  for (const axis of [0, 1, 2] as Axis[]) {
    for (const sense of [1, -1] as const) {
      const isLeaver = (node: number): boolean => {
        const travel = leaving[node]
        return typeof travel === 'number' && axisOf(travel) === axis && senseOf(travel) === sense
      }
      if (leaving.some((_, node) => isLeaver(node))) space.columns[axis].eachWait(sense, isLeaver, edge)
    }
  }
  for (const joint of space.joints.list) {
    const mustPrecede = (node: number, other: number): void => {
      const travel = leaving[node]
      if (travel !== undefined && !isAlong(joint, travel)) edge(node, other)
    }
    mustPrecede(joint.a, joint.b)
    mustPrecede(joint.b, joint.a)
  }
  for (const each of pressed) {
    eachPressObstacle(space, each, (other) => {
      edge(each.node, other)
      return false
    })
  }
  leaving.forEach((travel, node) => {
    if (travel !== undefined) space.eachInFreePath(node, travel, (other) => edge(node, other))
  })
  return { after, waits }
}
