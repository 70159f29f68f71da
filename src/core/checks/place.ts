import type { BuiltSection } from '../plan'

/** Names longer lists of parts by their first few. */
const MOST_NAMED = 4

export function nameParts(ids: readonly string[]): string {
  const named = ids.slice(0, MOST_NAMED).map((id) => `“${id}”`)
  const rest = ids.length - named.length
  return rest > 0 ? `${named.join(', ')} and ${rest} more` : named.join(', ').replace(/, ([^,]*)$/, ' and $1')
}

export const idsOf = (built: BuiltSection, nodes: readonly number[]): string[] => nodes.map((node) => built.scene.nodes[node]!.id)

/** Number of the step that brings a node; null when none does. */
export function stepNumber({ scene, steps }: BuiltSection, node: number): number | null {
  let known = stepNumbers.get(steps)
  if (!known) {
    known = new Int32Array(scene.nodes.length)
    for (let i = 0; i < steps.length; i++) for (const member of steps[i]!) known[member] = i + 1
    stepNumbers.set(steps, known)
  }
  return known[node]! || null
}

/** Of each node its step, from 1; 0 for none. */
const stepNumbers = new WeakMap<BuiltSection['steps'], Int32Array>()

/** Grams with a unit, one place where it is little. */
export const grams = (mass: number): string => `${mass < 10 ? mass.toFixed(1) : Math.round(mass)} g`
