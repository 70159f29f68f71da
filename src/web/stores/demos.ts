import birdTableUrl from '../../../demo/models/bird-table.rail.json?url'
import ferrymanUrl from '../../../demo/models/ferryman.rail.json?url'
import windPumpUrl from '../../../demo/models/wind-pump.rail.json?url'
import ferryHouseUrl from '../../../demo/models/ferry-house.rail.json?url'
import marketStallUrl from '../../../demo/models/market-stall.rail.json?url'
import granaryUrl from '../../../demo/models/granary.rail.json?url'
import { Fault } from '@core/fault'
import type { ModelDocument } from '@core/model'
import { tellingInsets } from '@core/pipeline'
import { reportFrom, stateAfter, toBytes, newState, type Printed } from '../../workers/plan-messages'
import type { StoredModel } from '../storage/database'
import { factsOf } from '../storage/facts'
import type { Library } from '../storage/library'

/** By name of the file; the first shown stands first on the shelf. */
const DEMOS = {
  'bird-table': birdTableUrl,
  'ferry-house': ferryHouseUrl,
  granary: granaryUrl,
  ferryman: ferrymanUrl,
  'wind-pump': windPumpUrl,
  'market-stall': marketStallUrl,
}

/** All or none, however often it is begun: a shelf with half the demos would never get the rest. */
export async function addDemos(library: Library): Promise<void> {
  const models = await Promise.all(
    Object.entries(DEMOS).map(async ([demo, url]) => {
      const response = await fetch(url)
      if (!response.ok) throw new Fault('no-demo', 'The demo models could not be fetched.', { wayOut: 'Reload the page.' })
      const model = (await response.json()) as ModelDocument
      return { name: model.name, demo, bytes: toBytes(newState(model)) }
    }),
  )
  await library.addFirst(models)
}

/** What a demo was planned and painted as when the application was built; undefined where that cannot be had. */
async function plannedDemo(demo: string): Promise<{ printed: Printed; picture: Blob } | undefined> {
  const at = `/demos/${encodeURIComponent(demo)}`
  try {
    const [plan, picture] = await Promise.all([fetch(`${at}.json`), fetch(`${at}.png`)])
    if (!plan.ok || !picture.ok) return undefined
    return { printed: (await plan.json()) as Printed, picture: await picture.blob() }
  } catch {
    // Without a network, or where nothing was built, it is planned here like any other model.
    return undefined
  }
}

/** Says of demos that nobody has changed yet what was found out when the application was built. @returns whether of any */
export async function describeDemos(library: Library, models: readonly StoredModel[]): Promise<boolean> {
  const described = await Promise.all(models.map((stored) => describeDemo(library, stored)))
  return described.includes(true)
}

async function describeDemo(library: Library, { id, demo, revision, describedAt }: StoredModel): Promise<boolean> {
  if (demo === undefined || revision !== 1 || describedAt === 1) return false
  const planned = await plannedDemo(demo)
  if (!planned) return false
  const { printed, picture } = planned
  const { state } = await library.open(id)
  const facts = factsOf(state.model, reportFrom(printed))
  await library.keepFirst(id, revision, toBytes(stateAfter({ ...state, insets: tellingInsets(printed.insets) }, printed)), toBytes(printed))
  await library.describe(id, { facts, picture, describedAt: revision })
  return true
}
