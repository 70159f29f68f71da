import { plural, tableText } from '../../words'
import { copiesOf, partsOf, pieceCount, isLoose, type ModelDocument } from '../../model'
import type { Format } from '../format'
import { readPartsTable } from './read-parts'

export const partsTable = {
  id: 'parts-table',
  title: 'table of parts',
  short: 'table',
  extensions: ['.csv', '.tsv'],
  mediaType: 'text/csv',
  about: 'One row a part: section, id, shape, colour, place and turn; read with columns in any order, in ids or words.',
  read: readPartsTable,
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
  say(model.options?.length ?? 0, 'option', 'options')
  say(model.variants?.length ?? 0, 'version', 'versions')
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
