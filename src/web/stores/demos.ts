import birdTableUrl from '../../../demo/models/bird-table.rail.json?url'
import ferrymanUrl from '../../../demo/models/ferryman.rail.json?url'
import windPumpUrl from '../../../demo/models/wind-pump.rail.json?url'
import ferryHouseUrl from '../../../demo/models/ferry-house.rail.json?url'
import marketStallUrl from '../../../demo/models/market-stall.rail.json?url'
import granaryUrl from '../../../demo/models/granary.rail.json?url'
import { Fault } from '@core/fault'
import type { ModelDocument } from '@core/model'
import { toBytes, USUAL_SETTINGS, type ModelState } from '../../workers/plan-messages'
import type { Library } from '../storage/library'

/** The first shown stands first on the shelf. */
const DEMOS = [birdTableUrl, ferryHouseUrl, granaryUrl, ferrymanUrl, windPumpUrl, marketStallUrl]

/** All or none, however often it is begun: a shelf with half the demos would never get the rest. */
export async function addDemos(library: Library): Promise<void> {
  const models = await Promise.all(
    DEMOS.map(async (url) => {
      const response = await fetch(url)
      if (!response.ok) throw new Fault('no-demo', 'The demo models could not be fetched.', { wayOut: 'Reload the page.' })
      return (await response.json()) as ModelDocument
    }),
  )
  const stateOf = (model: ModelDocument): ModelState => ({ model, settings: USUAL_SETTINGS, order: {} })
  await library.addFirst(models.map((model) => ({ name: model.name, bytes: toBytes(stateOf(model)) })))
}
