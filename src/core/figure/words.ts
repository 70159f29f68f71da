import { ENGLISH, type Words } from '../language'
import type { Catalogue } from '../catalogue'
import type { FigureOption, FigureRecipe } from '../model'
import { SLOTS, slotTitle } from './recipe'

const CLOSENESS = ['figure.closeness.1', 'figure.closeness.2', 'figure.closeness.3', 'figure.closeness.4', 'figure.closeness.5'] as const

/** "Figure cap in Navy, very near it, from the blue ferry, 0.40 EUR, looks older". */
export function optionWords(
  option: FigureOption,
  { shapes, colours }: Catalogue,
  { currency = '', words = ENGLISH }: { readonly currency?: string | undefined; readonly words?: Words } = {},
): string {
  const { say, number } = words
  const piece = say('piece.inColour', {
    piece: shapes.get(option.shape)?.title ?? option.shape,
    colour: colours.get(option.colour)?.name ?? option.colour,
  })
  return [
    piece,
    option.closeness === undefined ? '' : say(CLOSENESS[option.closeness - 1]!),
    option.donor ? say('figure.from', { donor: option.donor }) : '',
    option.price === undefined ? '' : `${number(option.price, 2)} ${currency}`.trim(),
    option.note ?? '',
  ]
    .filter((text) => text !== '')
    .join(', ')
}

/** One line for each alternative that a figure's builder may take instead of what is published. */
export function alternativeLines(figures: readonly FigureRecipe[], catalogue: Catalogue, words: Words = ENGLISH): string[] {
  return figures.flatMap((figure) =>
    SLOTS.flatMap((slot) => {
      const entry = figure.slots[slot]
      return (entry?.options ?? []).flatMap((option, i) =>
        i === (entry?.chosen ?? 0)
          ? []
          : [
              words.say('figure.line', {
                figure: figure.name,
                slot: words.within(slotTitle(slot, words)),
                option: optionWords(option, catalogue, { currency: figure.currency, words }),
              }),
            ],
      )
    }),
  )
}
