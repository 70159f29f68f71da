import { joinWords, NOTE_SIGNS, type StepPage } from '@core/booklet'
import type { Words } from '@core/language'

/** Something that is said of a step, how it is set, and what sign stands before it. */
export interface SheetText {
  readonly text: string
  /** pt */
  readonly size: number
  readonly isBold?: boolean
  readonly isFaint?: boolean
  readonly sign?: 'turn' | 'caution'
  /** Another sign before it: path data in a square of 24 units. */
  readonly path?: string
}

/** What is joined, in words. */
export const joinTexts = ({ joins }: StepPage, words: Words): SheetText[] =>
  joins.flatMap((join) => {
    const { act, named } = joinWords(join, words)
    return [
      { text: act, size: 11, isBold: true },
      { text: named, size: 10 },
    ]
  })

/** All that is said of a step: first what can hurt, then what to do with the work, then the rest. */
export const stepTexts = (
  { cautions, turn, seenFrom, remarks, rests, note, signs, ahead, aheadSign }: StepPage,
  { say }: Words,
): SheetText[] =>
  [
    ...cautions.map((text): SheetText => ({ text, size: 9.5, sign: 'caution' })),
    { text: turn === '' ? '' : `${turn}.`, size: 10, isBold: true, sign: 'turn' } as const,
    { text: seenFrom === '' ? '' : `${seenFrom}.`, size: 8.5, isFaint: true },
    ...remarks.map((text) => ({ text, size: 9 })),
    { text: rests.length === 0 ? '' : say('step.looseShort'), size: 8.5, isFaint: true },
    { text: note, size: 9 },
    ...signs
      .filter(({ kind }) => kind !== 'caution')
      .map(({ kind, text }): SheetText => ({ text, size: 9, isBold: true, path: NOTE_SIGNS[kind] })),
    { text: ahead === '' ? '' : `${ahead}.`, size: 8.5, isFaint: true, ...(aheadSign === '' ? {} : { path: aheadSign }) },
  ].filter(({ text }) => text !== '')
