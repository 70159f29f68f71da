// Plans the demos when the application is built, and paints them as they are finished: dist/app/demos/NAME.json and NAME.png.
// Whoever comes for the first time sees them at once, and no machine plans again what is the same for all.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { worthOfPlan } from '../src/core/pipeline'
import { encodePng } from '../src/core/picture'
import { BookletPainter } from '../src/press/paint'
import { fromBytes, reportFrom, sourceOf, stateAfter, toBytes, USUAL_SETTINGS, type ModelState } from '../src/workers/plan-messages'
import { findBetter, Planner } from '../src/workers/planner'
import { finishedPicture, SHELF_PICTURE } from '../src/workers/shelf-picture'

const MODELS = 'demo/models'
const FOLDER = 'dist/app/demos'
const ENDING = '.rail.json'
const unheard = (): void => undefined

mkdirSync(FOLDER, { recursive: true })
for (const file of readdirSync(MODELS).filter((name) => name.endsWith(ENDING))) {
  const model = JSON.parse(readFileSync(`${MODELS}/${file}`, 'utf8')) as ModelState['model']
  const asked = toBytes({ model, settings: USUAL_SETTINGS, order: {} } satisfies ModelState)
  const first = new Planner().open(1, asked, unheard)
  const printed = findBetter(asked, worthOfPlan(reportFrom(first)), unheard)?.printed ?? first
  const state = stateAfter(fromBytes<ModelState>(asked), printed)
  const painter = new BookletPainter(sourceOf(state.model, printed), SHELF_PICTURE)
  const picture = await encodePng(painter.paint(finishedPicture(state.model, printed), 'finished'))
  const name = file.slice(0, -ENDING.length)
  writeFileSync(`${FOLDER}/${name}.json`, toBytes(printed))
  writeFileSync(`${FOLDER}/${name}.png`, picture)
}
