import type { Said } from '../language'
import { travelVector } from '../motion'
import { sectionById } from '../model'
import type { BuiltSection } from '../plan'
import { flatNodeBoxes } from '../scene'
import { MINUS_X, MINUS_Y, PLUS_X, PLUS_Y, PLUS_Z, type Direction } from '../space'
import { defineCheck, type Found } from './check'
import { inTheWay } from './naming'

/** How much room above its part a place needs, u: two bricks. */
const ROOM = 24
/** A hand or a figure comes from these sides; the work is not turned over to sit down. */
const SIDES: readonly Direction[] = [PLUS_Z, MINUS_Y, PLUS_Y, PLUS_X, MINUS_X]

/** The first step after which no straight way leads to a place. */
export const access = defineCheck({
  code: 'access',
  severity: 'warning',
  about: 'A place that the designer wants to keep within reach can no longer be reached.',
  scope: 'section',
  find({ model, built }) {
    return (sectionById(model, built.base).places ?? []).flatMap(({ name, part }) => {
      const node = built.scene.nodes.findIndex((spec) => spec.id === part || spec.parts.some((placed) => placed.part.id === part))
      return node < 0 ? [] : lostFrom(built, name, node)
    })
  },
})

function lostFrom(built: BuiltSection, name: string, place: number): Found[] {
  const { scene, steps } = built
  const closed = new Map<Direction, number>()
  let isThere = false
  for (const [i, step] of steps.entries()) {
    for (const node of step) {
      isThere ||= node === place
      if (node === place) continue
      for (const side of SIDES) if (!closed.has(side) && isInWay(flatNodeBoxes(scene), place, node, side)) closed.set(side, node)
    }
    if (!isThere || closed.size < SIDES.length) continue
    const ways = [...closed].map(([side, by]) => ({ travel: side, by: scene.nodes[by]!.id }))
    const parts = [...new Set([place, ...closed.values()])].map((node) => scene.nodes[node]!.id)
    const said: Said = { key: 'access.closed', about: { name, ways: inTheWay(ways), parts: { parts: parts.slice(1) } } }
    return [{ step: i + 1, parts, said }]
  }
  return []
}

/** Whether a node stands in the room above the place, or on the straight way from it to a side. */
function isInWay(boxes: Float64Array, place: number, node: number, side: Direction): boolean {
  const way = travelVector(side)
  return [0, 1, 2].every((k) => {
    let low = k === 2 ? boxes[place * 6 + 5]! : boxes[place * 6 + k]!
    let high = k === 2 ? low + ROOM : boxes[place * 6 + 3 + k]!
    if (way[k]! > 0) high = Infinity
    if (way[k]! < 0) low = -Infinity
    return boxes[node * 6 + k]! < high && low < boxes[node * 6 + 3 + k]!
  })
}
