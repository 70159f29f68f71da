import { describe, expect, it } from 'vitest'
import { ADVICE_IN_ENGLISH } from '../language'
import { oneSection, part } from '../../../tests/support/models'
import type { Part } from '../model'
import { needOf } from './need'
import type { DeskPiece } from './piece'
import { findSubstitutes, printedSubstitute } from './substitutes'

const red = (each: Part): Part => ({ ...each, colour: 'red' })
const piece = (shape: string, count: number, colour = 'red'): DeskPiece => ({ shape, colour, count })
const find = (parts: readonly Part[], shape: string, spare: readonly DeskPiece[], how: 'exact' | 'near' = 'exact') => {
  const model = oneSection(parts)
  const found = findSubstitutes(
    model,
    needOf(model).filter((each) => each.shape === shape),
    { spare, offers: undefined, how },
  )
  for (const { consequence, told } of found) expect(ADVICE_IN_ENGLISH.say(told)).toBe(consequence)
  return found.map(printedSubstitute)
}

/** A long plate on two bricks, with another across its middle. */
const bridge = [
  part('left', 'brick-2x2', [0, 0, 0]),
  part('right', 'brick-2x2', [60, 0, 0]),
  part('deck', 'plate-2x8', [0, 0, 12]),
  part('tie', 'plate-2x4', [20, 0, 16]),
].map(red)

describe('substitutes', () => {
  it('split a long plate where something ties the halves, and not where nothing does', () => {
    expect(find(bridge, 'plate-2x8', [piece('plate-2x4', 2)])).toEqual([
      {
        for: piece('plate-2x8', 1),
        use: [piece('plate-2x4', 2)],
        kind: 'split',
        consequence: '2 pieces in a row, with a seam between them.',
      },
    ])
    expect(find(bridge, 'plate-2x8', [piece('plate-2x4', 1)])).toEqual([])
    expect(find(bridge.slice(0, 3), 'plate-2x8', [piece('plate-2x4', 2)])).toEqual([])
  })

  it('stack plates for a brick, and a brick for plates that lie on each other', () => {
    expect(find(bridge, 'brick-2x2', [piece('plate-2x2', 6)])).toMatchObject([{ kind: 'stack', use: [piece('plate-2x2', 6)], mm: 0 }])
    const pile = [0, 4, 8, 12].map((z, i) => red(part(`p${i}`, 'plate-2x2', [0, 0, z])))
    expect(find(pile, 'plate-2x2', [piece('brick-2x2', 1)])).toMatchObject([
      { kind: 'stack', for: piece('plate-2x2', 3), use: [piece('brick-2x2', 1)] },
    ])
  })

  it('take another colour only where it never shows', () => {
    const ring = [
      [0, 0],
      [20, 0],
      [40, 0],
      [0, 20],
      [40, 20],
      [0, 40],
      [20, 40],
      [40, 40],
    ].map(([x, y], i) => ({ ...part(`w${i}`, 'brick-2x2', [x!, y!, 4]), colour: 'ivory' }))
    const box = [
      { ...part('floor', 'plate-6x6', [0, 0, 0]), colour: 'ivory' },
      ...ring,
      red(part('core', 'brick-2x2', [20, 20, 4])),
      { ...part('lid', 'plate-6x6', [0, 0, 16]), colour: 'ivory' },
    ]
    expect(find(box, 'brick-2x2', [piece('brick-2x2', 1, 'plum')])).toMatchObject([
      { kind: 'colour', for: piece('brick-2x2', 1), use: [piece('brick-2x2', 1, 'plum')] },
    ])
    expect(find(box.slice(0, -1), 'brick-2x2', [piece('brick-2x2', 1, 'plum')])).toEqual([])
  })

  it('name a near shape with what it changes, in mm and in findings', () => {
    const top = [red(part('base', 'brick-2x2', [0, 0, 0])), red(part('top', 'tile-2x2', [0, 0, 12]))]
    expect(find(top, 'tile-2x2', [piece('plate-2x2', 1)])).toEqual([])
    expect(find(top, 'tile-2x2', [piece('plate-2x2', 1)], 'near')).toEqual([
      {
        for: piece('tile-2x2', 1),
        use: [piece('plate-2x2', 1)],
        kind: 'near',
        consequence: 'Plate 2 × 2 in place of tile 2 × 2: 4 studs more.',
        mm: 0,
        findings: [],
      },
    ])
  })
})
