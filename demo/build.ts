import { mkdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { waysOut } from '../src/core/checks'
import { reportModel } from '../src/core/pipeline'
import { railJson } from '../src/core/formats'
import { checkModel, type ModelDocument } from '../src/core/model'
import { birdTable } from './bird-table'
import { ferryHouse } from './ferry-house'
import { ferryman } from './ferryman'
import { granary } from './granary'
import { marketStall } from './market-stall'
import { windPump } from './wind-pump'

/** Writes the demo models beside this script: `npm run demo`. */
const folder = fileURLToPath(new URL('./models', import.meta.url))
mkdirSync(folder, { recursive: true })
for (const [file, make] of [
  ['bird-table', birdTable],
  ['ferry-house', ferryHouse],
  ['granary', granary],
  ['ferryman', ferryman],
  ['wind-pump', windPump],
  ['market-stall', marketStall],
] as const) {
  writeFileSync(`${folder}/${file}.rail.json`, railJson.write(withFreeColours(checkModel(make()))))
}

/** As a designer would: what never shows may be of any colour. */
function withFreeColours(model: ModelDocument): ModelDocument {
  const { findings } = reportModel(model).report
  return findings
    .filter((found) => found.code === 'never-seen')
    .reduce((now, found) => waysOut(now, found).reduce((next, way) => way.change(next), now), model)
}
