import type { PlacedPart } from '../model'
import type { NodeSpec } from './scene'

const isSame = (a: PlacedPart, b: PlacedPart): boolean => a === b || isAlike(a, b)

const isAlike = (a: PlacedPart, b: PlacedPart): boolean =>
  a.part === b.part &&
  a.shape === b.shape &&
  a.colour === b.colour &&
  a.path === b.path &&
  a.pose.at.every((value, i) => value === b.pose.at[i]) &&
  a.pose.matrix.every((value, i) => value === b.pose.matrix[i])

/**
 * Nodes after an edit, the very objects from before where nothing of them has changed: what was derived of those still holds.
 * O(parts).
 */
export function keepNodes(before: readonly NodeSpec[], now: readonly NodeSpec[]): NodeSpec[] {
  const known = new Map(before.map((node) => [node.id, node]))
  return now.map((node) => {
    const old = known.get(node.id)
    const isKept =
      old?.kind === node.kind &&
      old.source === node.source &&
      old.holdsPressed === node.holdsPressed &&
      old.standsApart === node.standsApart &&
      old.parts.length === node.parts.length &&
      (node.parts === old.parts || node.parts.every((part, i) => isSame(part, old.parts[i]!)))
    return isKept ? old : node
  })
}
