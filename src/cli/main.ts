import { readFile, writeFile } from 'node:fs/promises'
import { basename, extname } from 'node:path'
import { parseArgs } from 'node:util'
import { BASE_CATALOGUE, socketCount, studCount } from '@core/catalogue'
import { hasErrors } from '@core/checks'
import { reportModel, type Report, type ReportOptions } from '@core/pipeline'
import { Fault, faultLine, plainFault } from '@core/fault'
import { csvLosses, fileText, readCsv, writeCsv, writeModelText } from '@core/formats'
import { readModelText, type ModelDocument } from '@core/model'
import { DENSITIES, EFFORTS, SEED, STRATEGIES, type Density, type Effort, type PlanOptions } from '@core/plan'
import { replay } from '@core/replay'
import { writeBooklet } from './booklet'
import { writePicture } from './picture'

const DONE = 0
const NOT_BUILDABLE = 1
const REFUSED = 2
/** The program itself has failed. */
const FAILED = 3

const USAGE = `Usage: npm run -s cli -- COMMAND FILE [options]
  plan FILE --json              the steps, counts, measures and findings
       [--strategy ground-up|core-out|sections-first] [--density easy|normal|dense] [--max-parts N] [--max-kinds N]
       [--effort quick|normal|patient] [--seed N] [--for-travel] [--verify]
  check FILE --json             the findings alone
  picture FILE --section S --step N -o OUT.png [--width W]
  booklet FILE -o OUT.pdf|OUT.html [--paper a4|letter]
  convert IN OUT                between .rail.json and .csv
  shapes --json                 the catalogue`

/** Reads a model by its extension. @throws Fault when it is refused */
async function load(path: string | undefined): Promise<ModelDocument> {
  if (path === undefined) throw new Fault('usage', 'No file was named.', { wayOut: USAGE })
  const bytes = await readFile(path).catch((error: NodeJS.ErrnoException) => {
    throw new Fault('no-file', `The file cannot be read: ${error.code ?? error.message}.`, { place: path })
  })
  const text = fileText(bytes, path)
  return extname(path).toLowerCase() === '.csv' ? readCsv(text, basename(path, extname(path))) : readModelText(text)
}

const print = (value: unknown): void => {
  process.stdout.write(`${JSON.stringify(value, null, 1)}\n`)
}

