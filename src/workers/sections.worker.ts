import { expose, transfer } from 'comlink'
import { plainFault, type PlainFault } from '@core/fault'
import { asBuilt } from '@core/model'
import type { Progress } from '@core/pipeline'
import { cutUp, findSuggestions, SAVING_KINDS, type Suggestion } from '@core/suggestions'
import { staysAlive } from './alive'
import { fromBytes, toBytes, type ModelState } from './plan-messages'

/** What was found in a model. */
export type SuggestionsAnswer = { readonly suggestions: readonly Suggestion[] } | { readonly fault: PlainFault }
/** The model cut up: as bytes of JSON, and how many suggestions were taken. */
export type CutAnswer = { readonly model: Uint8Array<ArrayBuffer>; readonly taken: number } | { readonly fault: PlainFault }

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  suggest(state: Uint8Array, progress: Progress): SuggestionsAnswer {
    try {
      return { suggestions: findSuggestions(fromBytes<ModelState>(state).model, { onProgress: (share) => void progress(share) }) }
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
  cut(state: Uint8Array, progress: Progress): CutAnswer {
    try {
      const cut = cutUp(fromBytes<ModelState>(state).model, SAVING_KINDS, { onProgress: (share) => void progress(share) })
      const model = toBytes(asBuilt(cut.model))
      return transfer({ model, taken: cut.taken.length }, [model.buffer])
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
}

export type SectionsApi = typeof api
expose(api)
