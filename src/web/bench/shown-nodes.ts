import { computed, ref, shallowRef, type ComputedRef } from 'vue'
import type { PlacedPart } from '@core/model'
import type { NodeSpec } from '@core/scene'
import { posedBox, unite, type Box } from '@core/space'
import type { ViewMark } from './model-picture'

/** What of a section is shown: layers, hidden and isolated things, and a place on the rail. */
export function createShown(nodes: ComputedRef<readonly NodeSpec[]>) {
  const hidden = shallowRef<ReadonlySet<string>>(new Set())
  /** Only these are shown, or all. */
  const isolated = shallowRef<ReadonlySet<string> | null>(null)
  /** Nothing that begins at this height or above is shown, u. */
  const ceiling = ref(Infinity)
  /** Only what has come in by a step of the rail is shown. */
  const present = shallowRef<ReadonlySet<string> | null>(null)

  const shownNodes = computed(() =>
    nodes.value.filter(({ id: node, parts }) => {
      if (hidden.value.has(node) || (isolated.value && !isolated.value.has(node)) || (present.value && !present.value.has(node)))
        return false
      return ceiling.value === Infinity || parts.some((part) => posedBox(part.pose, part.shape.bodies[0]!).min[2] < ceiling.value)
    }),
  )
  const shown = computed(() => {
    const parts: PlacedPart[] = []
    const owners: string[] = []
    for (const node of shownNodes.value) {
      for (const part of node.parts) {
        parts.push(part)
        owners.push(node.id)
      }
    }
    return { parts, owners }
  })
  const isPartial = computed(() => shownNodes.value.length < nodes.value.length)
  /** The heights at which parts begin, from the lowest, u. */
  const levels = computed(() => [...new Set(nodes.value.flatMap(({ parts }) => parts.map(bottomOf)))].sort((a, b) => a - b))

  function showAll(): void {
    hidden.value = new Set()
    isolated.value = present.value = null
    ceiling.value = Infinity
  }
  /** One layer less, or one more. */
  function peelLayer(way: -1 | 1): void {
    const all = levels.value
    const at = ceiling.value === Infinity ? all.length : all.findIndex((level) => level >= ceiling.value)
    const next = (at < 0 ? all.length : at) + way
    ceiling.value = next >= all.length ? Infinity : all[Math.max(1, next)]!
  }
  return { hidden, isolated, ceiling, present, shown, isPartial, showAll, peelLayer }
}

export const bodyBox = ({ shape, pose }: PlacedPart): Box => shape.bodies.map((body) => posedBox(pose, body)).reduce(unite)
/** Frames round things, so many that they can still be told apart. */
const MOST_FRAMES = 200

export const framesOf = (nodes: ReadonlyMap<string, NodeSpec>, ids: Iterable<string>, kind: ViewMark['kind']): ViewMark[] =>
  [...ids].slice(0, MOST_FRAMES).flatMap((id) => {
    const { parts = [] } = nodes.get(id) ?? {}
    return parts.length > 0 ? [{ box: parts.map(bodyBox).reduce(unite), kind }] : []
  })

const bottomOf = (part: PlacedPart): number => Math.round(bodyBox(part).min[2])
