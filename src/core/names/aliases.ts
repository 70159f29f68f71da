import Papa from 'papaparse'
import { plainCell, tableText } from '../words'
import { nearestIds, type Catalogue } from '../catalogue'
import { Fault } from '../fault'

/** What the designer calls a shape or a colour: a name, a number, or both. */
export interface Alias {
  readonly kind: 'shape' | 'colour'
  readonly id: string
  readonly name: string
  readonly number: string
}

const HEADER = ['kind', 'id', 'name', 'number'] as const

/** Letters of a name or number. */
const MOST_LETTERS = 200
/** There are some 450 shapes and colours, and own ones. */
const MOST_ALIASES = 10_000

/** One row an alias: kind (shape or colour), id, name, number. */
export const writeAliases = (aliases: readonly Alias[]): string =>
  tableText(
    HEADER,
    aliases.map(({ kind, id, name, number }) => [kind, id, name, number]),
  )

/**
 * Reads what `writeAliases` writes. Refused whole where a row names nothing that exists.
 * @throws Fault `bad-header`, `unknown-shape`, `unknown-colour`, `bad-value`, `double-id`, `too-many`, `too-long`
 */
export function readAliases(text: string, catalogue: Catalogue): Alias[] {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy' })
  const missing = HEADER.filter((field) => !meta.fields?.includes(field))
  if (missing.length > 0) {
    throw new Fault('bad-header', `The first line lacks ${missing.join(', ')}.`, {
      place: 'line 1',
      wayOut: `It must be: ${HEADER.join(',')}.`,
    })
  }
  const seen = new Set<string>()
  if (data.length > MOST_ALIASES)
    throw new Fault('too-many', `The table has more than ${MOST_ALIASES} lines.`, {
      wayOut: 'Keep a line for each shape and colour at most.',
    })
  return data.map((row, i) => {
    const place = `line ${i + 2}`
    // A line may be shorter than the header.
    const cell = (field: (typeof HEADER)[number]): string => plainCell((row[field] ?? '').trim())
    const [kind, id] = [cell('kind'), cell('id')]
    if (kind !== 'shape' && kind !== 'colour') throw new Fault('bad-value', `“${kind}” is neither shape nor colour.`, { place })
    const known: ReadonlyMap<string, unknown> = kind === 'shape' ? catalogue.shapes : catalogue.colours
    if (!known.has(id)) {
      throw new Fault(`unknown-${kind}`, `There is no ${kind} “${id}”.`, {
        place,
        wayOut: `The nearest known: ${nearestIds(id, known.keys()).join(', ')}.`,
      })
    }
    if (seen.has(`${kind} ${id}`)) throw new Fault('double-id', `“${id}” stands twice.`, { place, wayOut: 'Keep one of the two lines.' })
    seen.add(`${kind} ${id}`)
    const [name, number] = [cell('name'), cell('number')]
    if (name.length > MOST_LETTERS || number.length > MOST_LETTERS)
      throw new Fault('too-long', `A name is at most ${MOST_LETTERS} letters long.`, { place })
    return { kind, id, name, number }
  })
}

/** "Little roof (12)" beside our own name; empty where the designer has none. */
export function aliasText(aliases: readonly Alias[], kind: Alias['kind'], id: string): string {
  const found = aliases.find((alias) => alias.kind === kind && alias.id === id)
  if (!found) return ''
  return found.name !== '' && found.number !== '' ? `${found.name} (${found.number})` : found.name + found.number
}
