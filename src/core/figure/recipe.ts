import { ENGLISH, type Words } from '../language'
import type { ConnectorKind } from '../catalogue'
import { FIGURE_LIMBS, FIGURE_SLOTS, type FigureSlot } from '../model'

export const SLOTS = FIGURE_SLOTS
export type Slot = FigureSlot

export const slotTitle = (slot: Slot, { say }: Words = ENGLISH): string => say(slotKey(slot))

/** The same as a sentence of the booklet's. */
export const slotKey = (slot: Slot) => `slot.${slot}` as const

/** Slots without which there is no figure. */
export const NEEDED: readonly Slot[] = ['legs', 'torso', 'head']

/** By which connector a slot's piece hangs on another's: on whose, which kind there, which kind of its own. */
export interface Hang {
  readonly on: Slot
  readonly kind: ConnectorKind
  /** Which of that kind, from 1. */
  readonly number: number
  readonly by: ConnectorKind
  readonly moves: boolean
}

export const HANGS: Readonly<Partial<Record<Slot, Hang>>> = {
  legLeft: { on: 'legs', kind: 'ring', number: 2, by: 'post', moves: true },
  legRight: { on: 'legs', kind: 'ring', number: 1, by: 'post', moves: true },
  torso: { on: 'legs', kind: 'post', number: 1, by: 'ring', moves: false },
  neck: { on: 'torso', kind: 'post', number: 1, by: 'ring', moves: false },
  head: { on: 'torso', kind: 'post', number: 1, by: 'ring', moves: true },
  headwear: { on: 'head', kind: 'post', number: 1, by: 'ring', moves: false },
  back: { on: 'torso', kind: 'ring', number: 4, by: 'post', moves: false },
  armLeft: { on: 'torso', kind: 'ring', number: 2, by: 'post', moves: true },
  armRight: { on: 'torso', kind: 'ring', number: 3, by: 'post', moves: true },
  handLeft: { on: 'armLeft', kind: 'ring', number: 1, by: 'post', moves: false },
  handRight: { on: 'armRight', kind: 'ring', number: 1, by: 'post', moves: false },
  heldLeft: { on: 'handLeft', kind: 'clip', number: 1, by: 'bar', moves: false },
  heldRight: { on: 'handRight', kind: 'clip', number: 1, by: 'bar', moves: false },
}

export const LIMBS = FIGURE_LIMBS
