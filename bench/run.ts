import { readFileSync, writeFileSync } from 'node:fs'
import { findFindings, reportModel } from '../src/core/checks'
import { findJoints } from '../src/core/joints'
import { catalogueOf, checkModel, Flattener, readModelText, type ModelDocument } from '../src/core/model'
import { SpaceLeft } from '../src/core/motion'
import { drawnSection, RailPainter } from '../src/core/picture'
import { planModel } from '../src/core/plan'
import { buildScene, sectionNodes } from '../src/core/scene'
import { town } from './buildings'
import { timeEdits } from './edits'
import { HOSTILE } from './hostile'
import { growth, medianTime, table } from './measure'

/** `npm run bench`: milliseconds of each stage, warm, one process; `npm run bench -- --write` puts them into docs/bench.md. */

/** Steps of one section that are painted at most; a large section shows its mean long before. */
const MOST_PAINTED = 200

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
  note('one step picture, 800 × 600, mean over the rails', where, picturesOf(model, reported))
  const edits = timeEdits(model, model.root, where.parts < 5000 ? 60 : 12)
  note('one edit of the root rail with its findings, median', where, edits[edits.length >> 1]!)
  note('the same, 95th percentile', where, edits[Math.floor(edits.length * 0.95)]!)
  const [probes, entries] = countedWork(jointed)
  note('counted: hash probes', where, probes)
  note('counted: entries of columns', where, entries)
}

function countedWork(
  jointed: readonly { scene: ReturnType<typeof buildScene>; joints: ReturnType<typeof findJoints> }[],
): [number, number] {
  let probes = 0
  let entries = 0
  for (const { scene, joints } of jointed) {
    probes += joints.probes
    for (const columns of new SpaceLeft(scene, joints).columns) entries += columns.count
  }
  return [probes, entries]
}

/** The steps of every section, painted in order; the mean of one. */
function picturesOf(model: ModelDocument, { report, looks }: ReturnType<typeof reportModel>): number {
  let pictures = 0
  const start = performance.now()
  report.sections.forEach((section, i) => {
    const drawn = drawnSection(model, new Flattener(model), report.sections, section.id)
    const painter = new RailPainter(drawn, catalogueOf(model), { width: 800, height: 600 })
    section.steps.slice(0, MOST_PAINTED).forEach((_, step) => {
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
const hostile = Object.entries(HOSTILE).map(([name, make]) => {
  const model = checkModel(make(20_000))
  const start = performance.now()
  const { built, plan } = planModel(model)
  const time = performance.now() - start
  const own = built[built.length - 1]!
  process.stderr.write(`${name}: ${time.toFixed(0)} ms\n`)
  const problems = built.reduce((sum, section) => sum + section.blocks.length + section.holding.problems.length, 0)
  return [name, String(plan.parts), time.toFixed(0), String(own.steps.length), String(built.length - 1), String(problems)]
})
const hostileTable = table(['hostile, one section', 'parts', 'ms, once', 'steps', 'units', 'errors'], hostile)

const text = `${table(head, rows)}\n\n${hostileTable}`
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
