import type { Words } from '../language'
import { memoPair } from '../memo'
import type { Catalogue } from './registry'

/** A catalogue for reading: our own pieces and colours as a language calls them; a model's own keep the names that they have. */
export const catalogueIn = (catalogue: Catalogue, words: Words): Catalogue =>
  words.language === 'en' ? catalogue : named(catalogue, words)

const named = memoPair((catalogue: Catalogue, words: Words): Catalogue => ({
  shapes: new Map([...catalogue.shapes].map(([id, shape]) => [id, { ...shape, title: words.pieceTitle(shape.title) }])),
  colours: new Map([...catalogue.colours].map(([id, colour]) => [id, { ...colour, name: words.colourName(colour.name) }])),
}))
