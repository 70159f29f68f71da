import { colourDifference, nearestIds, type Catalogue } from '../catalogue'
import type { Alias } from './aliases'
import { meantHex, takeColour } from './colour-words'
import { matchShapes } from './search'
import { readShapeWords } from './shape-words'

/** What was made of the words of one cell: an id, told where it is not the one that stands there; else the nearest. */
export interface CellRead {
  readonly id?: string
  /** It is named by other words than its id: to be told. */
  readonly isTold: boolean
  /** What the words could mean, where they mean nothing surely: ids, the nearest first. */
  readonly nearest: readonly string[]
}

const NEAREST = 3
const aliasOf = (kind: Alias['kind'], text: string, names: readonly Alias[]): Alias | undefined => {
  const said = text.toLowerCase()
  return names.find((alias) => alias.kind === kind && (alias.name.toLowerCase() === said || alias.number.toLowerCase() === said))
}

/** Reads a shape: its id, an own name, or words as in the quick line. */
export function readShapeCell(text: string, catalogue: Catalogue, names: readonly Alias[] = []): CellRead {
  const id = text.toLowerCase()
  if (catalogue.shapes.has(text)) return { id: text, isTold: false, nearest: [] }
  if (catalogue.shapes.has(id)) return { id, isTold: true, nearest: [] }
  const own = aliasOf('shape', text, names)
  if (own && catalogue.shapes.has(own.id)) return { id: own.id, isTold: true, nearest: [] }
  const { shape, strange, alike } = readShapeWords(text, catalogue)
  if (shape && strange.length === 0 && alike.length === 1) return { id: shape.id, isTold: true, nearest: [] }
  return { isTold: false, nearest: (alike.length > 1 ? alike.map((each) => each.id) : shapesNear(text, catalogue)).slice(0, NEAREST) }
}

/** By meaning: what is found when a word is left out; then by letters. */
function shapesNear(text: string, catalogue: Catalogue): string[] {
  const words = text.split(/\s+/)
  const found = words.flatMap((_, i) => matchShapes(catalogue, words.filter((__, k) => k !== i).join(' '), NEAREST))
  return [...new Set([...found.map(({ id }) => id), ...nearestIds(text.toLowerCase(), catalogue.shapes.keys())])]
}

/** Reads a colour: its id, an own name, "#rrggbb", or words by what they commonly mean. */
export function readColourCell(text: string, catalogue: Catalogue, names: readonly Alias[] = []): CellRead {
  const { colours } = catalogue
  const id = text.toLowerCase()
  if (colours.has(text)) return { id: text, isTold: false, nearest: [] }
  if (colours.has(id)) return { id, isTold: true, nearest: [] }
  const own = aliasOf('colour', text, names)
  if (own && colours.has(own.id)) return { id: own.id, isTold: true, nearest: [] }
  if (/^#[0-9a-f]{6}$/.test(id)) return { id: coloursNear(id, catalogue)[0]!, isTold: true, nearest: [] }
  const { colour, left } = takeColour(text, catalogue)
  if (colour && left === '') return { id: colour.id, isTold: true, nearest: [] }
  const hex = colour ? colours.get(colour.id)!.hex : meantHex(text, catalogue)
  const nearest = hex === undefined ? nearestIds(id, colours.keys()) : coloursNear(hex, catalogue)
  return { isTold: false, nearest: nearest.slice(0, NEAREST) }
}

/** Colours by how near they look to one ("#rrggbb"), the nearest first. */
const coloursNear = (hex: string, { colours }: Catalogue): string[] =>
  [...colours.values()]
    .map((colour) => ({ id: colour.id, apart: colourDifference(hex, colour.hex) + (colour.finish === 'solid' ? 0 : 20) }))
    .sort((a, b) => a.apart - b.apart)
    .map((each) => each.id)
