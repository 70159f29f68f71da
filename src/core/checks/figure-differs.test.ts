import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { plainFigure, withFigure } from '../figure'
import { catalogueOf, checkModel, documentOfVersion, readModelText, type ModelDocument } from '../model'
import { reportModel } from '../pipeline'
import { waysOut } from './ways-out'

const EMPTY: ModelDocument = { format: 'jump-rail-model', version: 1, name: 'Lone', root: 'f', sections: [] }
const plain = withFigure(EMPTY, plainFigure('f', 'Guard'), catalogueOf(EMPTY))

const found = (model: ModelDocument) => {
  checkModel(model)
  return reportModel(model).report.findings.filter(({ code }) => code === 'figure-differs')
}

const withHead = (colour: string): ModelDocument => ({
  ...plain,
  sections: plain.sections.map((section) => ({
    ...section,
    parts: section.parts!.map((part) => (part.id === 'head' ? { ...part, colour } : part)),
  })),
})

describe('a recipe that does not agree with its section', () => {
  it('is nothing where it does, of ours and of the demo', () => {
    expect(found(plain)).toEqual([])
    const demo = readModelText(readFileSync(new URL('../../../demo/models/ferryman.rail.json', import.meta.url), 'utf8'))
    expect(found(demo)).toEqual([])
  })

  it('is told with both pieces, and either of the two can be taken', () => {
    const model = withHead('red')
    const [finding] = found(model)
    expect(finding).toMatchObject({ severity: 'warning', section: 'f', parts: ['head'] })
    expect(finding!.message).toMatch(/head: Figure head in Red instead of Figure head in Peach/)
    const ways = waysOut(model, finding!)
    expect(ways).toHaveLength(2)
    for (const { change } of ways) expect(found(change(model))).toEqual([])
    expect(
      ways[0]!
        .change(model)
        .sections.flatMap(({ parts }) => parts ?? [])
        .find(({ id }) => id === 'head')!.colour,
    ).toBe('peach')
    expect(ways[1]!.change(model).figures![0]!.slots.head!.options[0]!.colour).toBe('red')
  })

  it('counts the pieces of a figure that was built by hand', () => {
    const byHand = (model: ModelDocument): ModelDocument => ({
      ...model,
      sections: model.sections.map((section) => ({
        ...section,
        parts: section.parts!.map((part) => ({ ...part, id: `${part.id}-x` })),
        ...(section.copies
          ? {
              copies: section.copies.map((copy) => ({
                ...copy,
                joint: {
                  ...copy.joint!,
                  on: { ...copy.joint!.on, part: `${copy.joint!.on.part}-x` },
                  by: { ...copy.joint!.by, part: `${copy.joint!.by.part}-x` },
                },
              })),
            }
          : {}),
      })),
    })
    expect(found(byHand(plain))).toEqual([])
    const [finding] = found(byHand(withHead('red')))
    expect(finding!.message).toContain('no Figure head in Peach')
    expect(waysOut(byHand(withHead('red')), finding!)).toHaveLength(1)
  })

  it('is none where a variant gives both another colour', () => {
    const model: ModelDocument = { ...plain, variants: [{ id: 'night', name: 'Night', recolour: [{ from: 'teal', to: 'black' }] }] }
    const night = documentOfVersion(model, { variant: 'night' })
    expect(night.figures![0]!.slots.torso!.options[0]!.colour).toBe('black')
    expect(found(night)).toEqual([])
  })
})
