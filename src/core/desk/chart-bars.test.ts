import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { readModelText } from '../model'
import { reportModel } from '../pipeline'
import { colourBars, sectionBars, type ChartBar } from './index'

const sum = (bars: readonly ChartBar[]): number => bars.reduce((all, { value }) => all + value, 0)

it.each(['market-stall', 'granary'])('bars of %s add up to all its pieces, however many are told together', (name) => {
  const model = readModelText(readFileSync(new URL(`../../../demo/models/${name}.rail.json`, import.meta.url), 'utf8'))
  const { report } = reportModel(model)
  expect(sum(sectionBars(report.sections))).toBe(report.parts)
  const many = sectionBars(Array.from({ length: 40 }, () => report.sections).flat())
  expect(many).toHaveLength(24)
  expect(sum(many)).toBe(40 * report.parts)
  expect(many.at(-1)!.label).toBe(`${40 * sectionBars(report.sections).length - 23} others`)
  const colours = colourBars(model, BASE_CATALOGUE)
  expect(colours.every(({ value }, i) => i === 0 || value <= colours[i - 1]!.value || colours[i]!.label.endsWith('others'))).toBe(true)
})
