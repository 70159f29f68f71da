// Plans the demos when the application is built, and paints them as they are finished: dist/app/demos/NAME.json and NAME.png.
// Whoever comes for the first time sees them at once, and no machine plans again what is the same for all.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { coverPicture } from '../src/core/booklet'
import { worthOfPlan } from '../src/core/pipeline'
import { encodePng } from '../src/core/picture'
import { BookletPainter } from '../src/press/paint'
import { fromBytes, reportFrom, sourceOf, stateAfter, toBytes, newState, type ModelState } from '../src/workers/plan-messages'
import { findBetter, Planner, readPictures } from '../src/workers/planner'
import { SHELF_PICTURE } from '../src/workers/shelf-picture'

const MODELS = 'demo/models'
const FOLDER = 'dist/app/demos'
const ENDING = '.rail.json'
const unheard = (): void => undefined

mkdirSync(FOLDER, { recursive: true })
for (const file of readdirSync(MODELS).filter((name) => name.endsWith(ENDING))) {
  const model = JSON.parse(readFileSync(`${MODELS}/${file}`, 'utf8')) as ModelState['model']
  const asked = toBytes(newState(model))
  const first = new Planner().open(1, asked, unheard)
  const ordered = findBetter(asked, worthOfPlan(reportFrom(first)), unheard)?.printed ?? first
  const unread = stateAfter(fromBytes<ModelState>(asked), ordered)
  const state = { ...unread, insets: readPictures(toBytes(unread), unheard).insets }
  const printed = new Planner().open(1, toBytes(state), unheard)
  const source = sourceOf(state.model, printed)
  const picture = await encodePng(new BookletPainter(source, SHELF_PICTURE).paint(coverPicture(source)!, 'finished'))
  const name = file.slice(0, -ENDING.length)
  writeFileSync(`${FOLDER}/${name}.json`, toBytes(printed))
  writeFileSync(`${FOLDER}/${name}.png`, picture)
}
