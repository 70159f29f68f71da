import type { BundleChanges } from '@core/booklet'
import type { Catalogue } from '@core/catalogue'
import { listInWords, plural } from '@core/words'
import type { PublishedBooklet, QuestionKind, QuestionState } from './server-client'

/** Dates as people of this browser write them. */
export const dateWords = (iso: string): string => new Date(iso).toLocaleDateString(undefined, { dateStyle: 'long' })

/** Who may read it now, as a sentence. */
export function accessWords({ access, window }: Pick<PublishedBooklet, 'access' | 'window'>): string {
  if (access === 'withdrawn') return 'Withdrawn: nobody can read it.'
  if (access === 'closed') return `Closed since ${dateWords(window!.freeUntil)}.`
  if (access === 'password') return 'Read with its password.'
  if (!window) return 'Open to whoever has the link.'
  return `Open until ${dateWords(window.freeUntil)}, then ${window.after === 'closed' ? 'closed' : 'read with its password'}.`
}

export const KIND_WORDS: Readonly<Record<QuestionKind, string>> = {
  question: 'Question',
  mistake: 'Mistake',
  'missing-piece': 'Missing piece',
  'built-it': 'Built it',
}

export const STATE_WORDS: Readonly<Record<QuestionState, string>> = {
  private: 'Only you and the asker see it',
  public: 'Shown to all on its step',
  solved: 'Solved, and shown to all',
  hidden: 'Hidden from all but the asker',
}

/** What a builder who has the version before must know. @param sections names by id */
export function changeWords(changes: BundleChanges, { shapes, colours }: Catalogue, sections: ReadonlyMap<string, string>): string[] {
  const section = (id: string): string => sections.get(id) ?? id
  const { added, removed } = changes.sections
  const fresh = new Set([...added, ...removed])
  return [
    ...(added.length > 0 ? [`New: ${listInWords(added.map(section))}.`] : []),
    ...(removed.length > 0 ? [`Gone: ${listInWords(removed.map(section))}.`] : []),
    ...changes.steps
      .filter((each) => !fresh.has(each.section))
      .map((each) => `${section(each.section)} has ${plural(each.is, 'step')} instead of ${each.was}.`),
    ...changes.pieces.map(({ shape, colour, was, is }) => {
      const name = `${shapes.get(shape)?.title ?? shape}, ${colours.get(colour)?.name.toLowerCase() ?? colour}`
      return `${is > was ? `${is - was} more` : `${was - is} fewer`}: ${name}.`
    }),
  ]
}
