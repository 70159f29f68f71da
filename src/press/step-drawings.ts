import { zipSync, type Zippable } from 'fflate'
import { makePages, type Bundle } from '@core/booklet'
import { writeStepGltf } from '@core/formats'
import { catalogueOf, Flattener } from '@core/model'
import { drawnSection } from '@core/picture'

/** A `.glb` for each step of a booklet, by its label, packed in their order. @param progress told from 0 to 1; throw from it to stop */
export async function writeStepDrawings(bundle: Bundle, progress?: (fraction: number) => void | Promise<void>): Promise<Uint8Array> {
  const { model, plan } = bundle
  const catalogue = catalogueOf(model)
  const flattener = new Flattener(model)
  const steps = makePages(bundle).flatMap((page) => (page.kind === 'step' || page.kind === 'jump' ? [page] : []))
  const files: Zippable = {}
  let drawn: { readonly id: string; readonly section: ReturnType<typeof drawnSection> } | undefined
  for (const [i, { section, number, label }] of steps.entries()) {
    if (drawn?.id !== section) drawn = { id: section, section: drawnSection(model, flattener, plan.sections, section) }
    const { parts, ranges } = drawn.section
    const [from, to] = ranges[number - 1]!
    files[`${label}.glb`] = [
      writeStepGltf({ name: label, before: parts.slice(0, from), added: parts.slice(from, to) }, catalogue),
      // Numbers of corners pack well; nothing else is worth more effort.
      { level: 6 },
    ]
    await progress?.((i + 1) / steps.length)
  }
  return zipSync(files)
}
