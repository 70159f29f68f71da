import type { BundleChanges } from '@core/booklet'
import type { PasswordHash } from './secrets'

/** What stands in the store. Nothing here tells a token or a password. */

/** Until when a booklet is free to all, and what it is after. */
export interface FreeWindow {
  /** ISO date (00:00 UTC) or time. */
  readonly freeUntil: string
  readonly after: 'closed' | 'password'
  readonly note?: string
}

export interface VersionRecord {
  readonly version: number
  /** ISO time. */
  readonly date: string
  /** SHA-256 of the bytes of the bundle. */
  readonly bundle: string
  /** SHA-256 of what is in it, whatever the order of its keys. */
  readonly content: string
  readonly changes: BundleChanges
  /** The designer's own words. */
  readonly whatChanged: string
}

export interface BookletSettings {
  /** The designer's own words. */
  readonly terms?: string
  readonly window?: FreeWindow
  readonly password?: PasswordHash
  readonly questions: 'open' | 'closed'
}

export interface BookletRecord extends BookletSettings {
  readonly format: 'jump-rail-published'
  readonly id: string
  /** Hash of the owner's token. */
  readonly owner: string
  /** Of the newest version. */
  readonly name: string
  readonly designer?: string
  /** ISO time. */
  readonly withdrawn?: string
  /** At least one; version n stands at n − 1. */
  readonly versions: readonly VersionRecord[]
}

export const QUESTION_KINDS = ['question', 'mistake', 'missing-piece', 'built-it'] as const
export const QUESTION_STATES = ['private', 'public', 'hidden', 'solved'] as const

export interface QuestionText {
  readonly kind: (typeof QUESTION_KINDS)[number]
  readonly text: string
  readonly section?: string
  readonly step?: number
  readonly part?: string
  readonly minutes?: number
  readonly name?: string
  readonly link?: string
}

export interface QuestionRecord extends QuestionText {
  readonly questionId: string
  /** ISO time. */
  readonly date: string
  readonly state: (typeof QUESTION_STATES)[number]
  readonly answer?: string
  /** Hash of the asker's token. */
  readonly asker: string
}

/** An ISO date or time as a moment, ms; what says no zone is UTC. NaN where it is none. */
export const momentOf = (iso: string): number => Date.parse(/T[\d:.]+$/.test(iso) ? `${iso}Z` : iso)

/** May it be read now by somebody who is not its owner? */
export type Access = 'open' | 'password' | 'closed' | 'withdrawn'

export function accessAt(record: BookletRecord, now: number): Access {
  if (record.withdrawn !== undefined) return 'withdrawn'
  const { window, password } = record
  if (!window) return password ? 'password' : 'open'
  if (now < momentOf(window.freeUntil)) return 'open'
  return window.after
}
