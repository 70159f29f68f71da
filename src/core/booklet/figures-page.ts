import { catalogueIn } from '../catalogue'
import { inventoryOf } from '../count'
import { alternativeLines } from '../figure'
import { wordsIn } from '../language'
import { catalogueOf, sectionsById } from '../model'
import type { BookletSource, FiguresPage, PictureRef } from './pages'

/** The page of a model's figures, where the designer asks for one: each with its pieces, and those that may stand in for them. */
export function figuresPage(
  { model, language }: BookletSource,
  pictureOf: (section: string) => PictureRef | null,
): FiguresPage | undefined {
  if (model.booklet?.figures !== true) return undefined
  const words = wordsIn(language)
  const catalogue = catalogueIn(catalogueOf(model), words)
  const sections = sectionsById(model)
  const figures = (model.figures ?? [])
    .filter(({ section }) => sections.has(section))
    .map((figure) => ({
      name: figure.name,
      pieces: inventoryOf({ ...model, root: figure.section }),
      instead: alternativeLines([figure], catalogue, words),
      picture: pictureOf(figure.section),
    }))
  return figures.length === 0 ? undefined : { kind: 'figures', figures }
}
