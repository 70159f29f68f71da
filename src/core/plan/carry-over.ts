import type { Part, PlacedPart } from '../model'
import type { NodeSpec, Scene } from '../scene'
import type { BuiltSection } from './built'

/**
 * A planned section whose steps become given is the same in space, though what was drawn together are sections of their own now.
 * @param specs what the section is built from now
 * @returns its scene with the numbers and the geometry of the plan, so that all that was found out about them still holds;
 *   undefined where anything has moved, come or gone
 */
export function carryOver(planned: BuiltSection, specs: readonly NodeSpec[]): Scene | undefined {
  const { scene } = planned
  if (scene.nodes.length !== specs.length || planned.blocks.length > 0) return undefined
  const byId = new Map(specs.map((spec) => [spec.id, spec]))
  const nodes: NodeSpec[] = []
  /** Of nodes that were drawn together, the parts as they are placed now. */
  const regrouped = new Map<number, ReadonlyMap<string, PlacedPart>>()
  for (let node = 0; node < scene.nodes.length; node++) {
    const before = scene.nodes[node]!
    const now = byId.get(before.id)
    if (now?.parts.length !== before.parts.length) return undefined
    nodes.push(now)
    if (before.kind !== 'derived') {
      if (!before.parts.every((part, i) => isSamePlaced(part, now.parts[i]))) return undefined
      continue
    }
    const own = new Map(now.parts.map((placed) => [placed.part.id, placed]))
    if (own.size !== now.parts.length || !before.parts.every((placed) => isSamePlaced(placed, own.get(placed.part.id)))) return undefined
    regrouped.set(node, own)
  }
  const parts = scene.parts.map((placed, i) => regrouped.get(scene.partNode[i]!)?.get(placed.part.id) ?? placed)
  return { ...scene, nodes, parts }
}

/** What came over from another thread is equal, but not the same object. */
const isSamePart = (a: Part, b: Part): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)

const isSamePlaced = (a: PlacedPart, b: PlacedPart | undefined): boolean =>
  b !== undefined &&
  isSamePart(a.part, b.part) &&
  a.shape === b.shape &&
  a.pose.at.every((value, i) => value === b.pose.at[i]) &&
  a.pose.matrix.every((value, i) => value === b.pose.matrix[i])
