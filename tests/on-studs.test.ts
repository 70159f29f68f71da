import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE, type Shape } from '@core/catalogue'
import { findJoints } from '@core/joints'
import { Flattener, type Part } from '@core/model'
import { findOverlaps } from '@core/motion'
import { wholeBox } from '@core/placing'
import { buildScene, sectionNodes } from '@core/scene'
import { MINUS_Z, PLUS_Z, STUD_PITCH, turnText, TURNS, type Vec } from '@core/space'
import { oneSection } from './support/models'

/** Turns about the upright axis. */
const UPRIGHT = TURNS.flatMap((matrix, turn) => (matrix[8] === 1 ? [turnText(turn)] : []))

function verdict(parts: readonly Part[]): { overlaps: string[]; joints: number } {
  const model = oneSection(parts)
  const scene = buildScene(sectionNodes(model, new Flattener(model), 'main'))
  const joints = findJoints(scene)
  const overlaps = findOverlaps(scene, joints).map(({ a, b }) => `${scene.parts[a]!.path} ${scene.parts[b]!.path}`)
  return { overlaps, joints: joints.list.length }
}

/** Plates of one stud with their middles under, or over, some places; at a height, u. */
const plates = (middles: readonly Vec[], z: number): Part[] =>
  middles.map(([x, y], i): Part => ({ id: `plate-${i}`, shape: 'plate-1x1', colour: 'ash', at: [x - 5, y - 5, z] }))

/** All places of the grid of one of them that lie within the shape, for those that are round: a stud stands in the rim, too. */
function placesUnder(shape: Shape, held: readonly Vec[], turn: string): Vec[] {
  if (!/^(round|cone)/.test(shape.family)) return [...held]
  const { min, max } = wholeBox(
    new Flattener(oneSection([{ id: 'p', shape: shape.id, colour: 'ash', at: [0, 0, 0], turn }])).all('main')[0]!,
  )
  const [first] = held as [Vec]
  const along = (axis: 0 | 1): number[] => {
    const from = first[axis] - STUD_PITCH * Math.floor((first[axis] - min[axis]) / STUD_PITCH)
    return Array.from({ length: Math.ceil((max[axis] - from) / STUD_PITCH) }, (_, i) => from + i * STUD_PITCH)
  }
  return along(0).flatMap((x) => along(1).map((y): Vec => [x, y, first[2]]))
}

/** Where a shape's connectors of a kind that face a way are when the shape is put at the origin, turned about the upright axis. */
function placesOf(shape: Shape, turn: string, kind: 'socket' | 'stud', facing: number): Vec[] {
  const model = oneSection([{ id: 'p', shape: shape.id, colour: 'ash', at: [0, 0, 0], turn }])
  const { pose } = new Flattener(model).all('main')[0]!
  const m = pose.matrix
  const lowest = Math.min(
    ...shape.connectors.flatMap(({ kind: sort, facing: way, at }) => (sort === kind && way === facing ? [at[2]] : [])),
  )
  return shape.connectors
    .filter((connector) => connector.kind === kind && connector.facing === facing && connector.at[2] === lowest)
    .map(({ at: [x, y, z] }): Vec => [
      m[0] * x + m[1] * y + m[2] * z + pose.at[0],
      m[3] * x + m[4] * y + m[5] * z + pose.at[1],
      z + pose.at[2],
    ])
}

/** What reaches below its own sockets, or above its own studs, cannot stand on a sheet of studs at all. */
const reachesBelow = ({ bodies }: Shape, z: number): boolean => bodies.some(({ min }) => min[2] < z)
const reachesAbove = ({ bodies }: Shape, z: number): boolean => bodies.some(({ max }) => max[2] > z)

describe('every shape of the catalogue', () => {
  const shapes = [...BASE_CATALOGUE.shapes.values()]

  it('stands on studs, in every turn about the upright axis', () => {
    const wrong: string[] = []
    let asked = 0
    for (const shape of shapes) {
      const own = shape.connectors.find(({ kind, facing }) => kind === 'socket' && facing === MINUS_Z)
      if (!own || reachesBelow(shape, own.at[2])) continue
      for (const turn of UPRIGHT) {
        const held = placesOf(shape, turn, 'socket', MINUS_Z)
        const under = plates(placesUnder(shape, held, turn), held[0]![2] - 4)
        const { overlaps, joints } = verdict([{ id: 'p', shape: shape.id, colour: 'ash', at: [0, 0, 0], turn }, ...under])
        asked++
        if (overlaps.length > 0 || joints === 0) wrong.push(`${shape.id} ${turn}: ${overlaps.length} overlaps, ${joints} joints`)
      }
    }
    expect(asked).toBeGreaterThan(800)
    expect(wrong).toEqual([])
  })

  it('carries a studded plate on its studs', () => {
    const wrong: string[] = []
    let asked = 0
    for (const shape of shapes) {
      const own = shape.connectors.find(({ kind, facing }) => kind === 'stud' && facing === PLUS_Z)
      if (!own || reachesAbove(shape, own.at[2])) continue
      const held = placesOf(shape, '+x+y', 'stud', PLUS_Z)
      const { overlaps, joints } = verdict([{ id: 'p', shape: shape.id, colour: 'ash', at: [0, 0, 0] }, ...plates(held, held[0]![2])])
      asked++
      if (overlaps.length > 0 || joints === 0) wrong.push(`${shape.id}: ${overlaps.length} overlaps, ${joints} joints`)
    }
    expect(asked).toBeGreaterThan(150)
    expect(wrong).toEqual([])
  })

  it('stands beside its like, as far off as it is wide', () => {
    const wrong: string[] = []
    for (const shape of shapes) {
      for (const way of [0, 1] as const) {
        const { min, max } = wholeBox(
          new Flattener(oneSection([{ id: 'p', shape: shape.id, colour: 'ash', at: [0, 0, 0] }])).all('main')[0]!,
        )
        const wide = Math.ceil((max[way] - min[way]) / STUD_PITCH) * STUD_PITCH
        const at: Vec = way === 0 ? [wide, 0, 0] : [0, wide, 0]
        const two = [0, 1].map((i): Part => ({ id: `p${i}`, shape: shape.id, colour: 'ash', at: i === 0 ? [0, 0, 0] : at }))
        if (verdict(two).overlaps.length > 0) wrong.push(shape.id)
      }
    }
    expect(wrong).toEqual([])
  })
})
