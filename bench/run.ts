import { readFileSync, writeFileSync } from 'node:fs'
import { findFindings, reportModel } from '../src/core/checks'
import { findJoints } from '../src/core/joints'
import { catalogueOf, checkModel, Flattener, readModelText, type ModelDocument } from '../src/core/model'
import { SpaceLeft } from '../src/core/motion'
import { drawnSection, RailPainter } from '../src/core/picture'
import { planModel } from '../src/core/plan'
import { buildScene, sectionNodes } from '../src/core/scene'
import { town } from './buildings'
import { growth, medianTime, table } from './measure'

/** `npm run bench`: milliseconds of each stage, warm, one process; `npm run bench -- --write` puts them into docs/bench.md. */

interface Stage {
  readonly name: string
  readonly times: Map<string, number>
}

interface Subject {
  readonly name: string
  readonly model: ModelDocument
  readonly parts: number
  readonly runs: number
}

const demo = (name: string): ModelDocument => readModelText(readFileSync(`demo/models/${name}.rail.json`, 'utf8'))
const partCount = (model: ModelDocument): number => planModel(model).plan.parts
const subject = (name: string, model: ModelDocument, runs: number): Subject => ({ name, model, parts: partCount(model), runs })

const subjects: Subject[] = [
  subject('ferry house', demo('ferry-house'), 9),
  subject('granary', demo('granary'), 5),
  subject('town, one section', checkModel(town(1700)), 5),
  subject('large town, one section', checkModel(town(20_000)), 3),
]

const stages: Stage[] = []
const note = (stage: string, where: Subject, time: number): void => {
  let known = stages.find((candidate) => candidate.name === stage)
  if (!known) stages.push((known = { name: stage, times: new Map() }))
  known.times.set(where.name, time)
  process.stderr.write(`${where.name}: ${stage} ${time.toFixed(1)} ms\n`)
}

for (const where of subjects) {
  const { model, runs } = where
  const scenes = (): ReturnType<typeof buildScene>[] => {
    const flattener = new Flattener(model)
    return model.sections.map((section) => buildScene(sectionNodes(model, flattener, section.id)))
  }
  const built = scenes()
  note('flatten and scene', where, medianTime(runs, scenes))
  note(
    'joints',
    where,
    medianTime(runs, () => built.forEach(findJoints)),
  )
  const jointed = built.map((scene) => ({ scene, joints: findJoints(scene) }))
  note(
    'columns',
    where,
    medianTime(runs, () => jointed.forEach(({ scene, joints }) => new SpaceLeft(scene, joints))),
  )
  note(
    'joints, motion and plan, all',
    where,
    medianTime(runs, () => planModel(model)),
  )
  const reported = reportModel(model)
  note(
    'with look, repair, checks and measures',
    where,
    medianTime(Math.min(runs, 3), () => reportModel(model)),
  )
  note(
    'checks alone',
    where,
    medianTime(runs, () => findFindings(model, reported.planned, reported.looks)),
  )
  if (where.parts < 5000) note('one step picture, 800 × 600, mean over the whole rail', where, picturesOf(model, reported))
}

/** Every step of every section, painted in order; the mean of one. */
function picturesOf(model: ModelDocument, { report, looks }: ReturnType<typeof reportModel>): number {
  let pictures = 0
  const start = performance.now()
  report.sections.forEach((section, i) => {
    const drawn = drawnSection(model, new Flattener(model), report.sections, section.id)
    const painter = new RailPainter(drawn, catalogueOf(model), { width: 800, height: 600 })
    section.steps.forEach((_, step) => {
      painter.paint(step, looks[i]![step]!.view)
      pictures++
    })
  })
  return (performance.now() - start) / pictures
}

const [small, large] = [subjects[2]!, subjects[3]!]
const rows = stages.map(({ name, times }) => {
  const cells = subjects.map((where) => times.get(where.name)?.toFixed(1) ?? '–')
  const costs = [small, large].map((where) => times.get(where.name))
  const [a, b] = costs
  const exponent = a && b ? growth({ size: small.parts, cost: a }, { size: large.parts, cost: b }).toFixed(2) : '–'
  return [name, ...cells, exponent]
})
const head = ['ms, median, warm', ...subjects.map(({ name, parts }) => `${name} (${parts})`), 'growth']
const text = table(head, rows)
process.stdout.write(`${text}\n`)

if (process.argv.includes('--write')) {
  const path = 'docs/bench.md'
  const page = readFileSync(path, 'utf8')
  const marked = /<!-- bench -->[\s\S]*<!-- end -->/
  writeFileSync(
    path,
    page.replace(marked, () => `<!-- bench -->\n\n${text}\n\n<!-- end -->`),
  )
}
