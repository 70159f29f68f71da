import { ref, shallowRef } from 'vue'
import {
  cutOut,
  moveNodesTo,
  setPresence as setPresenceOf,
  type Presence,
  placePartAt,
  recolourParts,
  removeNodes,
  replaceShape,
} from '@core/edits'
import { asBuilt, type ModelDocument, type PlacedPart } from '@core/model'
import type { LatticePlace } from '@core/placing'

import { say, sayCount } from '../language'
import { notify } from '../shared/notices'
import { useOpenModel } from '../stores/open-model'
import { useNaming } from './naming'
import type { BenchHand } from './use-hand'
import type { BenchSection } from './use-section'
import type { BenchSelection } from './use-selection'

export type BenchTool = 'fill' | 'letters' | 'recolour'

/** What can be done to what is chosen on the bench; all of it is commands, so all of it can be undone. */
export function useBenchActs(on: BenchSection, selection: BenchSelection, hand: BenchHand) {
  const open = useOpenModel()
  const tool = ref<BenchTool | null>(null)
  /** What a tool would put in. */
  const preview = shallowRef<readonly PlacedPart[]>([])

  const { nodesOf, titleOf, titleOfAll } = useNaming(on)
  const chosenTitle = (): string => titleOfAll(selection.chosen.value)

  /** An edit of what is chosen, if anything is. */
  async function editChosen(
    what: string,
    change: (model: ModelDocument, section: string, ids: ReadonlySet<string>) => ModelDocument,
  ): Promise<boolean> {
    const ids = selection.chosen.value
    if (ids.size === 0) return false
    const section = on.id.value
    return open.edit(`${what} ${chosenTitle()}`, (model) => change(model, section, ids))
  }

  const remove = (): Promise<boolean> => editChosen(say('bench.takeOut'), removeNodes)
  const recolour = (colour: string): Promise<boolean> =>
    editChosen(say('bench.recolourAll'), (model, section, ids) => recolourParts(model, section, ids, colour))
  const replace = (shape: string): Promise<boolean> =>
    editChosen(say('bench.exchangeAll'), (model, section, ids) => replaceShape(model, section, ids, shape))
  /** One part exactly where the numbers say. @returns why not; empty where it was placed */
  const placeAt = (id: string, place: LatticePlace): Promise<string> => {
    const section = on.id.value
    return open.tryEdit(say('bench.place', { title: titleOf(id) }), (model) => placePartAt(model, section, id, place))
  }

  async function makeSection(): Promise<void> {
    const ids = [...selection.chosen.value]
    if (ids.length === 0) return
    const section = on.id.value
    const name = say('bench.partOf', { name: on.section.value?.name ?? say('bench.it2') })
    const label = say('bench.makeASectionOf', { chosenTitle: chosenTitle() })
    const isDone = await open.edit(label, (model) => asBuilt(cutOut(model, section, ids, name)))
    if (isDone) notify(say('bench.areASectionNowGive', { pieces: sayCount('count.pieces', ids.length) }))
  }
  async function toSection(to: string): Promise<void> {
    await editChosen(say('bench.moveToAnotherSection'), (model, section, ids) => moveNodesTo(model, section, ids, to))
  }

  const takeUp = (kind: 'moved' | 'copied'): void => {
    if (selection.chosen.value.size > 0) hand.takeUp(selection.chosen.value, kind, chosenTitle())
  }
  return {
    tool,
    preview,
    showPreview: (parts: readonly PlacedPart[]) => void (preview.value = parts),
    showTried: (model: ModelDocument | null) => void (on.tried.value = model),
    openTool: (next: BenchTool | null) => (tool.value = tool.value === next ? null : next),
    nodesOf,
    titleOf,
    chosenTitle,
    remove,
    recolour,
    setPresence: (presence: Presence): Promise<boolean> =>
      editChosen(say('bench.sayInWhichVersionsIt'), (model, section, ids) => setPresenceOf(model, section, ids, presence)),
    replace,
    placeAt,
    makeSection,
    toSection,
    ...hiding(on, selection),
    takeUp,
  }
}

const hiding = (on: BenchSection, selection: BenchSelection) => ({
  hide: (): void => {
    on.hidden.value = new Set([...on.hidden.value, ...selection.chosen.value])
    selection.only([])
  },
  isolate: (): void => {
    on.isolated.value = on.isolated.value ? null : selection.chosen.value.size > 0 ? new Set(selection.chosen.value) : null
  },
})

export type BenchActs = ReturnType<typeof useBenchActs>
