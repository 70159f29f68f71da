import { colourDifference, type Catalogue } from '../catalogue'
import { documentOfVersion, type ModelDocument, type VersionChoice } from '../model'
import { needOf } from './need'
import { ANY_COLOUR } from './piece'

/** Colours nearer than this are taken for each other in a heap (CIEDE2000). */
export const ALIKE = 10

/** Two colours that are taken for each other. */
interface AlikeColours {
  readonly one: string
  readonly other: string
  /** CIEDE2000 */
  readonly difference: number
}

/** Pairs of colours that a version has in pieces of one shape and that are taken for each other, nearest first. */
function alikeColours(model: ModelDocument, choice: VersionChoice, { colours }: Catalogue): AlikeColours[] {
  const ofShape = new Map<string, Set<string>>()
  for (const { shape, colour } of needOf(documentOfVersion(model, choice))) {
    if (colour === ANY_COLOUR) continue
    const known = ofShape.get(shape)
    if (known) known.add(colour)
    else ofShape.set(shape, new Set([colour]))
  }
  const pairs = new Map<string, AlikeColours>()
  for (const set of ofShape.values()) {
    const ids = [...set].sort()
    ids.forEach((one, i) => {
      for (const other of ids.slice(i + 1)) {
        const key = `${one}\n${other}`
        const [a, b] = [colours.get(one), colours.get(other)]
        if (pairs.has(key) || !a || !b) continue
        const difference = colourDifference(a.hex, b.hex)
        if (difference < ALIKE) pairs.set(key, { one, other, difference: Number(difference.toFixed(1)) })
      }
    })
  }
  return [...pairs.values()].sort((a, b) => a.difference - b.difference)
}

/** Those of one version that another does not have: what a change of colours brings. */
export function newlyAlike(model: ModelDocument, from: VersionChoice, to: VersionChoice, catalogue: Catalogue): AlikeColours[] {
  const known = new Set(alikeColours(model, from, catalogue).map(({ one, other }) => `${one}\n${other}`))
  return alikeColours(model, to, catalogue).filter(({ one, other }) => !known.has(`${one}\n${other}`))
}
