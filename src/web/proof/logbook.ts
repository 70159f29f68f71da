import { clockWords, secondsOfRun } from '@core/proof-build'
import { tableText } from '@core/words'
import { say, sayCount, type ScreenKey } from '../language'
import type { Letter } from '../published/server-client'
import { kindWords } from '../published/published-words'
import type { Publication, StoredChange, StoredProof } from '../storage/database'

/** Something that was done on a model, or came to it. */
export interface LogEntry {
  /** ms; undefined where it was not kept. */
  readonly at: number | undefined
  readonly kind: 'edit' | 'proof' | 'published' | 'letter'
  /** In words. */
  readonly what: string
}

export const entryWords = (kind: LogEntry['kind']): string => say(ENTRY_KEYS[kind])

const ENTRY_KEYS = {
  edit: 'proof.changed',
  proof: 'common.proofBuild',
  published: 'common.published',
  letter: 'proof.fromABuilder',
} as const satisfies Record<LogEntry['kind'], ScreenKey>

interface LogSources {
  readonly changes: readonly Pick<StoredChange, 'label' | 'at'>[]
  readonly proofs: readonly StoredProof[]
  readonly publications: readonly Publication[]
  readonly letters: readonly Letter[]
}

/** All that was done on a model, the newest first; what has no time stands last, in its order. */
export function logEntries({ changes, proofs, publications, letters }: LogSources): LogEntry[] {
  const entries: LogEntry[] = [
    ...[...changes].reverse().map(({ label, at }): LogEntry => ({ at, kind: 'edit', what: label })),
    ...proofs
      .filter(({ isFinished }) => isFinished)
      .map(({ run }): LogEntry => {
        return {
          at: timeOf(run.date),
          kind: 'proof',
          what: say('proof.in3', { steps: sayCount('count.steps', run.steps.length), time: clockWords(secondsOfRun(run)) }),
        }
      }),
    ...publications.map(({ publishedAt, version, isWithdrawn }): LogEntry => ({
      at: publishedAt,
      kind: 'published',
      what: say('proof.version', { version, what: isWithdrawn ? say('proof.withdrawnSince') : '' }),
    })),
    ...letters.map(({ date, kind, text }): LogEntry => ({ at: timeOf(date), kind: 'letter', what: `${kindWords(kind)}: ${text}` })),
  ]
  return entries.sort((a, b) => (b.at ?? -Infinity) - (a.at ?? -Infinity) || 0)
}

function timeOf(iso: string): number | undefined {
  const at = Date.parse(iso)
  return Number.isNaN(at) ? undefined : at
}

/** How many entries each day has, the last ones, oldest first. @param dayOf the day of a time in words, as the person's clock has it */
export function entriesByDay(
  entries: readonly LogEntry[],
  dayOf: (at: number) => string,
  most: number,
): { label: string; value: number }[] {
  const days = new Map<string, number>()
  for (const { at } of entries) {
    if (at === undefined) continue
    const day = dayOf(at)
    days.set(day, (days.get(day) ?? 0) + 1)
  }
  return [...days]
    .slice(0, most)
    .map(([label, value]) => ({ label, value }))
    .reverse()
}

export const logTable = (entries: readonly LogEntry[]): string =>
  tableText(
    ['when', 'kind', 'what'],
    entries.map(({ at, kind, what }) => [at === undefined ? '' : new Date(at).toISOString(), entryWords(kind), what]),
  )
