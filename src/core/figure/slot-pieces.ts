import type { Catalogue, ConnectorKind, Shape } from '../catalogue'
import { HANGS, type Slot } from './recipe'

/** What else a piece of a slot must have: what others hang on, and what tells it from the pieces of other slots. */
const NEEDS: Readonly<Record<Slot, (has: (kind: ConnectorKind) => number, shape: Shape) => boolean>> = {
  legs: (has) => has('post') > 0 && (has('socket') > 1 || has('ring') === 2),
  legLeft: (has, shape) => has('socket') === 1 && isSide(shape, 'left'),
  legRight: (has, shape) => has('socket') === 1 && isSide(shape, 'right'),
  torso: (has) => has('ring') > 3 && has('post') > 0,
  armLeft: (has, shape) => has('ring') > 0 && isSide(shape, 'left'),
  armRight: (has, shape) => has('ring') > 0 && isSide(shape, 'right'),
  handLeft: (has) => has('clip') > 0,
  handRight: (has) => has('clip') > 0,
  head: (has, shape) => has('post') > 0 && has('ring') === 1 && shape.mirror.twin === shape.id,
  headwear: (has) => has('post') === 0 && has('ring') === 1,
  neck: (has) => has('ring') === 1 && has('post') > 0,
  back: (has) => has('ring') + has('clip') + has('socket') === 0,
  heldLeft: () => true,
  heldRight: () => true,
}

/** A piece that is made for one side is for that one alone: its mirror twin is for the other. An own shape may do for both. */
const isSide = ({ id, family, mirror }: Shape, side: 'left' | 'right'): boolean =>
  id.split('-').includes(side) || (family === 'own shape' && mirror.twin === id)

const OF_FIGURES = /^(figure|own)/

/**
 * The shapes of a catalogue that fit a slot: those that hang there by their connector, can carry what hangs on them, and are made
 * for that side. What is held may be anything with a bar; all else is a piece of figures, or the designer's own.
 */
export function piecesForSlot(slot: Slot, { shapes }: Catalogue): Shape[] {
  const by = HANGS[slot]?.by
  const fits = [...shapes.values()].filter((shape) => {
    const has = (kind: ConnectorKind): number => shape.connectors.filter((connector) => connector.kind === kind).length
    if (by !== undefined && has(by) === 0) return false
    const isHeld = slot === 'heldLeft' || slot === 'heldRight'
    if (!isHeld && !OF_FIGURES.test(shape.family)) return false
    // Round the neck goes what is neither a head nor worn on one.
    if (slot === 'neck' && shape.id === 'figure-head') return false
    return NEEDS[slot](has, shape)
  })
  // Tools are made for hands; all else that has a bar comes behind them.
  return fits.sort((a, b) => Number(b.family === 'hand-held') - Number(a.family === 'hand-held'))
}
