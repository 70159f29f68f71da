import Papa from 'papaparse'
import { plainCell, plural, tableText } from '../words'
import { Fault } from '../fault'
import { checkModel, copiesOf, partsOf, pieceCount, isLoose, type ModelDocument, type Part } from '../model'
import type { Vec } from '../space'
import type { Format } from './format'

export const partsTable = {
  id: 'parts-table',
  title: 'table of parts',
  short: 'table',
  extensions: ['.csv'],
  mediaType: 'text/csv',
  about: 'One row a part: section, id, shape, colour, place and turn.',
  read: readCsv,
  write: writeCsv,
  losses: csvLosses,
} satisfies Format

const COLUMNS = ['section', 'id', 'shape', 'colour', 'x', 'y', 'z', 'turn'] as const
type Column = (typeof COLUMNS)[number] | 'count'

/** What a table of parts cannot hold; said to the person before it is lost. */
function csvLosses(model: ModelDocument): string[] {
  const losses: string[] = []
  const say = (count: number, one: string, many: string): void => {
    if (count > 0) losses.push(plural(count, one, many))
  }
  say(
    model.sections.reduce((sum, section) => sum + copiesOf(section).length, 0),
    'copy of a section',
    'copies of sections',
  )
  say(model.sections.filter((section) => section.steps).length, 'section’s given steps', 'sections’ given steps')
  say(model.shapes?.length ?? 0, 'own shape', 'own shapes')
  say(model.palette?.length ?? 0, 'own colour', 'own colours')
  const parts = model.sections.flatMap(partsOf)
  say(parts.filter((part) => part.length !== undefined).length, 'length of a cut piece', 'lengths of cut pieces')
  say(parts.filter((part) => (part.work ?? []).length > 0).length, 'part with work done to it', 'parts with work done to them')
  say(model.decals?.length ?? 0, 'decal', 'decals')
  say(model.figures?.length ?? 0, 'figure recipe', 'figure recipes')
  return losses
}

/** One row a part; loose parts leave x, y and z empty and have a count. */
function writeCsv(model: ModelDocument): string {
  const parts = model.sections.flatMap((section) => partsOf(section).map((part) => ({ section: section.id, part })))
  const hasLoose = parts.some(({ part }) => isLoose(part))
  const columns: Column[] = hasLoose ? [...COLUMNS, 'count'] : [...COLUMNS]
  const rows = parts.map(({ section, part }) => {
    const [x, y, z] = part.at ?? ['', '', '']
    const row = [section, part.id, part.shape, part.colour, x, y, z, part.turn ?? '']
    return hasLoose ? [...row, isLoose(part) ? pieceCount(part) : ''] : row
  })
  return tableText(columns, rows)
}

/**
 * A table of parts as a document; the first section named is the root, and each section is as the table gives it.
 * @throws Fault `csv-header`, `csv-row` with the line, or what `checkModel` throws
 */
function readCsv(text: string, name: string): ModelDocument {
  const parsed = Papa.parse<Record<Column, string>>(text.charCodeAt(0) === 0xfeff ? text.slice(1) : text, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim(),
  })
  const fields = parsed.meta.fields ?? []
  const missing = COLUMNS.filter((column) => !fields.includes(column))
  const unknown = fields.filter((field) => field !== 'count' && !(COLUMNS as readonly string[]).includes(field))
  if (missing.length > 0 || unknown.length > 0) {
    const wrong = missing.length > 0 ? `lacks ${missing.join(', ')}` : `has unknown columns: ${unknown.join(', ')}`
    throw new Fault('csv-header', `The table ${wrong}.`, { place: 'line 1', wayOut: `Its header must read ${COLUMNS.join(',')}.` })
  }
  const broken = parsed.errors[0]
  if (broken) throw new Fault('csv-row', `${broken.message}.`, { place: `line ${(broken.row ?? 0) + 2}` })
  const sections = new Map<string, Part[]>()
  parsed.data.forEach((row, i) => {
    const part = readRow(row, `line ${i + 2}`)
    const section = plainCell(row.section)
    const parts = sections.get(section)
    if (parts) parts.push(part)
    else sections.set(section, [part])
  })
  if (sections.size === 0) throw new Fault('csv-row', 'The table holds no part.', { place: 'line 2' })
  return checkModel({
    format: 'jump-rail-model',
    version: 1,
    name: name || 'Model',
    root: [...sections.keys()][0],
    sections: [...sections].map(([id, parts]) => ({ id, name: id, parts })),
  })
}

function readRow(row: Record<Column, string>, line: string): Part {
  const empty = [row.x, row.y, row.z].filter((value) => value.trim() === '').length
  if (empty !== 0 && empty !== 3) {
    throw new Fault('csv-row', 'A part has either x, y and z, or none of them.', { place: line })
  }
  const number = (value: string, column: string): number => {
    const parsed = Number(value)
    if (value.trim() === '' || !Number.isInteger(parsed)) {
      throw new Fault('csv-row', `“${value}” in column ${column} is not a whole number.`, { place: line })
    }
    return parsed
  }
  const turn = plainCell(row.turn)
  const count = (row as Partial<Record<Column, string>>).count?.trim() ?? ''
  const at: Vec | undefined = empty === 0 ? [number(row.x, 'x'), number(row.y, 'y'), number(row.z, 'z')] : undefined
  return {
    id: plainCell(row.id),
    shape: row.shape,
    colour: row.colour,
    ...(at ? { at } : {}),
    ...(turn === '' ? {} : { turn }),
    ...(count === '' ? {} : { count: number(count, 'count') }),
  }
}
