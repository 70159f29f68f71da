import type { PieceCount } from '../count'
import type { InterlockingSet } from './interlocking-set'
import type { Travel } from '../motion'
import type { DirectionText, Vec } from '../space'

export type DirectionValue = DirectionText | Vec

interface Way {
  /** Where to. */
  readonly direction: DirectionValue
  /** Travels lifted by the height of a stud against this, then goes home along it. */
  readonly press?: DirectionText
}

/** Parts that come in one after another, a copy or a derived section that comes in as one body. */
export type Move = (Way & { readonly parts: readonly string[] }) | (Way & { readonly copy: string }) | (Way & { readonly section: string })

export interface PlanStep {
  readonly number: number
  readonly moves: readonly Move[]
  readonly callout: readonly PieceCount[]
  readonly rests: readonly string[]
  readonly turn?: string
}

export interface SectionPlan {
  readonly id: string
  readonly name: string
  readonly times: number
  readonly mirrored: number
  readonly parts: number
  readonly derivedFrom?: string
  readonly steps: readonly PlanStep[]
}

/** How many parts and kinds a step may hold (DESIGN.md, buildable, 5). */
export interface StepLimits {
  readonly parts: number
  readonly kinds: number
  readonly inAll: number
}

export const NORMAL_LIMITS: StepLimits = { parts: 8, kinds: 4, inAll: 16 }

/** How much a step may ask of a reader. */
export type Density = 'easy' | 'normal' | 'dense'
export const DENSITIES: Readonly<Record<Density, StepLimits>> = {
  easy: { parts: 5, kinds: 2, inAll: 10 },
  normal: NORMAL_LIMITS,
  dense: { parts: 12, kinds: 6, inAll: 24 },
}

/** After how many steps at the latest what rests on the table must be held. */
export const REST_STEPS = 3

/** Why a node could only be taken out by force: who is in its way, for each direction that was tried. */
export interface Block {
  readonly node: number
  readonly blockers: readonly { readonly travel: Travel; readonly by: number }[]
  /** The smallest interlocking set it is part of, where one was looked for and found. */
  readonly interlocking?: InterlockingSet
}
