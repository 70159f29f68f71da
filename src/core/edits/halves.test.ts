import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { partPose, type Part } from '../model'
import { posedBox, TURNS, turnText, unite, type Box } from '../space'
import { halvesOf, withParts } from './halves'

const { shapes } = BASE_CATALOGUE
const boxOf = (piece: Part): Box => {
  const shape = shapes.get(piece.shape)!
  return posedBox(partPose(piece, shape), { min: [0, 0, 0], max: shape.box })
}
const volume = ({ min, max }: Box): number => (max[0] - min[0]) * (max[1] - min[1]) * (max[2] - min[2])
const divisible = [...shapes.values()].filter(({ family }) => ['brick', 'plate', 'tile'].includes(family))

describe('halves of a piece', () => {
  it('fill its place exactly, however it is turned, in its colour', () => {
    let divided = 0
    fc.assert(
      fc.property(
        fc.constantFrom(...divisible),
        fc.nat(TURNS.length - 1),
        fc.tuple(fc.nat(50), fc.nat(50), fc.nat(50)),
        (shape, turn, at) => {
          const whole = part('long', shape.id, at, turnText(turn), 'amber')
          const halves = halvesOf(whole, shapes)
          if (!halves) return
          divided++
          const [a, b] = halves.map(boxOf) as [Box, Box]
          expect(unite(a, b)).toEqual(boxOf(whole))
          expect(volume(a) + volume(b)).toBe(volume(boxOf(whole)))
          for (const half of halves) {
            expect(half.colour).toBe('amber')
            expect(shapes.get(half.shape)!.family).toBe(shape.family)
          }
        },
      ),
      { numRuns: 400 },
    )
    expect(divided).toBeGreaterThan(100)
  })

  it('differ by a stud at most where the catalogue has both lengths', () => {
    const lengths = (id: string) => halvesOf(part('p', id, [0, 0, 0]), shapes)?.map(({ shape }) => shape)
    expect(lengths('plate-1x4')).toEqual(['plate-1x2', 'plate-1x2'])
    expect(lengths('plate-1x3')).toEqual(['plate-1x2', 'plate-1x1'])
  })

  it('are none of a piece a stud long, of one that is not divided, and of one in a free pose', () => {
    expect(halvesOf(part('p', 'plate-1x1', [0, 0, 0]), shapes)).toBeUndefined()
    const other = [...shapes.values()].find(({ family }) => !['brick', 'plate', 'tile'].includes(family))!
    expect(halvesOf(part('p', other.id, [0, 0, 0]), shapes)).toBeUndefined()
    expect(halvesOf({ id: 'p', shape: 'plate-1x4', colour: 'red' }, shapes)).toBeUndefined()
    expect(halvesOf(part('p', 'no-such-shape', [0, 0, 0]), shapes)).toBeUndefined()
  })

  it('get ids nobody has', () => {
    const ids = halvesOf(part('p', 'plate-1x4', [0, 0, 0]), shapes, new Set(['p-a', "p-a'"]))!.map(({ id }) => id)
    expect(ids).toEqual(["p-a''", 'p-b'])
  })
})

describe('other parts in a section', () => {
  it('given steps forget what is gone, and a section without steps gets none', () => {
    const [a, b] = [part('a', 'plate-1x1', [0, 0, 0]), part('b', 'plate-1x1', [0, 0, 4])]
    const model = oneSection([a, b], [{ add: ['a'], note: 'Press.' }, { add: ['b'] }])
    const [section] = withParts(model, 'main', (parts) => parts.filter(({ id }) => id === 'a')).sections
    expect(section).toMatchObject({ parts: [a], steps: [{ add: ['a'], note: 'Press.' }, { add: [] }] })
    expect(withParts(oneSection([a, b]), 'main', () => [b]).sections[0]).not.toHaveProperty('steps')
    expect(withParts(model, 'elsewhere', () => [])).toEqual(model)
  })
})
