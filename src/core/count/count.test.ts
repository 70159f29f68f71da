import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { Flattener, readModelText } from '../model'
import { planModel } from '../plan'
import { coloursOf, cutLines, cutLists, inventoryOf, mirrorTray, tally, total } from './index'

describe('counting', () => {
  it('adds equal pieces up and sorts sizes as numbers', () => {
    const piece = (shape: string, colour: string, count: number) => ({ shape, colour, count })
    expect(
      tally([piece('plate-1x10', 'red', 1), piece('plate-1x2', 'red', 2), piece('plate-1x10', 'red', 3), piece('tile-1x1', 'red', 0)]),
    ).toEqual([piece('plate-1x2', 'red', 2), piece('plate-1x10', 'red', 4)])
  })

  it('counts what is cut by its length, the usual one where none is told, and lists the cuts', () => {
    const tube = (id: string, x: number, length?: number) => ({
      ...part(id, 'tube', [x, 0, 0]),
      ...(length === undefined ? {} : { length }),
    })
    const pieces = inventoryOf(
      oneSection([tube('a', 0, 80), tube('b', 200, 80), tube('c', 400), tube('d', 600, 40), part('p', 'plate-1x1', [0, 50, 0])]),
    )
    expect(pieces.filter(({ shape }) => shape === 'tube').map(({ length, count }) => [length, count])).toEqual([
      [40, 2],
      [80, 2],
    ])
    expect(cutLists(pieces).map(({ total: mm, cuts }) => [mm, cuts])).toEqual([
      [
        240,
        [
          { length: 80, count: 2 },
          { length: 40, count: 2 },
        ],
      ],
    ])
    expect(cutLines(pieces, BASE_CATALOGUE)[0]).toMatch(/^Tube, .*: 2 pieces of 80 mm, 2 of 40 mm; 240 mm in all\.$/)
  })

  it('takes mirror twins for mirrored copies', () => {
    const wing = [part('w', 'wedge-plate-2x3-left', [0, 0, 0]), part('p', 'plate-1x2', [0, 0, 4])]
    const model = twoSections(
      [],
      [
        { id: 'l', section: 'inner', at: [0, 0, 0] },
        { id: 'r', section: 'inner', at: [100, 0, 0], mirror: 'x' },
      ],
      wing,
    )
    expect(inventoryOf(model).map(({ shape, count }) => [shape, count])).toEqual([
      ['plate-1x2', 2],
      ['wedge-plate-2x3-left', 1],
      ['wedge-plate-2x3-right', 1],
    ])
  })

  it.each(['bird-table', 'ferry-house', 'granary'])('in %s callouts, inventory, colours and flattened parts agree', (name) => {
    const model = readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
    const { plan } = planModel(model)
    const fromCallouts = tally(
      plan.sections.flatMap((section) => {
        const own = tally(section.steps.flatMap((step) => step.callout))
        expect(total(own)).toBe(section.parts)
        const times = (pieces: typeof own, factor: number) => pieces.map((p) => ({ ...p, count: p.count * factor }))
        return [...times(own, section.times), ...times(mirrorTray(model, own), section.mirrored)]
      }),
    )
    expect(fromCallouts).toEqual(plan.inventory)
    const flat = new Flattener(model).all(model.root)
    expect(tally(flat.map((placed) => ({ shape: placed.shape.id, colour: placed.colour, count: 1 })))).toEqual(plan.inventory)
    expect(plan.parts).toBe(flat.length)
    expect(coloursOf(plan.inventory)).toEqual(plan.colours)
    expect(plan.colours.reduce((sum, colour) => sum + colour.count, 0)).toBe(plan.parts)
  })

  it('counts loose parts as often as they say', () => {
    const model = oneSection([
      { id: 'l', shape: 'plate-1x1', colour: 'red', count: 7 },
      { id: 'z', shape: 'plate-1x1', colour: 'blue', count: 0 },
    ])
    expect(inventoryOf(model)).toEqual([{ shape: 'plate-1x1', colour: 'red', count: 7 }])
  })
})
