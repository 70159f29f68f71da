import { namelessDrawing } from '../tests/support/drawings'
import { drawing } from '../src/core/formats'
import { blocksOf, coverPiece, fillArea, type FillArea } from '../src/core/fill'
import { BASE_CATALOGUE } from '../src/core/catalogue'
import { Flattener, type ModelDocument } from '../src/core/model'
import { findSuggestions } from '../src/core/suggestions'
import { medianTime } from './measure'
import type { Note } from './stages'

const RUNS = 3

/** What is done before there is a rail: a drawing read, sections looked for, an area filled. */
export function measureWaysIn(model: ModelDocument, note: Note): void {
  const bytes = drawing.write(model)
  const nameless = namelessDrawing(model)
  note(
    'a drawing read by its names',
    medianTime(RUNS, () => drawing.read(bytes, 'Drawing', {})),
  )
  note(
    'the same by form alone',
    medianTime(1, () => drawing.read(nameless, 'Drawing', {})),
  )
  note(
    'sections looked for',
    medianTime(1, () => findSuggestions(model)),
  )
  const parts = new Flattener(model).all(model.root).length
  const pieces = blocksOf('plate').flatMap((shape) => coverPiece({ shape: shape.id, colour: 'slate' }, BASE_CATALOGUE) ?? [])
  const area = squareOf(Math.ceil(Math.sqrt(parts)))
  note(
    'an area of as many studs filled with fewest plates',
    medianTime(1, () => fillArea(area, pieces, 'fewest')),
  )
}

const squareOf = (side: number): FillArea => ({
  columns: side,
  rows: side,
  cells: new Uint8Array(side * side).fill(1),
  at: [0, 0, 0],
})
