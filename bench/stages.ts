import { deflateSync } from 'node:zlib'
import { findFindings } from '../src/core/checks'
import { reportModel } from '../src/core/pipeline'
import { findJoints } from '../src/core/joints'
import { catalogueOf, checkModel, Flattener, readModelText, type ModelDocument } from '../src/core/model'
import { SpaceLeft } from '../src/core/motion'
import { drawnSection, RailPainter, writeSvg } from '../src/core/picture'
import { planModel } from '../src/core/plan'
import { buildScene, sectionNodes } from '../src/core/scene'
import { measureDesk } from './desk'
import { timeEdits } from './edits'
import { HOSTILE } from './hostile'
import { medianTime } from './measure'
import type { Subject } from './subjects'
import { measureWaysIn } from './ways-in'

/** Steps of one section that are painted at most; a large section shows its mean long before. */
const MOST_PAINTED = 200

export type Note = (stage: string, value: number) => void

/** Measures one subject, stage after stage; the cold plan comes first, since it can only be measured once. */
export async function measureSubject(text: string, { runs, isHuge }: Subject, note: Note): Promise<void> {
  const start = performance.now()
  const model = readModelText(text)
  const { plan } = planModel(model)
  note('first plan after a cold load, reading included', performance.now() - start)
  note('parts', plan.parts)
  if (!isHuge) measureParts(model, runs, note)
  note(
    'joints, motion and plan',
    medianTime(runs, () => planModel(model)),
  )
  note(
    'with look, repair, all checks and measures',
    medianTime(Math.min(runs, 3), () => reportModel(model)),
  )
  const reported = reportModel(model)
  note(
    'checks alone',
    medianTime(runs, () => findFindings(model, reported.planned, reported.looks)),
  )
  if (!isHuge) measurePictures(model, reported, note)
  if (!isHuge) measureWaysIn(model, note)
  if (!isHuge) await measureDesk(model, note)
}

/** One edit after another, as in a session that has opened the model and done nothing else. */
export function measureEdits(text: string, { edits }: Subject, note: Note): void {
  const model = readModelText(text)
  const largest = model.sections.reduce((a, b) => ((b.parts?.length ?? 0) > (a.parts?.length ?? 0) ? b : a))
  const { times, withPicture } = timeEdits(model, largest.id, edits)
  note('one edit of the largest section with its findings, median', times[times.length >> 1]!)
  note('the same, 95th percentile', times[Math.floor(times.length * 0.95)]!)
  note('the same with the picture of its step, 95th percentile', withPicture[Math.floor(withPicture.length * 0.95)]!)
}

function measureParts(model: ModelDocument, runs: number, note: Note): void {
  const scenes = (): ReturnType<typeof buildScene>[] => {
    const flattener = new Flattener(model)
    return model.sections.map((section) => buildScene(sectionNodes(model, flattener, section.id)))
  }
  const built = scenes()
  note('flatten and scene', medianTime(runs, scenes))
  note(
    'joints',
    medianTime(runs, () => built.forEach(findJoints)),
  )
  const jointed = built.map((scene) => ({ scene, joints: findJoints(scene) }))
  note(
    'columns',
    medianTime(runs, () => jointed.forEach(({ scene, joints }) => new SpaceLeft(scene, joints))),
  )
  let probes = 0
  let entries = 0
  for (const { scene, joints } of jointed) {
    probes += joints.probes
    for (const columns of new SpaceLeft(scene, joints).columns) entries += columns.count
  }
  note('counted: hash probes', probes)
  note('counted: entries of columns', entries)
}

/** The steps of every section, in order: painted in dots, and drawn in areas and lines. */
function measurePictures(model: ModelDocument, { report, looks }: ReturnType<typeof reportModel>, note: Note): void {
  const counts = { pictures: 0, painting: 0, drawing: 0, packed: 0, drawn: 0 }
  report.sections.forEach((section, i) => {
    const drawn = drawnSection(model, new Flattener(model), report.sections, section.id)
    const painter = new RailPainter(drawn, catalogueOf(model), { width: 800, height: 600 })
    section.steps.slice(0, MOST_PAINTED).forEach((_, step) => {
      const { view } = looks[i]![step]!
      counts.pictures++
      counts.painting += timed(() => painter.paint(step, view))
      counts.drawing += timed(() => {
        const drawing = painter.draw(step, view)
        if (!drawing) return
        counts.drawn++
        counts.packed += deflateSync(writeSvg(drawing)).length
      })
    })
  })
  note('one step picture, 800 × 600, mean over the rails', counts.painting / counts.pictures)
  note('the same in areas and lines, mean, packing included', counts.drawing / counts.pictures)
  note('such pictures that stay dots, %', (100 * (counts.pictures - counts.drawn)) / counts.pictures)
  note('one drawn picture, packed, kB', counts.packed / Math.max(1, counts.drawn) / 1000)
}

function timed(act: () => unknown): number {
  const start = performance.now()
  act()
  return performance.now() - start
}

/** Plans a hostile model once. @returns parts, ms, steps, units, problems */
export function measureHostile(name: string): number[] {
  const model = checkModel(HOSTILE[name]!(20_000))
  const start = performance.now()
  const { built, plan } = planModel(model)
  const time = performance.now() - start
  const problems = built.reduce((sum, section) => sum + section.blocks.length + section.holding.problems.length, 0)
  return [plan.parts, Math.round(time), built[built.length - 1]!.steps.length, built.length - 1, problems]
}
