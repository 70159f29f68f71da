import type { Said } from '../language'
import type { CopyException } from '../model'
import type { MirrorAxis, Vec } from '../space'

export const SUGGESTION_KINDS = ['repeat', 'mirror', 'near', 'moving', 'locked', 'loosely-held'] as const
export type SuggestionKind = (typeof SUGGESTION_KINDS)[number]

/** Where a copy of a suggested section would stand. */
export interface SuggestedPose {
  /** Where the origin of the suggested section's lattice goes, u. */
  readonly at: Vec
  readonly turn: string
  readonly mirror?: MirrorAxis
}

/** A section that could be cut out of another. */
export interface Suggestion {
  readonly id: string
  readonly kind: SuggestionKind
  /** Where its parts stand now. */
  readonly section: string
  /** Part ids, one list a copy; the first is what the section would hold. */
  readonly groups: readonly (readonly string[])[]
  /** One a group. */
  readonly poses: readonly SuggestedPose[]
  /** Of each group what is not as in the first, by the id of the first group's part. */
  readonly differences?: readonly Readonly<Record<string, CopyException>>[]
  /** Parts that need not be told again. */
  readonly savesParts: number
  readonly reason: string
  /** The same for other languages. */
  readonly said: Said
}
