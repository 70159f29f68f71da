import type { Joints } from '../joints'
import type { Travel } from '../motion'
import type { Scene } from '../scene'
import type { Direction, Turn } from '../space'
import type { LostLock } from './locks'
import type { Holding } from './holding'
import type { SchedulingWeights } from './scheduling-weights'
import type { Frame } from './schedule'
import type { Block } from './types'

/** A section (or derived section) with its steps, before it is written as a plan. */
export interface BuiltSection {
  readonly id: string
  readonly name: string
  /** The section of the document whose lattice it stands in. */
  readonly base: string
  readonly derivedFrom: string | undefined
  /** What its schedule must keep; given steps have none, since they are not scheduled. */
  readonly frame?: Frame
  /** Its steps are those shown before: they are looked at, never laid anew. */
  readonly isKept?: boolean
  /** The weights that the search found best. */
  readonly weights?: SchedulingWeights
  readonly scene: Scene
  readonly joints: Joints
  /** Nodes of each step, in order of building; nodes are indices into the scene. */
  readonly steps: readonly (readonly number[])[]
  /** For each node, where it travels to when it comes in. */
  readonly arrives: readonly Travel[]
  /** Nodes that slide in lifted and are pressed home, and along which direction. */
  readonly presses: ReadonlyMap<number, Direction>
  readonly blocks: readonly Block[]
  readonly holding: Holding
  /** How the work lies on the table in each step. */
  readonly orientations: readonly Turn[]
  /** Ids of loose parts for each step; steps beyond `steps` hold loose parts only. */
  readonly looseParts: readonly (readonly string[])[]
  readonly missing: readonly string[]
  /** Locked steps that could not be kept. */
  readonly lostLocks?: readonly LostLock[]
  readonly twice: readonly { readonly id: string; readonly step: number }[]
}
