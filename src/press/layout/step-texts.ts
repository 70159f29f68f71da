import { joinWords, NOTE_SIGNS, type StepPage, type TrayPage } from '@core/booklet'
import { total } from '@core/count'
import { plural } from '@core/words'

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

const LOOSE = 'Loose on the table until the next steps hold it.'

/** What is joined, in words. */
export const joinTexts = ({ joins }: StepPage): SheetText[] =>
  joins.flatMap((join) => [
    { text: joinWords(join).act, size: 11, isBold: true },
    { text: `${join.name}${join.mirrored ? ', mirrored' : ''}`, size: 10 },
  ])

/** All that is said of a step: first what can hurt, then what to do with the work, then the rest. */
export const stepTexts = ({ cautions, turn, seenFrom, remarks, rests, note, signs, ahead, aheadSign }: StepPage): SheetText[] =>
  [
    ...cautions.map((text): SheetText => ({ text, size: 9.5, sign: 'caution' })),
    { text: turn === '' ? '' : `${turn}.`, size: 10, isBold: true, sign: 'turn' } as const,
    { text: seenFrom === '' ? '' : `${seenFrom}.`, size: 8.5, isFaint: true },
    ...remarks.map((text) => ({ text, size: 9 })),
    { text: rests.length === 0 ? '' : LOOSE, size: 8.5, isFaint: true },
    { text: note, size: 9 },
    ...signs
      .filter(({ kind }) => kind !== 'caution')
      .map(({ kind, text }): SheetText => ({ text, size: 9, isBold: true, path: NOTE_SIGNS[kind] })),
    { text: ahead === '' ? '' : `${ahead}.`, size: 8.5, isFaint: true, ...(aheadSign === '' ? {} : { path: aheadSign }) },
  ].filter(({ text }) => text !== '')

/** What stands under the name of a section: how much of it there is, how often it is built, which bag is opened for it. */
export const trayWords = (page: TrayPage): string =>
  `${plural(total(page.pieces), 'piece')}, ${plural(page.steps, 'step')}${timesWords(page)}${page.bag === '' ? '' : `. ${page.bag}`}`

/** How often a section is built, in words: ", built 2 times, once more as its mirror image". */
function timesWords({ times, mirrored }: TrayPage): string {
  const words: string[] = []
  if (times > 1) words.push(`built ${times} times`)
  if (mirrored > 0) words.push(mirrored === 1 ? 'once more as its mirror image' : `${mirrored} times as its mirror image`)
  return words.length === 0 ? '' : `, ${words.join(', ')}`
}
