import { computed, ref, shallowRef, watch } from 'vue'
import { Flattener, sectionById, type ModelDocument } from '@core/model'
import { PlaceJudge } from '@core/placing'
import { keepNodes, sectionNodes, type NodeSpec } from '@core/scene'
import { unite, type Box } from '@core/space'
import { useOpenModel } from '../stores/open-model'
import type { ViewMark } from './model-picture'
import { bodyBox, createShown, framesOf } from './shown-nodes'
import { nextTask } from '../shared/next-task'
import { shownCatalogue } from '../shared/shown-catalogue'

/** Something put down that waits for its turn: it is shown at once. */
export interface PendingPut {
  readonly nodes: readonly NodeSpec[]
  /** Ids of what stood elsewhere before. */
  readonly leaves: ReadonlySet<string>
}

/** The section that stands on the bench: its parts and copies in space, and what of them is shown. */
export function useSection() {
  const open = useOpenModel()
  const sectionId = ref('')
  const model = computed(() => open.model)
  /** The section asked for; the whole where there is none such, as after an undo. */
  const id = computed(() => {
    const now = model.value
    if (!now) return ''
    return now.sections.some((section) => section.id === sectionId.value) ? sectionId.value : now.root
  })
  const catalogue = computed(() => open.snapshot?.catalogue ?? shownCatalogue())
  const section = computed(() => (model.value ? sectionById(model.value, id.value) : undefined))
  const flattener = computed(() => (model.value ? new Flattener(model.value) : undefined))
  /** The document as a tool would make it: it is shown instead, and nothing has changed. */
  const tried = shallowRef<ModelDocument | null>(null)
  /** What has not changed is the very object from before, so that what was drawn of it holds. */
  const nodes = computed<readonly NodeSpec[]>((before = []) => {
    const shown = tried.value ?? model.value
    return shown ? keepNodes(before, sectionNodes(shown, tried.value ? new Flattener(shown) : flattener.value!, id.value)) : []
  })
  const nodeById = computed(() => new Map(nodes.value.map((node) => [node.id, node])))
  /** What was put down and is not part of the document yet, and what was taken from its place meanwhile. */
  const pending = shallowRef<readonly PendingPut[]>([])
  const leaving = computed(() => new Set(pending.value.flatMap(({ leaves }) => [...leaves])))
  /** All that stands there as somebody sees it. */
  const standing = computed(() => [
    ...(leaving.value.size > 0 ? nodes.value.filter((node) => !leaving.value.has(node.id)) : nodes.value),
    ...pending.value.flatMap((put) => put.nodes),
  ])
  const judge = computed(() => new PlaceJudge(standing.value))
  // Made in a task of its own: what is on the screen after a click need not wait for it.
  watch(standing, async () => {
    await nextTask()
    void judge.value
  })

  const view = createShown(standing)
  watch(id, view.showAll)

  const boxOf = (ids: Iterable<string>): Box | undefined => {
    const boxes = [...ids].flatMap((each) => nodeById.value.get(each)?.parts.map(bodyBox) ?? [])
    return boxes.length > 0 ? boxes.reduce(unite) : undefined
  }

  const framed = (ids: Iterable<string>, kind: ViewMark['kind']): ViewMark[] => framesOf(nodeById.value, ids, kind)

  return { sectionId, id, model, section, catalogue, flattener, nodes, nodeById, pending, judge, boxOf, framed, tried, ...view }
}

export type BenchSection = ReturnType<typeof useSection>
