import { BASE_CATALOGUE } from '../catalogue'
import { Fault } from '../fault'
import type { Said } from '../language'
import { checkModel, LIMITS, type Copy, type GivenStep, type ModelDocument, type Part, type Section } from '../model'
import { readLog, type LoggedSection, type ReadLog, type ToldPiece } from '../names'
import { fileText } from '../words'
import type { Format, ReadFile, ReadOptions } from './format'
import { remarkOf, type Remark } from './remark'

export const wordsLog = {
  id: 'words-log',
  title: 'log in words',
  short: 'log',
  extensions: ['.txt'],
  mediaType: 'text/plain',
  about: 'What was said while a model was taken apart or put together: sections, acts and pieces in plain words.',
  read: (bytes, name, options) => readWordsLog(fileText(bytes), name, options),
} satisfies Format

/**
 * A log in somebody's own words as a document of loose parts: a section where the text opens one, a step for each act.
 * @throws Fault `no-pieces` where nothing in it is a piece
 */
export function readWordsLog(text: string, name: string, { isReversed = false }: ReadOptions): ReadFile {
  const log = readLog(text, BASE_CATALOGUE)
  if (!log.sections.some(({ told, acts }) => told.length > 0 || acts.some(({ pieces }) => pieces.length > 0)))
    throw new Fault('no-pieces', 'Nothing in this text was understood as a piece.', {
      wayOut: 'Say how many and what: “two 1x2 plates in slate”.',
    })
  const built = log.sections.map((section, i) => buildSection(section, i, isReversed))
  const model = checkModel(documentOf(built, name))
  const trays = log.sections.flatMap((section, i) => (section.told.length > 0 ? [trayOf(section, built[i]!.section.id)] : []))
  const report = {
    steps: log.sections.reduce((sum, { acts }) => sum + acts.length, 0),
    pieces: built.reduce((sum, { pieces }) => sum + pieces, 0),
    unclear: log.unclear.map(({ line, words, nearest }) => ({ line, words, nearest })),
    trays,
    colourNotTold: log.colourless,
    read: log.sections.flatMap(readLines),
  }
  return { model, report, remarks: remarksOf(log, trays) }
}

/** What was said, line after line, beside the pieces it was read as. */
const readLines = ({ name, line, told, acts }: LoggedSection): ReadLine[] => [
  ...(told.length > 0 ? [{ line, section: name, text: 'needed', pieces: told }] : []),
  ...acts.map((act) => ({ section: name, ...act })),
]

/** One thing that was said, and the pieces it was read as. */
export interface ReadLine {
  readonly line: number
  readonly section: string
  readonly text: string
  readonly pieces: readonly ToldPiece[]
}

/** A section of a log, and how often it is built. */
interface BuiltFromLog {
  readonly section: Section
  readonly logged: LoggedSection
  readonly pieces: number
}

function buildSection(logged: LoggedSection, index: number, isReversed: boolean): BuiltFromLog {
  const parts: Part[] = []
  const numbers = new Map<string, number>()
  const add = ({ shape, colour, count }: ToldPiece): string => {
    const number = (numbers.get(shape) ?? 0) + 1
    numbers.set(shape, number)
    const id = number === 1 ? shape : `${shape}-${number}`
    parts.push({ id, shape, colour, ...(count === 1 ? {} : { count }) })
    return id
  }
  const steps = logged.acts.map(({ text, pieces }): GivenStep => {
    const added = pieces.map(add)
    return { ...(added.length > 0 ? { add: added } : {}), note: text.slice(0, LIMITS.notesLength) }
  })
  // Where nothing that is done names a piece, what is needed is the section.
  if (parts.length === 0) logged.told.forEach(add)
  if (isReversed) steps.reverse()
  const name = logged.name === '' ? 'Beginning' : sentenceCase(logged.name).slice(0, LIMITS.nameLength)
  const isStepped = steps.some((step) => (step.add ?? []).length > 0)
  const section = { id: idOf(logged.name, index), name, parts, ...(isStepped ? { steps } : {}) }
  return { section, logged, pieces: parts.reduce((sum, { count = 1 }) => sum + count, 0) }
}

const sentenceCase = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
const idOf = (name: string, index: number): string =>
  `${
    name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60) || 'section'
  }${index === 0 ? '' : `-${index + 1}`}`

/** Where the whole text is of one thing, that is the model; else a root joins the sections as they were told. */
function documentOf(built: readonly BuiltFromLog[], name: string): ModelDocument {
  const base = { format: 'jump-rail-model', version: 1, name: name || 'Log' } as const
  const [first] = built
  if (built.length === 1 && first!.logged.times === 1 && first!.logged.mirrored === 0)
    return { ...base, root: first!.section.id, sections: [first!.section] }
  const copies = built.map(copiesOf)
  const ids = new Set(built.map(({ section }) => section.id))
  let root = 'whole'
  while (ids.has(root)) root = `${root}-model`
  const steps = copies.map((each): GivenStep => ({ join: each.map(({ id }) => id) }))
  const whole: Section = { id: root, name: base.name, copies: copies.flat(), steps }
  return { ...base, root, sections: [whole, ...built.map(({ section }) => section)] }
}

/** Loose sections have no place: their copies stand at the origin. */
function copiesOf({ section, logged: { times, mirrored } }: BuiltFromLog): Copy[] {
  const one = (number: number, flip: 'plain' | 'mirrored'): Copy => ({
    id: `${section.id}-copy-${number}`,
    section: section.id,
    at: [0, 0, 0],
    ...(flip === 'mirrored' ? { mirror: 'x' as const } : {}),
  })
  return [
    ...Array.from({ length: times }, (_, i) => one(i + 1, 'plain')),
    ...Array.from({ length: mirrored }, (_, i) => one(times + i + 1, 'mirrored')),
  ]
}

interface TrayTold {
  readonly section: string
  readonly told: number
  readonly used: number
}

const countOf = (pieces: readonly ToldPiece[]): number => pieces.reduce((sum, { count }) => sum + count, 0)

function trayOf({ told, acts }: LoggedSection, section: string): TrayTold {
  const used = countOf(acts.flatMap(({ pieces }) => pieces))
  const all = countOf(told)
  // A section of which only the list was told uses its list.
  return { section, told: all, used: used === 0 ? all : used }
}

function remarksOf(log: ReadLog, trays: readonly TrayTold[]): Remark[] {
  const atLine = (line: number): Said => ({ key: 'read.line', about: { line: String(line) } })
  const unclear = log.unclear.map(({ line, words, nearest }) =>
    remarkOf({
      place: atLine(line),
      said: words,
      made: nearest.length > 0 ? { key: 'read.couldBe', about: { nearest: { list: nearest, by: ', ' } } } : { key: 'read.notUnderstood' },
      needsPerson: true,
    }),
  )
  const colourless = log.colourless.map(({ line, shape }) =>
    remarkOf({ place: atLine(line), said: shape, made: { key: 'read.noColourTold' }, needsPerson: false }),
  )
  const differing = trays
    .filter(({ told, used }) => told !== used)
    .map(({ section, told, used }) =>
      remarkOf({
        place: { key: 'read.section', about: { section } },
        said: '',
        made: { key: 'read.listDiffers', about: { told: { key: 'desk.pieces', n: told }, used: String(used) } },
        needsPerson: true,
      }),
    )
  return [...unclear, ...differing, ...colourless]
}
