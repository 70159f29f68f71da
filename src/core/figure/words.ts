import type { Catalogue } from '../catalogue'
import type { FigureOption, FigureRecipe } from '../model'
import { SLOT_WORDS, SLOTS } from './recipe'

const CLOSENESS = ['far from it', 'rather far from it', 'near it', 'very near it', 'the very piece'] as const

/** "Figure cap in Navy, very near it, from the blue ferry, 0.40 EUR, looks older". */
export function optionWords(option: FigureOption, { shapes, colours }: Catalogue, currency = ''): string {
  const piece = `${shapes.get(option.shape)?.title ?? option.shape} in ${colours.get(option.colour)?.name ?? option.colour}`
  return [
    piece,
    option.closeness === undefined ? '' : CLOSENESS[option.closeness - 1]!,
    option.donor ? `from ${option.donor}` : '',
    option.price === undefined ? '' : `${option.price.toFixed(2)} ${currency}`.trim(),
    option.note ?? '',
  ]
    .filter((text) => text !== '')
    .join(', ')
}

/** One line for each alternative that a figure's builder may take instead of what is published. */
export function alternativeLines(figures: readonly FigureRecipe[], catalogue: Catalogue): string[] {
  return figures.flatMap((figure) =>
    SLOTS.flatMap((slot) => {
      const entry = figure.slots[slot]
      return (entry?.options ?? []).flatMap((option, i) =>
        i === (entry?.chosen ?? 0)
          ? []
          : [`${figure.name}, ${SLOT_WORDS[slot].toLowerCase()}: ${optionWords(option, catalogue, figure.currency)}`],
      )
    }),
  )
}
