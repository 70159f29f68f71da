import { Fault } from '../fault'
import { BRICK_HEIGHT, PLATE_HEIGHT, STUD_PITCH, MM_PER_U } from '../space'
import { listInWords } from '../words'
import type { TableGrid } from './grid'

/** A column that is known: where it stands, and in what unit. */
export interface KnownColumn {
  readonly index: number
  /** As the header writes it. */
  readonly title: string
  /** u a unit. */
  readonly unit: number
  /** Whether the header says the unit. */
  readonly hasUnit: boolean
}

/** Columns that a table may have, and by what names. */
export type ColumnNames<Name extends string> = Readonly<Record<Name, readonly string[]>>

export interface KnownColumns<Name extends string> {
  readonly known: { readonly [name in Name]?: KnownColumn }
  /** Those that nobody knows, as the header writes them. */
  readonly others: readonly string[]
}

/** u a unit, by the words for it. */
const UNITS: Readonly<Record<string, number>> = {
  u: 1,
  stud: STUD_PITCH,
  studs: STUD_PITCH,
  plate: PLATE_HEIGHT,
  plates: PLATE_HEIGHT,
  brick: BRICK_HEIGHT,
  bricks: BRICK_HEIGHT,
  mm: 1 / MM_PER_U,
  millimetre: 1 / MM_PER_U,
  millimetres: 1 / MM_PER_U,
  millimeter: 1 / MM_PER_U,
  millimeters: 1 / MM_PER_U,
  cm: 10 / MM_PER_U,
  centimetre: 10 / MM_PER_U,
  centimetres: 10 / MM_PER_U,
  centimeter: 10 / MM_PER_U,
  centimeters: 10 / MM_PER_U,
  m: 1000 / MM_PER_U,
}

/** Letters and digits of a title, in lower case: "Part_Colour" and "part colour" are one. */
const plainTitle = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[\s_-]+/g, ' ')
    .trim()

/**
 * The columns of a header: in any order and case, `_`, `-` and blanks alike, a unit in brackets or after a blank.
 * @throws Fault `csv-header` a column twice, or in a unit that is not known
 */
export function readColumns<Name extends string>(
  grid: TableGrid,
  names: ColumnNames<Name>,
  lengths: readonly NoInfer<Name>[],
): KnownColumns<Name> {
  const known: { [name in Name]?: KnownColumn } = {}
  const others: string[] = []
  const byTitle = new Map((Object.keys(names) as Name[]).flatMap((name) => names[name].map((title) => [title, name] as const)))
  // Other words for a column count only where its own name is not there: "shape, part" has a column that nobody knows.
  const first = (name: Name): string => names[name][0]!
  const titles = grid.header.cells.map(plainTitle)
  const ownNames = new Set(titles.map((title) => withUnit(title).name))
  grid.header.cells.forEach((title, index) => {
    const { name: word, unit } = withUnit(titles[index]!)
    const isLength = unit !== undefined && lengths.some((each) => byTitle.get(word) === each)
    const name = byTitle.get(isLength || unit === undefined ? word : titles[index]!)
    if (name === undefined || (word !== first(name) && ownNames.has(first(name)))) {
      if (title !== '' || grid.rows.some(({ cells }) => (cells[index] ?? '') !== ''))
        others.push(title === '' ? `column ${index + 1}` : title)
      return
    }
    if (known[name]) throw twice(title, known[name].title)
    known[name] = { index, title, unit: unit === undefined ? 1 : unitOf(unit, title), hasUnit: unit !== undefined }
  })
  return { known, others }
}

/** "x (studs)", "z mm", "y [cm]" → the name, and the word for the unit. */
function withUnit(title: string): { readonly name: string; readonly unit?: string } {
  const inBrackets = /^(.*?) ?[([{] ?(?:in )?([^)\]}]*?) ?[)\]}]$/.exec(title)
  if (inBrackets) return { name: inBrackets[1]!, unit: inBrackets[2]! }
  const after = /^(\S+) (?:in )?(\S+)$/.exec(title)
  return after && Object.hasOwn(UNITS, after[2]!) ? { name: after[1]!, unit: after[2]! } : { name: title }
}

function unitOf(word: string, title: string): number {
  if (Object.hasOwn(UNITS, word)) return UNITS[word]!
  throw new Fault('csv-header', `The column “${title}” is in a unit that is not known.`, {
    place: 'row 1',
    wayOut: `Known are ${listInWords(['u', 'studs', 'plates', 'bricks', 'mm', 'cm'])}.`,
  })
}

const twice = (one: string, other: string): Fault =>
  new Fault('csv-header', one === other ? `The column “${one}” stands twice.` : `The columns “${other}” and “${one}” say the same.`, {
    place: 'row 1',
    wayOut: 'Keep one of the two.',
  })
