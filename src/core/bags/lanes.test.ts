import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readModelText } from '../model'
import { reportModel } from '../pipeline'
import { bookletLanes, lanesWords, packBags } from './index'

const model = readModelText(readFileSync(new URL('../../../demo/models/ferry-house.rail.json', import.meta.url), 'utf8'))
const { report } = reportModel(model)

describe('lanes of several booklets', () => {
  it.each([1, 2, 3, 5])('%i: every bag once, none before the one before it, and the last waits for what it joins', (booklets) => {
    const packed = packBags(model, report, { pieces: 40, booklets })
    const { lanes, length, alone } = bookletLanes(model, report, packed)
    expect(lanes.flatMap(({ bags }) => bags.map(({ number }) => number))).toEqual(packed.bags.map(({ number }) => number))
    expect(alone).toBe(packed.bags.reduce((sum, { pieces }) => sum + pieces, 0))
    for (const { booklet, bags } of lanes) {
      bags.forEach(({ number, from, to, waitsFor }, i) => {
        expect(to - from).toBe(packed.bags[number - 1]!.pieces)
        const before = bags[i - 1]?.to ?? 0
        // Without anybody to wait for there is no pause, and only the last booklet waits.
        if (waitsFor.length === 0) expect(from).toBe(before)
        else expect([from > before, booklet]).toEqual([true, booklets])
        expect(waitsFor).not.toContain(booklet)
      })
    }
    expect(length).toBe(Math.max(...lanes.map(({ bags }) => bags.at(-1)?.to ?? 0)))
    expect(length).toBeLessThanOrEqual(alone)
    if (booklets === 1) expect(length).toBe(alone)
    if (booklets === 3) expect(length).toBeLessThan(alone)
  })

  it('are told in words', () => {
    const packed = packBags(model, report, { pieces: 40, booklets: 2 })
    expect(lanesWords(bookletLanes(model, report, packed))).toMatch(
      /^2 builders are ready in the time that one alone needs for \d+ of the \d+ pieces\.$/,
    )
  })
})
