import { computed, shallowRef, watch } from 'vue'
import { findJoints } from '@core/joints'
import { selectBy, type SelectBy } from '@core/placing'
import { buildScene } from '@core/scene'
import type { BenchSection } from './use-section'

/** What of a section is chosen, by id. */
export function useSelection(on: BenchSection) {
  const wanted = shallowRef<ReadonlySet<string>>(new Set())
  /** What is not there any more is not chosen. */
  const chosen = computed<ReadonlySet<string>>(() => new Set([...wanted.value].filter((id) => on.nodeById.value.has(id))))
  watch(on.id, () => (wanted.value = new Set()))

  const only = (ids: Iterable<string>): void => void (wanted.value = new Set(ids))
  function toggle(id: string): void {
    const next = new Set(chosen.value)
    if (!next.delete(id)) next.add(id)
    wanted.value = next
  }
  const addAll = (ids: Iterable<string>): void => only([...chosen.value, ...ids])
  /** From what was chosen last to all that goes with it. */
  function grow(by: SelectBy): void {
    const last = [...chosen.value].at(-1)
    if (last === undefined) return
    const scene = buildScene(on.nodes.value)
    const node = scene.nodes.findIndex(({ id }) => id === last)
    only(selectBy(scene, findJoints(scene), node, by).map((each) => scene.nodes[each]!.id))
  }
  /** Walks over what is shown, from the last one chosen. */
  function walk(way: 1 | -1, isMore: boolean): string | undefined {
    const ids = [...new Set(on.shown.value.owners)]
    if (ids.length === 0) return undefined
    const last = [...chosen.value].at(-1)
    const at = last === undefined ? (way === 1 ? -1 : 0) : ids.indexOf(last)
    const id = ids[(at + way + ids.length) % ids.length]!
    if (isMore) addAll([id])
    else only([id])
    return id
  }
  return { chosen, only, toggle, addAll, grow, walk }
}

export type BenchSelection = ReturnType<typeof useSelection>
