import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE, turningOf } from './index'

const of = (id: string) => turningOf(BASE_CATALOGUE.shapes.get(id)!)

describe('turning a shape', () => {
  it.each([
    ['brick-2x2', ['none', 'none', 'every quarter'], false],
    ['brick-2x4', ['none', 'none', 'half'], false],
    ['tile-1x1', ['none', 'none', 'every quarter'], false],
    ['round-brick-2x2', ['none', 'none', 'every quarter'], false],
    ['slope-2x2', ['none', 'none', 'none'], true],
    ['slope-2x4', ['none', 'none', 'none'], true],
    ['half-tile-2x2', ['none', 'none', 'none'], true],
    ['brick-1x1-side1', ['none', 'none', 'none'], true],
    ['brick-1x1-side2', ['none', 'none', 'half'], false],
    ['brick-1x1-side4', ['none', 'none', 'every quarter'], false],
    ['wedge-plate-2x4-left', ['none', 'none', 'none'], false],
    ['plate-corner-2x2', ['none', 'none', 'none'], false],
    ['bracket-1x2-1x2-up', ['none', 'none', 'none'], true],
    ['gear-8', ['half', 'every quarter', 'half'], false],
    ['axle-4', ['every quarter', 'half', 'half'], false],
    ['beam-3', ['half', 'half', 'half'], false],
  ] as const)('%s', (id, looks, isTrap) => {
    expect(of(id)).toEqual({ looks, isTrap })
  })

  it('never says “every quarter” of a body that is longer one way than the other', () => {
    for (const shape of BASE_CATALOGUE.shapes.values()) {
      const { looks } = turningOf(shape)
      looks.forEach((alike, axis) => {
        const [a, b] = [0, 1, 2].filter((i) => i !== axis).map((i) => shape.box[i]!)
        if (alike === 'every quarter') expect(a, shape.id).toBe(b)
      })
    }
  })

  it('is the same for a shape and its mirror twin', () => {
    for (const shape of BASE_CATALOGUE.shapes.values()) {
      const twin = shape.mirror.twin === null ? undefined : BASE_CATALOGUE.shapes.get(shape.mirror.twin)
      if (twin) expect(turningOf(twin).looks[2], shape.id).toBe(turningOf(shape).looks[2])
    }
  })
})
