import { mkdirSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { writeModelText } from '../src/core/formats'
import { checkModel } from '../src/core/model'
import { birdTable } from './bird-table'
import { ferryHouse } from './ferry-house'
import { granary } from './granary'

/** Writes the demo models beside this script: `npm run demo`. */
const folder = fileURLToPath(new URL('./models', import.meta.url))
mkdirSync(folder, { recursive: true })
for (const [file, make] of [
  ['bird-table', birdTable],
  ['ferry-house', ferryHouse],
  ['granary', granary],
] as const) {
  writeFileSync(`${folder}/${file}.rail.json`, writeModelText(checkModel(make())))
}
