import { shallowRef } from 'vue'
import { moveNodesTo } from '@core/edits'
import { sectionsById } from '@core/model'

import { say, sayCount } from '../language'
import { useOpenModel } from '../stores/open-model'

/** Parts and copies of a section that are dragged to another. */
export interface DraggedNodes {
  readonly section: string
  readonly ids: readonly string[]
}

const dragged = shallowRef<DraggedNodes | null>(null)

/** One thing is dragged at a time, whichever section it comes from. */
export function useDraggedNodes() {
  const open = useOpenModel()
  /** Moves them to another section; nothing where none is named or it is theirs. */
  async function moveTo({ section, ids }: DraggedNodes, to: string): Promise<void> {
    const name = open.model ? sectionsById(open.model).get(to)?.name : undefined
    if (name === undefined || to === section) return
    await open.edit(say('sections.moveTo2', { things: sayCount('count.things', ids.length), name }), (model) =>
      moveNodesTo(model, section, new Set(ids), to),
    )
  }
  return {
    dragged,
    moveTo,
    drag: (event: DragEvent, what: DraggedNodes): void => {
      dragged.value = what
      event.dataTransfer?.setData('text/plain', what.ids.join(' '))
    },
    letGo: (): void => void (dragged.value = null),
  }
}
