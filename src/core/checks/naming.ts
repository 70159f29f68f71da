import { type Said, type SaidAbout, rounded } from '../language'
import { memo } from '../memo'
import { travelVector, type Travel } from '../motion'
import type { BuiltSection } from '../plan'
import { fromKey } from '../words'

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

/** Grams, one place where it is little. */
export const gramsSaid = (mass: number): SaidAbout => rounded(mass, mass < 10 ? 1 : 0)

/** The side from which something that leaves along `travel` comes in. */
export function wayIn(travel: Travel): SaidAbout {
  if (typeof travel === 'number') return { word: fromKey(travel) }
  const [x, y, z] = travelVector(travel).map((value): SaidAbout => rounded(value, 2)) as [SaidAbout, SaidAbout, SaidAbout]
  return { key: 'way.along', about: { x, y, z } }
}

/** What stands in the way on which sides. */
export const inTheWay = (ways: readonly { readonly travel: Travel; readonly by: string }[]): SaidAbout => ({
  list: ways.map(({ travel, by }): Said => ({ key: 'way.inTheWay', about: { way: wayIn(travel), by } })),
  by: '; ',
})
