import type { BundleChanges } from '@core/booklet'
import type { Catalogue } from '@core/catalogue'
import { ENGLISH, type Words } from '@core/language'
import { type ScreenKey, say, sayDate, screenWords } from '../language'
import type { PublishedBooklet, QuestionKind, QuestionState } from './server-client'

export const dateWords = (iso: string): string => sayDate(iso, { dateStyle: 'long' })

/** Who may read it now, as a sentence. */
export function accessWords({ access, window }: Pick<PublishedBooklet, 'access' | 'window'>): string {
  if (access === 'withdrawn') return say('published.withdrawnNobodyCanReadIt')
  if (access === 'closed') return say('published.closedSince', { date: dateWords(window!.freeUntil) })
  if (access === 'password') return say('published.readWithItsPassword')
  if (!window) return say('published.openToWhoeverHasThe')
  return say('published.openUntilThen', {
    date: dateWords(window.freeUntil),
    what: window.after === 'closed' ? say('published.closed') : say('published.readWithItsPassword2'),
  })
}

/** What a letter is, as builders chose it. */
export const kindWords = (kind: QuestionKind): string => screenWords().say(`ask.kind.${kind}`)

export const stateWords = (state: QuestionState): string => say(STATE_KEYS[state])

const STATE_KEYS = {
  private: 'published.onlyYouAndTheAsker',
  public: 'published.shownToAllOnIts',
  solved: 'published.solvedAndShownToAll',
  hidden: 'published.hiddenFromAllButThe',
} as const satisfies Record<QuestionState, ScreenKey>

/** What the words of a change are made with. */
interface ChangeContext {
  readonly catalogue: Catalogue
  /** Names by id. */
  readonly sections: ReadonlyMap<string, string>
  readonly words?: Words
}

/** What a builder who has the version before must know. */
export function changeWords(changes: BundleChanges, { catalogue, sections, words = ENGLISH }: ChangeContext): string[] {
  const { shapes, colours } = catalogue
  const { say, count, list, within } = words
  const section = (id: string): string => sections.get(id) ?? id
  const { added, removed } = changes.sections
  const fresh = new Set([...added, ...removed])
  return [
    ...(added.length > 0 ? [say('newer.new', { names: list(added.map(section)) })] : []),
    ...(removed.length > 0 ? [say('newer.gone', { names: list(removed.map(section)) })] : []),
    ...changes.steps
      .filter((each) => !fresh.has(each.section))
      .map((each) => say('newer.steps', { name: section(each.section), steps: count('count.steps', each.is), was: each.was })),
    ...changes.pieces.map(({ shape, colour, was, is }) => {
      const piece = `${shapes.get(shape)?.title ?? shape}, ${within(colours.get(colour)?.name ?? colour)}`
      return say(is > was ? 'newer.morePieces' : 'newer.fewerPieces', { n: Math.abs(is - was), piece })
    }),
  ]
}
