import { nearestIds } from '@core/catalogue'
import { Fault } from '@core/fault'
import { catalogueOf, Flattener, type ModelDocument } from '@core/model'
import { drawnSection, encodePng, RailPainter, writeSvg } from '@core/picture'
import { reportModel, type LookCache, type Reported } from '@core/pipeline'
import { EFFORTS, PlanCache } from '@core/plan'
import { DONE } from '../exit-codes'
import { load, save } from '../files'
import { wholeNumber } from '../number-option'
import type { DefineCommand } from './command'

interface PictureValues {
  readonly section?: string
  /** From 1; the last when missing. */
  readonly step?: number
  readonly output: string
  /** px; the height is three quarters of it. */
  readonly width: number
}

const MOST_STEPS = 1_000_000

export const definePicture: DefineCommand = (program, finish) =>
  program
    .command('picture <file>')
    .description('one step, in the view that the plan chose for it')
    .requiredOption('-o, --output <file>', 'what to write: .png or .svg')
    .option('--section <id>', 'the root when missing')
    .option('--step <n>', 'the last when missing', wholeNumber('step', 1, MOST_STEPS))
    .option('--width <px>', 'the height is three quarters of it', wholeNumber('width', 64, 4000), 800)
    .action((file: string, values: PictureValues) => finish(picture(file, values)))

async function picture(file: string, values: PictureValues): Promise<number> {
  const model = await load(file)
  const options = { effort: EFFORTS.normal }
  const [cache, lookCache]: [PlanCache, LookCache] = [new PlanCache(), new WeakMap()]
  const { index, step } = place(model, reportModel(model, options, cache, lookCache), values)
  // Insets that tell where parts go are looked for in this step alone.
  const reads = { section: values.section ?? model.root, step }
  const reported = reportModel(model, { ...options, reads }, cache, lookCache)
  const { sections } = reported.report
  const section = drawnSection(model, new Flattener(model), sections, sections[index]!.id)
  const { width } = values
  const painter = new RailPainter(section, catalogueOf(model), { width, height: Math.round((width * 3) / 4) })
  const { view, insets } = reported.looks[index]![step]!
  if (!values.output.endsWith('.svg')) {
    await save(values.output, await encodePng(painter.paint(step, view, insets)))
    return DONE
  }
  const drawing = painter.draw(step, view, insets)
  if (!drawing)
    throw new Fault('too-many-faces', 'This picture has too many faces to be written as lines.', { wayOut: 'Write it as .png.' })
  await save(values.output, writeSvg(drawing))
  return DONE
}

/** The section by its place in the plan, and the step from 0. @throws Fault `unknown-section`, `unknown-step` */
function place(model: ModelDocument, { report }: Reported, values: PictureValues): { index: number; step: number } {
  const id = values.section ?? model.root
  const ids = report.sections.map((section) => section.id)
  const index = ids.indexOf(id)
  if (index < 0) {
    throw new Fault('unknown-section', `There is no section “${id}”.`, { wayOut: `The nearest known: ${nearestIds(id, ids).join(', ')}.` })
  }
  const steps = report.sections[index]!.steps.length
  const step = values.step ?? steps
  if (step > steps || steps === 0) throw new Fault('unknown-step', `Section “${id}” has steps 1 to ${steps}.`, { place: `step ${step}` })
  return { index, step: step - 1 }
}
