import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { Flattener, type ModelDocument, type Part } from '../model'
import { partHull, sectionNodes } from '../scene'
import { unite, type Vec } from '../space'
import { edgeToEdge, handOfPiece, handOfSection, heldParts, PlaceJudge, type Hand } from './index'

const NOTHING: ReadonlySet<string> = new Set()
const judgeOf = (parts: readonly Part[]) => {
  const model = oneSection(parts)
  return new PlaceJudge(sectionNodes(model, new Flattener(model), 'main'))
}
const laid = (hand: Hand, at: Vec, judge: PlaceJudge) => edgeToEdge(hand, at, { judge, catalogue: BASE_CATALOGUE, except: NOTHING })
const base = handOfPiece({ shape: 'base-16x16', colour: 'moss' }, BASE_CATALOGUE)
const street = [part('street', 'base-16x16', [0, 0, 0])]

describe('base plates and modules', () => {
  it('lie edge to edge, corner to corner where the corners are near', () => {
    expect(laid(base, [170, 10, 0], judgeOf(street))).toEqual([160, 0, 0])
    expect(laid(base, [10, -150, 0], judgeOf(street))).toEqual([0, -160, 0])
    // Half a plate along: the edge touches, the corners are not meant.
    expect(laid(base, [170, 80, 0], judgeOf(street))).toEqual([160, 80, 0])
  })

  it('stay where nothing is near, and where something would be in the way', () => {
    expect(laid(base, [300, 0, 0], judgeOf(street))).toEqual([300, 0, 0])
    const row = [...street, part('next', 'base-16x16', [160, 0, 0])]
    expect(laid(base, [150, 10, 0], judgeOf(row))).toEqual([150, 10, 0])
  })

  it('never collide when they were moved, and small pieces are left alone', () => {
    const judge = judgeOf(street)
    fc.assert(
      fc.property(fc.integer({ min: -200, max: 200 }), fc.integer({ min: -200, max: 200 }), (x, y) => {
        const at = laid(base, [x, y, 0], judge)
        if (at[0] !== x || at[1] !== y) expect(judge.judge(heldParts(base, at, BASE_CATALOGUE)).collidesWith).toEqual([])
        expect(Math.hypot(at[0] - x, at[1] - y)).toBeLessThan(30)
      }),
    )
    expect(laid(handOfPiece({ shape: 'brick-2x4', colour: 'red' }, BASE_CATALOGUE), [165, 0, 0], judge)).toEqual([165, 0, 0])
  })

  it('of a house the foot counts, not the roof that reaches over it', () => {
    const model: ModelDocument = {
      format: 'jump-rail-model',
      version: 1,
      name: 'Row',
      root: 'main',
      sections: [
        { id: 'main', name: 'Row', parts: street, copies: [] },
        {
          id: 'house',
          name: 'House',
          parts: [part('foot', 'base-16x16', [0, 0, 0]), part('roof', 'plate-2x4', [-10, 60, 40])],
        },
      ],
    }
    const house = handOfSection(new Flattener(model), 'house')
    const judge = new PlaceJudge(sectionNodes(model, new Flattener(model), 'main'))
    const at = laid(house, [165, 5, 0], judge)
    const foot = heldParts(house, at, BASE_CATALOGUE).filter(({ part: { id } }) => id === 'foot')
    expect(foot.map(partHull).reduce(unite).min).toEqual([160, 0, 0])
  })
})
