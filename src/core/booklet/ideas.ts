import type { ModelDocument } from '../model'
import { listInWords, plural } from '../words'

/** Of a list of ideas, as many as can be chosen among, and as much of each as stands on a line. */
const MOST = 12
const LONGEST = 200

/** What the designer may make next, as builders choose among it: a line each, each once; nothing where there is nothing to choose. */
export function ideasOf({ booklet }: Pick<ModelDocument, 'booklet'>): string[] {
  const lines = (booklet?.ideas ?? '').split('\n').map((line) => line.trim().slice(0, LONGEST))
  const ideas = [...new Set(lines)].filter((line) => line !== '').slice(0, MOST)
  return ideas.length > 1 ? ideas : []
}

const CHOICE = /^\[choice 1\] (.+)$/

/** A choice as the text of a letter. */
export const choiceText = (idea: string): string => `[choice 1] ${idea}`

/** What a letter chooses; undefined where it is a letter like any other. */
export const choiceIn = (text: string): string | undefined => CHOICE.exec(text)?.[1]

/** What builders have chosen. */
export interface Tally {
  /** The most wanted first; what the booklet does not name any more comes last. */
  readonly lines: readonly { readonly idea: string; readonly voices: number }[]
  readonly words: string
}

/** @param chosen a voice each, as letters say it */
export function tallyIdeas(ideas: readonly string[], chosen: readonly string[]): Tally {
  const voices = new Map(ideas.map((idea) => [idea, 0]))
  for (const idea of chosen) voices.set(idea, (voices.get(idea) ?? 0) + 1)
  const lines = [...voices].map(([idea, count]) => ({ idea, voices: count })).sort((a, b) => b.voices - a.voices)
  return { lines, words: tallyWords(lines, chosen.length) }
}

function tallyWords(lines: Tally['lines'], all: number): string {
  if (all === 0) return 'Nobody has chosen yet.'
  const most = lines[0]!.voices
  const first = lines.filter(({ voices }) => voices === most).map(({ idea }) => `“${idea}”`)
  const of = `${most} of ${plural(all, 'voice')}`
  return first.length === 1 ? `${first[0]!} is wanted most: ${of}.` : `A tie: ${listInWords(first)} have ${of} each.`
}
