import { choiceIn } from '@core/booklet'
import { tableText } from '@core/words'
import { kindWords, stateWords } from './published-words'
import type { Letter } from './server-client'

/** Letters about one step, or about the whole. */
export interface LetterGroup {
  /** Of the plan; undefined where they are about the whole. */
  readonly section?: string
  readonly step?: number
  readonly letters: readonly Letter[]
  /** How many were stuck there: all but those who built it. */
  readonly stuck: number
}

/** What is to be read and answered: voices for what to make next are counted instead. */
export const lettersOf = (questions: readonly Letter[]): Letter[] => questions.filter(({ text }) => choiceIn(text) === undefined)

/** Which idea each voice is for; what the designer has hidden counts for nothing. */
export const voicesOf = (questions: readonly Letter[]): string[] =>
  questions.filter(({ state }) => state !== 'hidden').flatMap(({ text }) => choiceIn(text) ?? [])

/** By step; where most were stuck comes first, the whole last. */
export function groupLetters(questions: readonly Letter[]): LetterGroup[] {
  const groups = new Map<string, Letter[]>()
  for (const each of questions) {
    const key = each.section === undefined ? '' : JSON.stringify([each.section, each.step ?? 0])
    groups.set(key, [...(groups.get(key) ?? []), each])
  }
  return [...groups]
    .map(([key, letters]): LetterGroup => {
      const [{ section, step }] = letters as [Letter]
      const stuck = letters.filter(({ kind }) => kind !== 'built-it').length
      return { letters, stuck, ...(key === '' ? {} : { section: section!, ...(step === undefined ? {} : { step }) }) }
    })
    .sort((a, b) => Number(a.section === undefined) - Number(b.section === undefined) || b.stuck - a.stuck)
}

/** How many wait for a word of the designer. */
export const countUnanswered = (questions: readonly Letter[]): number =>
  lettersOf(questions).filter(({ answer, state }) => !answer && state === 'private').length

/** All letters as a table for a spreadsheet. */
export const lettersTable = (questions: readonly Letter[]): string =>
  tableText(
    ['date', 'kind', 'section', 'step', 'part', 'text', 'name', 'minutes', 'link', 'state', 'answer'],
    questions.map(({ date, kind, section, step, part, text, name, minutes, link, state, answer }) => [
      date,
      kindWords(kind),
      section ?? '',
      step ?? '',
      part ?? '',
      text,
      name ?? '',
      minutes ?? '',
      link ?? '',
      stateWords(state),
      answer ?? '',
    ]),
  )