/** Names in a file may hold what a terminal takes for orders: they are shown, not obeyed. */
// eslint-disable-next-line no-control-regex
const CONTROL = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u2028\u2029\u202a-\u202e\u2066-\u2069]/g
const shown = (sign: string): string => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`

const say = (line: string): void => {
  process.stderr.write(`${line.replace(CONTROL, shown)}\n`)
}

const OPTIONS = {
  json: { type: 'boolean' },
  strategy: { type: 'string' },
  density: { type: 'string' },
  verify: { type: 'boolean' },
  effort: { type: 'string' },
  seed: { type: 'string' },
  'for-travel': { type: 'boolean' },
  'max-parts': { type: 'string' },
  'max-kinds': { type: 'string' },
  section: { type: 'string' },
  step: { type: 'string' },
  output: { type: 'string', short: 'o' },
  width: { type: 'string' },
  paper: { type: 'string' },
} as const

type Values = { readonly [K in keyof typeof OPTIONS]?: string | boolean | undefined }

/** Strategy and limits as the options say. @throws Fault for what is not known */
function planOptions(values: Values): ReportOptions {
  const strategy = STRATEGIES.find((known) => known === (values.strategy ?? 'ground-up'))
  if (!strategy) {
    throw new Fault('unknown-strategy', `There is no strategy “${String(values.strategy)}”.`, {
      wayOut: `Known: ${STRATEGIES.join(', ')}.`,
    })
  }
  const density = String(values.density ?? 'normal')
  if (!isDensity(density)) {
    throw new Fault('unknown-density', `There is no density “${density}”.`, { wayOut: `Known: ${Object.keys(DENSITIES).join(', ')}.` })
  }
  const { parts, kinds, inAll } = DENSITIES[density]
  const mostParts = wholeNumber('max-parts', values['max-parts'], parts)
  const limits = { parts: mostParts, kinds: wholeNumber('max-kinds', values['max-kinds'], kinds), inAll: Math.max(inAll, mostParts) }
  const effort = String(values.effort ?? 'normal')
  if (!isEffort(effort)) {
    throw new Fault('unknown-effort', `There is no effort “${effort}”.`, { wayOut: `Known: ${Object.keys(EFFORTS).join(', ')}.` })
  }
  const level = values['for-travel'] === true ? 'travel' : 'home'
  return { strategy, limits, level, effort: EFFORTS[effort], seed: wholeNumber('seed', values.seed, SEED) }
}

const isDensity = (text: string): text is Density => Object.hasOwn(DENSITIES, text)

const isEffort = (text: string): text is Effort => Object.hasOwn(EFFORTS, text)

function wholeNumber(name: string, value: string | boolean | undefined, otherwise: number): number {
  if (value === undefined) return otherwise
  const number = Number(value)
  if (!Number.isInteger(number) || number < 1 || number > 100) {
    throw new Fault('bad-number', `--${name} must be a whole number from 1 to 100.`)
  }
  return number
}

async function plan(model: ModelDocument, values: Values, onlyFindings: boolean): Promise<number> {
  const options = planOptions(values)
  const { report } = reportModel(model, options)
  print(onlyFindings ? report.findings : report)
  for (const found of report.findings)
    say(`${found.severity}: ${found.code}: ${found.section}${found.step === null ? '' : ` step ${found.step}`}: ${found.message}`)
  const isProven = values.verify !== true || verify(model, report, options.limits)
  return hasErrors(report.findings) || !isProven ? NOT_BUILDABLE : DONE
}

/** Replays the printed plan by a second implementation and says what it finds. @returns whether it found nothing */
function verify(model: ModelDocument, report: Report, limits: PlanOptions['limits']): boolean {
  const breaches = replay(model, JSON.parse(JSON.stringify(report)) as Report, limits)
  for (const breach of breaches) say(`replay: ${breach}`)
  if (breaches.length === 0) say('replay: every step can be built as it is printed')
  return breaches.length === 0
}

async function convert(input: string | undefined, output: string | undefined): Promise<number> {
  const model = await load(input)
  if (output === undefined) throw new Fault('usage', 'No file to write was named.', { wayOut: USAGE })
  if (output.endsWith('.csv')) {
    const losses = csvLosses(model)
    if (losses.length > 0) say(`note: a table cannot hold ${losses.join(', ')}`)
    await writeFile(output, writeCsv(model))
  } else if (output.endsWith('.rail.json') || output.endsWith('.json')) await writeFile(output, writeModelText(model))
  else throw new Fault('unknown-format', 'The format to write is not known.', { place: output, wayOut: 'Known: .rail.json, .csv.' })
  return DONE
}

function shapes(): number {
  print(
    [...BASE_CATALOGUE.shapes.values()].map((shape) => ({
      id: shape.id,
      family: shape.family,
      box: shape.box,
      studs: studCount(shape),
      sockets: socketCount(shape),
      mirror: shape.mirror.twin,
    })),
  )
  return DONE
}

async function run(): Promise<number> {
  const { values, positionals } = parseArgs({ options: OPTIONS, allowPositionals: true })
  const [command, file, second] = positionals
  switch (command) {
    case 'plan':
    case 'check':
      return plan(await load(file), values, command === 'check')
    case 'picture':
      return writePicture(await load(file), values).then(() => DONE)
    case 'booklet':
      return writeBooklet(await load(file), values).then((isBuildable) => (isBuildable ? DONE : NOT_BUILDABLE))
    case 'convert':
      return convert(file, second)
    case 'shapes':
      return shapes()
    default:
      throw new Fault('usage', command === undefined ? 'No command was given.' : `There is no command “${command}”.`, {
        wayOut: `\n${USAGE}`,
      })
  }
}

/** An option that is not known is told by the parser of the command line. */
const isUsage = (thrown: unknown): boolean => {
  const { code, syscall } = (thrown ?? {}) as { code?: unknown; syscall?: unknown }
  // A file that cannot be written is told by the system.
  return String(code).startsWith('ERR_PARSE_ARGS') || typeof syscall === 'string'
}

try {
  process.exitCode = await run()
} catch (thrown) {
  // What is no fault of the input is the program's own, and said so.
  const isRefusal = thrown instanceof Fault || isUsage(thrown)
  say(isRefusal ? `refused: ${faultLine(plainFault(thrown))}` : `failed: an error of the program itself: ${faultLine(plainFault(thrown))}`)
  process.exitCode = isRefusal ? REFUSED : FAILED
}
