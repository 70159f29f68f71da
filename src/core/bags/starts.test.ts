import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { makeBundle, makePages } from '../booklet'
import { checkBundle } from '../formats'
import { readModelText, type ModelDocument } from '../model'
import { reportModel, viewsOf } from '../pipeline'
import { askedBags, openBagWords, packBags } from './index'

const demo = (name: string): ModelDocument =>
  readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))

describe('where bags begin', () => {
  it.each(['market-stall', 'ferry-house'])('in %s: each bag once, at the first of its steps, on the page of that step', (name) => {
    const model: ModelDocument = { ...demo(name), bags: { pieces: 15 } }
    const { report, looks } = reportModel(model)
    const starts = askedBags(model, report)
    const { bags } = packBags(model, report, { pieces: 15, booklets: 1 })
    expect(starts.map(({ bag }) => bag)).toEqual(bags.map(({ number }) => number))
    starts.forEach(({ section, step }, i) => expect(bags[i]!.work[0]).toMatchObject({ section, from: step }))
    const bundle = checkBundle(makeBundle(model, report, viewsOf(looks), { bags: starts }))
    const told = makePages(bundle).flatMap((page) => ('bag' in page && page.bag !== '' ? [page.bag] : []))
    for (const { bag } of starts) expect(told.join('; ')).toMatch(new RegExp(`\\bbag ${bag}\\b`))
    expect(told.length).toBeLessThanOrEqual(starts.length)
  })

  it('are told by the time it is built where a section comes out of several bags', () => {
    const at = { section: 'a', step: 1 }
    expect(openBagWords([])).toBe('')
    expect(openBagWords([{ ...at, bag: 3, time: 1 }])).toBe('Open bag 3')
    const many = [2, 3, 11, 22].map((time, i) => ({ ...at, bag: 4 + i, time }))
    expect(openBagWords([{ ...at, bag: 3, time: 1 }, ...many])).toBe(
      'Open bag 3; the 2nd time it is built, bag 4; the 3rd time it is built, bag 5; the 11th time it is built, bag 6; the 22nd time it is built, bag 7',
    )
  })

  it('are none where nobody asks, and a forged one is refused', () => {
    const model = demo('market-stall')
    const { report, looks } = reportModel(model)
    expect(askedBags(model, report)).toEqual([])
    const forged = makeBundle(model, report, viewsOf(looks), { bags: [{ bag: 1, section: 'stall', step: 99, time: 1 }] })
    expect(() => checkBundle(forged)).toThrow('A bag begins at no step')
  })
})
