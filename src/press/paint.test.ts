import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { makeBundle } from '@core/booklet'
import { readModelText } from '@core/model'
import { reportModel, viewsOf } from '@core/pipeline'
import { BookletPainter } from './paint'

const model = readModelText(readFileSync('demo/models/wind-pump.rail.json', 'utf8'))
const { report, looks } = reportModel(model)
const bundle = makeBundle(model, report, viewsOf(looks))
const picture = { section: 'pump', step: 2, view: 0 }

describe('the pictures of a booklet', () => {
  it('are areas and lines, and stay dots where they have more faces than is asked for', () => {
    const size = { width: 200, height: 150 }
    expect(new BookletPainter(bundle, size).render(picture, 'step')).toHaveProperty('items')
    expect(new BookletPainter(bundle, size, { mostFacets: 5 }).render(picture, 'step')).toHaveProperty('data')
  })
})
