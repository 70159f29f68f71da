import { onUnmounted, ref, shallowRef } from 'vue'
import { plainFault } from '@core/fault'
import type { ModelDocument } from '@core/model'
import type { Suggestion } from '@core/suggestions'
import { say } from '../language'
import type { ModelState } from '../../workers/plan-messages'
import { makePainter } from '../workers/make-painter'
import { SectionsClient } from '../workers/sections-client'
import { paintGroup } from './group-picture'

/** Looks for sections in a model, and paints what was found, one after another. */
export function useSuggestions() {
  const found = shallowRef<readonly Suggestion[] | null>(null)
  const pictures = shallowRef<ReadonlyMap<string, ImageData>>(new Map())
  const problem = ref('')
  /** How far it is; null where nothing is under way. */
  const fraction = ref<number | null>(null)
  const what = ref('')
  const finder = new SectionsClient()
  const painter = makePainter()
  let round = 0

  async function work<Value>(label: string, ask: () => Promise<Value>): Promise<Value | undefined> {
    problem.value = ''
    what.value = label
    fraction.value = 0
    try {
      return await ask()
    } catch (thrown) {
      const fault = plainFault(thrown)
      if (fault.code !== 'stopped' && fault.code !== 'closed') problem.value = fault.message
      return undefined
    } finally {
      fraction.value = null
    }
  }
  const tell = (share: number): void => {
    if (fraction.value !== null) fraction.value = share
  }

  async function look(state: ModelState): Promise<void> {
    const all = await work(say('sections.lookingForSections'), () => finder.suggest(state, tell))
    if (!all) return
    found.value = all
    pictures.value = new Map()
    void paint(state.model, all)
  }

  const cutAll = (state: ModelState): Promise<{ model: ModelDocument; taken: number } | undefined> =>
    work(say('sections.makingSectionsOfAllThat'), () => finder.cut(state, tell))

  async function paint(model: ModelDocument, all: readonly Suggestion[]): Promise<void> {
    const mine = ++round
    for (const suggestion of all.slice(0, SHOWN)) {
      const image = await paintGroup(painter, model, suggestion, ++version).catch(() => undefined)
      if (mine !== round) return
      if (image) pictures.value = new Map([...pictures.value, [suggestion.id, new ImageData(image.data, image.width, image.height)]])
    }
  }
  let version = 0

  /** What was found is of another model. */
  function forget(): void {
    round++
    found.value = null
  }

  onUnmounted(() => {
    round++
    finder.close()
    painter.close()
  })
  return { found, pictures, problem, fraction, what, look, cutAll, forget, stop: (): void => finder.stop() }
}

/** More are not shown: they save little. */
export const SHOWN = 24
