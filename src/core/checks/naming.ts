import { memo } from '../memo'
import { travelVector, type Travel } from '../motion'
import type { BuiltSection } from '../plan'
import { fromWords, listInWords } from '../words'

/** Names longer lists of parts by their first few. */
const MOST_NAMED = 4

export function nameParts(ids: readonly string[]): string {
  const named = ids.slice(0, MOST_NAMED).map((id) => `“${id}”`)
  const rest = ids.length - named.length
  return rest > 0 ? `${named.join(', ')} and ${rest} more` : listInWords(named)
}

export const idsOf = (built: BuiltSection, nodes: readonly number[]): string[] => nodes.map((node) => built.scene.nodes[node]!.id)

/** In the order of the document. */
export const idsInOrder = (built: BuiltSection, nodes: readonly number[]): string[] =>
  idsOf(
    built,
    [...nodes].sort((a, b) => a - b),
  )

/** Of each node its step, from 1. */
const stepNumbers = memo((steps: BuiltSection['steps']): ReadonlyMap<number, number> => {
  const known = new Map<number, number>()
  steps.forEach((step, i) => {
    for (const node of step) known.set(node, i + 1)
  })
  return known
})

/** Number of the step that brings a node; null when none does. */
export const stepNumber = ({ steps }: BuiltSection, node: number): number | null => stepNumbers(steps).get(node) ?? null

/** Number of the last step that brings any of some nodes; null when none does. */
export const lastStep = (built: BuiltSection, nodes: readonly number[]): number | null =>
  Math.max(...nodes.map((node) => stepNumber(built, node) ?? 0)) || null

/** Grams with a unit, one place where it is little. */
export const grams = (mass: number): string => `${mass < 10 ? mass.toFixed(1) : Math.round(mass)} g`

/** In words, the side from which something that leaves along `travel` comes in. */
export function wayInWords(travel: Travel): string {
  return typeof travel === 'number'
    ? fromWords(travel)
    : `along (${travelVector(travel)
        .map((v) => v.toFixed(2))
        .join(', ')})`
}
