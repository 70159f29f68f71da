import { ADVICE_IN_ENGLISH, ENGLISH, type Advice, type Words } from '../language'
import type { Catalogue } from '../catalogue'
import type { NamedSubstitute } from '../model'
import { deskKey, type DeskPiece } from './piece'
import { pieceLine } from './sheet'
import type { Substitute } from './substitutes'

/**
 * What a booklet tells of a substitute: what for, what instead, and what it changes.
 * @param advice who says that, in the language of the designer
 */
export const substituteOf = ({ for: piece, use, told }: Substitute, advice: Advice = ADVICE_IN_ENGLISH): NamedSubstitute => ({
  for: plain(piece),
  use: use.map(plain),
  consequence: advice.say(told),
})

const plain = ({ shape, colour, count, lengthMm }: DeskPiece) => ({ shape, colour, count, ...(lengthMm === undefined ? {} : { lengthMm }) })

/** The same text for two that put the same in place of the same. */
export const substituteKey = ({ for: piece, use }: Pick<NamedSubstitute, 'for' | 'use'>): string =>
  [piece, ...use].map(deskKey).join('\n\n')

/** One line for each, for builders: "1 × Plate 1 × 4, blue, or 2 × Plate 1 × 2, blue: 2 pieces in a row, with a seam between them." */
export const substituteLines = (substitutes: readonly NamedSubstitute[], catalogue: Catalogue, words: Words = ENGLISH): string[] =>
  substitutes.map(({ for: piece, use, consequence }) => {
    const instead = words.list(use.map((each) => pieceLine(each, catalogue, words)))
    return words.say('piece.or', { piece: pieceLine(piece, catalogue, words), instead, consequence })
  })
