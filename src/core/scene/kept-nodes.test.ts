import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { part, twoSections } from '../../../tests/support/models'
import { Flattener, readModelText, type ModelDocument, type Part } from '../model'
import type { Vec } from '../space'
import { keepNodes, sectionNodes } from './index'

const model = twoSections(
  [part('a', 'brick-2x4', [0, 0, 0]), part('b', 'brick-2x4', [0, 0, 12])],
  [{ id: 'c', section: 'inner', at: [40, 0, 0] }],
  [part('x', 'plate-1x1', [0, 0, 0])],
)
const nodesOf = (of: ModelDocument) => sectionNodes(of, new Flattener(of), 'main')
const changed = (parts: readonly Part[], inner = model.sections[1]!): ModelDocument => ({
  ...model,
  sections: [{ ...model.sections[0]!, parts }, inner],
})

describe('flattening after an edit', () => {
  const demos = ['ferry-house', 'granary', 'ferryman', 'market-stall'].map((name) =>
    readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8')),
  )

  it.each(demos.map((demo) => [demo.name, demo] as const))('makes what it would make of a copy of the document: %s', (_, demo) => {
    // What was made before, of the same parts, must not show through where a section, a copy or a colour is another now.
    for (const { id } of demo.sections) new Flattener(demo).all(id)
    demo.sections.forEach((section, at) => {
      const [first, ...rest] = section.parts ?? []
      const copies = section.copies?.map((copy) => ({ ...copy, mirror: copy.mirror ?? ('x' as const) }))
      const parts = first?.at ? [{ ...first, at: [first.at[0] + 20, first.at[1], first.at[2]] as Vec, colour: 'red' }, ...rest] : rest
      const other = { ...section, parts, ...(copies ? { copies } : {}) }
      for (const to of [section, { ...section, parts }, other]) {
        const edited: ModelDocument = { ...demo, sections: demo.sections.map((each, i) => (i === at ? to : each)) }
        for (const { id } of demo.sections) expect(new Flattener(edited).all(id)).toEqual(new Flattener(structuredClone(edited)).all(id))
      }
    })
  })

  it('makes the very objects from before of what has not changed, in copies too', () => {
    const [a, b] = model.sections[0]!.parts as [Part, Part]
    const before = new Flattener(model).all('main')
    const moved = new Flattener(changed([a, { ...b, at: [10, 0, 12] }])).all('main')
    expect(moved.map((placed, i) => placed === before[i])).toEqual([true, false, true])
    expect(new Flattener({ ...model, name: 'Another' }).all('main')).toBe(before)
  })
})

describe('flattening', () => {
  it('bears more copies in one section than a call bears arguments', () => {
    const copies = Array.from({ length: 150_000 }, (_, i) => ({ id: `c${i}`, section: 'inner', at: [0, 0, 0] as Vec }))
    const [outer, inner] = twoSections([part('a', 'brick-2x4', [0, 0, 0])], copies, []).sections
    const many: ModelDocument = { ...model, sections: [outer!, inner!] }
    expect(new Flattener(many).all('main')).toHaveLength(1)
  })
})

describe('nodes after an edit', () => {
  const before = nodesOf(model)
  const [a, b] = model.sections[0]!.parts as [Part, Part]

  it('are the objects from before where nothing of them changed', () => {
    const now = nodesOf(changed([a, { ...part('b', 'brick-2x4', [0, 0, 12]), colour: 'red' }]))
    const kept = keepNodes(before, now)
    expect(kept.map((node, i) => node === before[i])).toEqual([true, false, true])
    expect(kept).toEqual(now)
  })

  it('are new where they moved, went or came, also inside a copy', () => {
    const moved = keepNodes(before, nodesOf(changed([a, part('b', 'brick-2x4', [10, 0, 12])])))
    expect(moved[1]).not.toBe(before[1])
    expect(keepNodes(before, nodesOf(changed([a]))).map(({ id }) => id)).toEqual(['a', 'c'])
    const other = keepNodes(before, nodesOf(changed([a, b], { ...model.sections[1]!, parts: [part('x', 'plate-1x1', [0, 0, 4])] })))
    expect(other.map((node, i) => node === before[i])).toEqual([true, true, false])
  })
})
