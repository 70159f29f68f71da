import { writeFile } from 'node:fs/promises'
import { Fault } from '@core/fault'
import { nearestIds } from '@core/catalogue'
import { reportModel } from '@core/pipeline'
import { catalogueOf, Flattener, type ModelDocument } from '@core/model'
import { EFFORTS } from '@core/plan'
import { drawnSection, encodePng, RailPainter, writeSvg } from '@core/picture'

export interface PictureOptions {
  readonly section?: string | boolean | undefined
  readonly step?: string | boolean | undefined
  readonly output?: string | boolean | undefined
  readonly width?: string | boolean | undefined
}

/** Writes the picture of one step as PNG or SVG, by extension, in the view the plan chose for it. Height is three quarters of the width. */
export async function writePicture(model: ModelDocument, options: PictureOptions): Promise<void> {
  const width = options.width === undefined ? 800 : Number(options.width)
  if (!Number.isInteger(width) || width < 64 || width > 4000) {
    throw new Fault('bad-width', 'The width must be a whole number from 64 to 4000.')
  }
  if (typeof options.output !== 'string')
    throw new Fault('usage', 'No file to write was named.', { wayOut: 'Add -o OUT.png or -o OUT.svg.' })
  const { report, looks } = reportModel(model, { effort: EFFORTS.normal })
  const sectionId = typeof options.section === 'string' ? options.section : model.root
  const index = report.sections.findIndex((section) => section.id === sectionId)
  if (index < 0) {
    const near = nearestIds(
      sectionId,
      report.sections.map((section) => section.id),
    )
    throw new Fault('unknown-section', `There is no section “${sectionId}”.`, { wayOut: `The nearest known: ${near.join(', ')}.` })
  }
  const steps = report.sections[index]!.steps.length
  const step = options.step === undefined ? steps : Number(options.step)
  if (!Number.isInteger(step) || step < 1 || step > steps) {
    throw new Fault('unknown-step', `Section “${sectionId}” has steps 1 to ${steps}.`, { place: `step ${String(options.step)}` })
  }
  const section = drawnSection(model, new Flattener(model), report.sections, sectionId)
  const painter = new RailPainter(section, catalogueOf(model), { width, height: Math.round((width * 3) / 4) })
  const { view, inset } = looks[index]![step - 1]!
  if (!options.output.endsWith('.svg')) return writeFile(options.output, await encodePng(painter.paint(step - 1, view, inset)))
  const drawing = painter.draw(step - 1, view, inset)
  if (!drawing)
    throw new Fault('too-many-faces', 'This picture has too many faces to be written as lines.', { wayOut: 'Write it as .png.' })
  return writeFile(options.output, writeSvg(drawing))
}
