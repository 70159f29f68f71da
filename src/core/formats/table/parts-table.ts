import type { AdviceKey, Said } from '../../language'
import { tableText } from '../../words'
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
function csvLosses(model: ModelDocument): Said[] {
  const parts = model.sections.flatMap(partsOf)
  const counts: readonly (readonly [AdviceKey, number])[] = [
    ['loss.copies', model.sections.reduce((sum, section) => sum + copiesOf(section).length, 0)],
    ['loss.steps', model.sections.filter((section) => section.steps).length],
    ['loss.shapes', model.shapes?.length ?? 0],
    ['loss.colours', model.palette?.length ?? 0],
    ['loss.lengths', parts.filter((part) => part.length !== undefined).length],
    ['loss.work', parts.filter((part) => (part.work ?? []).length > 0).length],
    ['loss.decals', model.decals?.length ?? 0],
    ['loss.figures', model.figures?.length ?? 0],
    ['loss.options', model.options?.length ?? 0],
    ['loss.versions', model.variants?.length ?? 0],
  ]
  return counts.flatMap(([key, n]) => (n > 0 ? [{ key, n }] : []))
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
