import { distance } from 'fastest-levenshtein'
import { colourDifference, colourSeen, type Catalogue, type Colour } from '../catalogue'
import { memo } from '../memo'

/** What people commonly mean by a word for a colour, as a mix of red, green and blue. */
const MEANT: Readonly<Record<string, string>> = {
  grey: '#8a8a8a',
  gray: '#8a8a8a',
  beige: '#dcc9a0',
  cream: '#f2e6c8',
  purple: '#7a3f8f',
  lilac: '#b79ad0',
  turquoise: '#2f9c9c',
  cyan: '#6fc7cc',
  magenta: '#c8407c',
  crimson: '#a31f34',
  maroon: '#6b2030',
  burgundy: '#6b2030',
  scarlet: '#cc2f28',
  gold: '#c39b3c',
  bronze: '#a9713f',
  khaki: '#9a9560',
  indigo: '#3a3f7d',
}
/** How a word before a colour changes it: towards white or black, by so much. */
const SHADES: Readonly<Record<string, { readonly towards: number; readonly by: number }>> = {
  light: { towards: 255, by: 0.4 },
  pale: { towards: 255, by: 0.5 },
  bright: { towards: 255, by: 0.12 },
  medium: { towards: 128, by: 0 },
  dark: { towards: 0, by: 0.4 },
  deep: { towards: 0, by: 0.35 },
}
const SEE_THROUGH = ['see-through', 'see through', 'transparent', 'clear']

/** A colour that words name, and how surely. */
export interface ColourRead {
  readonly id: string
  /** The words as they stand. */
  readonly words: string
  /** Whether it is named by its own id or name: what is only meant is told. */
  readonly isOwn: boolean
}

interface Named {
  /** What stands in a text that names it, in small letters: hundreds of patterns are not tried where this is not there. */
  readonly first: string
  readonly pattern: RegExp
  /** Looked for when it is named: most of what words can mean is never said. */
  readonly id: () => string
  readonly isOwn: boolean
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/ /g, String.raw`[\s-]+`)
const pattern = (words: string): RegExp => new RegExp(String.raw`(?<=^|\s)${escaped(words)}(?=\s|$)`, 'i')

/** What words name which colour, the longest first: "dark red" before "red". */
const namesOf = memo((colours: Catalogue['colours']): readonly Named[] => {
  const named = new Map<string, Pick<Named, 'id' | 'isOwn'>>()
  for (const { id, name } of colours.values())
    for (const words of [id, id.replace(/-/g, ' '), name.toLowerCase()]) named.set(words, { id: () => id, isOwn: true })
  const solid = [...colours.values()].filter(({ finish }) => finish === 'solid')
  const clear = [...colours.values()].filter(({ finish }) => finish === 'clear')
  const meant = (words: string, hex: string, among: readonly Colour[]): void => {
    if (!named.has(words) && among.length > 0) named.set(words, { id: () => nearestTo(hex, among), isOwn: false })
  }
  const bases = [...Object.entries(MEANT), ...solid.map(({ id, hex }) => [id, hex] as const)]
  for (const [word, hex] of bases) {
    meant(word, hex, solid)
    for (const [shade, { towards, by }] of Object.entries(SHADES)) meant(`${shade} ${word}`, mixed(hex, towards, by), solid)
    for (const before of SEE_THROUGH) meant(`${before} ${word}`, hex, clear)
  }
  for (const words of SEE_THROUGH) meant(words, '#e6eef0', clear)
  return [...named]
    .sort(([a], [b]) => b.length - a.length)
    .map(([words, named]) => ({ first: /^[^\s-]*/.exec(words)![0].toLowerCase(), pattern: pattern(words), ...named }))
})

const seenOf = memo(({ hex }: Colour) => colourSeen(hex)!)

function nearestTo(hex: string, among: readonly Colour[]): string {
  const wanted = colourSeen(hex)!
  const apart = among.map((colour) => colourDifference(wanted, seenOf(colour)))
  return among[apart.indexOf(Math.min(...apart))]!.id
}

function mixed(hex: string, towards: number, by: number): string {
  const parts = [1, 3, 5].map((at) => Math.round(Number.parseInt(hex.slice(at, at + 2), 16) * (1 - by) + towards * by))
  return `#${parts.map((part) => part.toString(16).padStart(2, '0')).join('')}`
}

/** The colour that stands in some words, and the words without it. Of several the longest is taken: "dark red" is not red. */
export function takeColour(text: string, { colours }: Pick<Catalogue, 'colours'>): { readonly colour?: ColourRead; readonly left: string } {
  const small = text.toLowerCase()
  for (const { first, pattern, id, isOwn } of namesOf(colours)) {
    const found = small.includes(first) ? pattern.exec(text) : null
    if (!found) continue
    const left = `${text.slice(0, found.index)} ${text.slice(found.index + found[0].length)}`.replace(/\s+/g, ' ').trim()
    return { colour: { id: id(), words: found[0], isOwn }, left }
  }
  return { left: text }
}

/** The mix that a word for a colour commonly stands for, though it is misspelt ("#rrggbb"); undefined for what is no such word. */
export function meantHex(text: string, { colours }: Pick<Catalogue, 'colours'>): string | undefined {
  const known = [...Object.entries(MEANT), ...[...colours.values()].map(({ id, hex }) => [id, hex] as const)]
  const words = text
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((word) => word.length > 2)
  const found = words
    .flatMap((word) => known.map(([name, hex]) => ({ hex, far: distance(word, name) / word.length })))
    .sort((a, b) => a.far - b.far)[0]
  return found && found.far < 0.4 ? found.hex : undefined
}
