import { describe, expect, it } from 'vitest'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { findJoints } from '../joints'
import { Flattener, type ModelDocument, type Part } from '../model'
import { SpaceLeft } from '../motion'
import { buildScene, sectionNodes } from '../scene'
import { MINUS_Z, PLUS_X, PLUS_Z, type Direction } from '../space'
import { CutOffSearch } from './cut-off'
import { findUnit } from './units'

function spaceOf(model: ModelDocument): SpaceLeft {
  const scene = buildScene(sectionNodes(model, new Flattener(model), 'main'))
  return new SpaceLeft(scene, findJoints(scene))
}

/** The ids of the unit that is found, and where it goes. */
function unitOf(space: SpaceLeft, directions: readonly Direction[]): { ids: string[]; travel: Direction } | undefined {
  const onFloor = Uint8Array.from(space.scene.nodeBoxes, ({ min }) => (min[2] === 0 ? 1 : 0))
  const unit = findUnit(space, new CutOffSearch(space, onFloor), directions)
  return unit && { ids: unit.nodes.map((node) => space.scene.nodes[node]!.id).sort(), travel: unit.travel }
}

/** A frame with a beam through its hole. */
const frame: readonly Part[] = [
  part('low', 'plate-1x4', [0, 0, 0]),
  part('left', 'brick-1x1', [0, 0, 4]),
  part('right', 'brick-1x1', [30, 0, 4]),
  part('high', 'plate-1x4', [0, 0, 16]),
]

describe('a unit', () => {
  it('is a part with all that stands on it, where it can only be lifted with them', () => {
    const tower = [0, 1, 2].map((i) => part(`b${i}`, 'brick-2x2', [0, 0, i * 12]))
    const found = unitOf(spaceOf(oneSection([...tower, part('foot', 'plate-4x4', [-10, -10, -4])])), [PLUS_Z])
    expect(found!.ids.length).toBeGreaterThan(0)
    // Whatever leaves, nothing that stands on it stays behind.
    const lowest = Math.min(...found!.ids.map((id) => Number(id.slice(1))))
    for (let i = lowest; i < 3; i++) expect(found!.ids).toContain(`b${i}`)
  })

  it('never tears a part out of a frame that holds it on both sides of the way', () => {
    const space = spaceOf(oneSection([...frame, part('beam', 'brick-1x2', [10, 0, 4])]))
    const up = unitOf(space, [PLUS_Z])
    // The beam goes up only with what lies over it.
    expect(up && up.ids.includes('beam') && !up.ids.includes('high')).not.toBe(true)
  })

  it('is none in a direction in which the whole would have to go', () => {
    const links = [
      { id: 'one', section: 'inner', at: [0, 0, 0] as const },
      { id: 'two', section: 'inner', at: [20, -10, 8] as const, turn: '+y-x' },
    ]
    expect(unitOf(spaceOf(twoSections([], links, frame)), [PLUS_Z, MINUS_Z, PLUS_X])).toBeUndefined()
  })

  it('found leaves free: nothing that stays is in its way', () => {
    const model = oneSection([
      part('floor', 'plate-4x4', [0, 0, 0]),
      part('wall', 'brick-1x4', [0, 0, 4]),
      part('lid', 'plate-4x4', [0, 0, 16]),
      part('lamp', 'round-brick-1x1', [20, 20, 4]),
    ])
    const space = spaceOf(model)
    const found = unitOf(space, [PLUS_Z])!
    const nodes = found.ids.map((id) => space.scene.nodes.findIndex((spec) => spec.id === id))
    expect(space.groupBlocker(nodes, found.travel)).toBe(-1)
  })
})
