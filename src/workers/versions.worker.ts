import { expose } from 'comlink'
import { planVersionsBeside } from '@core/booklet'
import { plainFault, type PlainFault } from '@core/fault'
import { asBuilt, choiceWithin, documentOfVersion } from '@core/model'
import { planModel, stepCount } from '@core/plan'
import type { Progress } from '@core/pipeline'
import { staysAlive } from './alive'
import { fromBytes, keptOf, optionsOf, type ModelState } from './plan-messages'

/** What stands in a booklet beside the version that is shown. */
export type PlannedVersions = ReturnType<typeof planVersionsBeside>
export type VersionsAnswer = { readonly planned: PlannedVersions } | { readonly fault: PlainFault }

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  plan(state: Uint8Array, onProgress: Progress): VersionsAnswer {
    const asked = fromBytes<ModelState>(state)
    const { model, settings } = asked
    const { version = {} } = settings
    let told = -1
    // A message for each hundredth is enough.
    const progress: Progress = (fraction) => {
      const hundredth = Math.floor(fraction * 100)
      if (hundredth !== told) onProgress((told = hundredth) / 100)
    }
    try {
      return {
        planned: planVersionsBeside(model, choiceWithin(model, version), {
          ...optionsOf(settings),
          ...keptOf({ ...asked, order: {} }),
          progress,
        }),
      }
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
  /** How many steps each version takes, in the order asked. @param ids of variants; empty: as the options say */
  count(state: Uint8Array, ids: readonly string[]): number[] {
    const { model, settings } = fromBytes<ModelState>(state)
    return ids.map((id) => {
      const { sections } = planModel(asBuilt(documentOfVersion(model, id === '' ? {} : { variant: id })), optionsOf(settings)).plan
      return stepCount(sections)
    })
  },
}

export type VersionsApi = typeof api
expose(api)
