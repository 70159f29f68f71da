import { execFileSync } from 'node:child_process'
import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import { HOSTILE } from './hostile'
import { MARKETS, measureMarket } from './markets'
import { growth, table } from './measure'
import { SUBJECTS } from './subjects'
import type { Answer, Task } from './worker'

/**
 * `npm run bench`: milliseconds of each stage, warm, each subject in a fresh worker; `npm run bench -- --write` puts them into
 * docs/bench.md. `vite.bench.config.ts` bundles it first, so that what is measured is what ships.
 */

function inWorker(task: Task, hear: (answer: Answer) => void): Promise<void> {
  return new Promise((done, fail) => {
    const worker = new Worker(new URL('./worker.js', import.meta.url), { workerData: task })
    worker.on('message', hear)
    worker.on('error', fail)
    worker.on('exit', () => done())
  })
}

const stages = new Map<string, Map<string, number>>()

function note(stage: string, name: string, value: number): void {
  const known = stages.get(stage) ?? new Map<string, number>()
  known.set(name, value)
  stages.set(stage, known)
  process.stderr.write(`${name}: ${stage} ${value.toFixed(1)}\n`)
}

for (const { name, make } of SUBJECTS) {
  const text = JSON.stringify(make())
  for (const task of [
    { subject: name, text },
    { edits: name, text },
  ]) {
    await inWorker(task, (answer) => {
      if ('stage' in answer) note(answer.stage, name, answer.value)
    })
  }
  const file = join(tmpdir(), `jump-rail-bench-${process.pid}.rail.json`)
  writeFileSync(file, text)
  const memory = execFileSync(process.execPath, [fileURLToPath(new URL('./memory.js', import.meta.url)), file])
  rmSync(file)
  note('most memory of a process that plans it, MB', name, Number(memory.toString()))
}

const parts = stages.get('parts')!
stages.delete('parts')
const rows = [...stages].map(([stage, values]) => {
  const cells = SUBJECTS.map(({ name }) => values.get(name)?.toFixed(1) ?? '–')
  const [a, b] = ['town', 'large town'].map((name) => ({ size: parts.get(name)!, cost: values.get(name) ?? NaN }))
  const rise = growth(a!, b!)
  return [stage, ...cells, Number.isFinite(rise) ? rise.toFixed(2) : '–']
})
const head = ['ms, median, warm, in a worker', ...SUBJECTS.map(({ name }) => `${name} (${parts.get(name)})`), 'growth']

const hostile: string[][] = []
for (const name of Object.keys(HOSTILE)) {
  await inWorker({ hostile: name }, (answer) => {
    if ('row' in answer) hostile.push([name, ...answer.row.map(String)])
  })
  process.stderr.write(`${hostile[hostile.length - 1]!.join(' ')}\n`)
}
const hostileTable = table(['hostile, one section', 'parts', 'ms, once', 'steps', 'units', 'errors'], hostile)

const markets: string[][] = []
for (const size of MARKETS) {
  const { seconds, gap } = await measureMarket(size)
  markets.push([size.kinds, size.suppliers, size.kits, seconds.toFixed(1), gap.toFixed(2)].map(String))
  process.stderr.write(`market: ${markets[markets.length - 1]!.join(' ')}\n`)
}
const marketTable = table(['kinds to buy', 'suppliers', 'kits', 's until proven, or stopped', 'not proven, %'], markets)

const text = `${table(head, rows)}\n\n${hostileTable}\n\n${marketTable}`
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
