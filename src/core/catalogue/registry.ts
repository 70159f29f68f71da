import { distance } from 'fastest-levenshtein'
import { COLOURS } from './colours'
import { axleShapes } from './families/axles'
import { barShapes } from './families/bars'
import { carriedShapes } from './families/carried'
import { detailShapes } from './families/details'
import { figureShapes } from './families/figures'
import { furnitureShapes } from './families/furniture'
import { headwearShapes } from './families/headwear'
import { ballShapes, hingeShapes } from './families/hinges'
import { lengthShapes } from './families/lengths'
import { openingShapes } from './families/openings'
import { plantShapes } from './families/plants'
import { rectangularShapes } from './families/plates'
import { roundShapes } from './families/rounds'
import { sidewaysShapes } from './families/sideways'
import { slopedShapes } from './families/slopes'
import { toolShapes } from './families/tools'
import { ownShape, type OwnShape } from './own'
import type { Colour, Shape } from './types'

/** A later family joins by one more line here. */
const FAMILIES: readonly (() => readonly Shape[])[] = [
  rectangularShapes,
  roundShapes,
  slopedShapes,
  sidewaysShapes,
  openingShapes,
  barShapes,
  hingeShapes,
  ballShapes,
  axleShapes,
  plantShapes,
  detailShapes,
  furnitureShapes,
  figureShapes,
  headwearShapes,
  toolShapes,
  carriedShapes,
  lengthShapes,
]

/** What a model may use: our shapes and colours, and its own. */
export interface Catalogue {
  readonly shapes: ReadonlyMap<string, Shape>
  readonly colours: ReadonlyMap<string, Colour>
}

export const BASE_CATALOGUE: Catalogue = {
  shapes: new Map(FAMILIES.flatMap((family) => family()).map((shape) => [shape.id, shape])),
  colours: new Map(COLOURS.map((colour) => [colour.id, colour])),
}

/** The base catalogue with a model's own shapes and colours; an own entry stands before ours of the same id. */
export function extendCatalogue(ownShapes: readonly OwnShape[] = [], ownColours: readonly Colour[] = []): Catalogue {
  if (ownShapes.length === 0 && ownColours.length === 0) return BASE_CATALOGUE
  return {
    shapes: new Map([...BASE_CATALOGUE.shapes, ...ownShapes.map((own): [string, Shape] => [own.id, ownShape(own)])]),
    colours: new Map([...BASE_CATALOGUE.colours, ...ownColours.map((own): [string, Colour] => [own.id, own])]),
  }
}

/** More letters or candidates than this say nothing more, and cost. */
const MOST_LETTERS = 80
const MOST_CANDIDATES = 20_000

/** @returns up to `most` known ids that look most like `wanted`, nearest first. */
export function nearestIds(wanted: string, known: Iterable<string>, most = 3): string[] {
  const asked = wanted.slice(0, MOST_LETTERS)
  const candidates: string[] = []
  for (const id of known) if (candidates.push(id) >= MOST_CANDIDATES) break
  return candidates
    .map((id) => ({ id, far: distance(asked, id.slice(0, MOST_LETTERS)) }))
    .sort((a, b) => a.far - b.far || (a.id < b.id ? -1 : 1))
    .slice(0, most)
    .map((entry) => entry.id)
}

export const studCount = (shape: Shape): number => shape.connectors.filter((c) => c.kind === 'stud').length
export const socketCount = (shape: Shape): number => shape.connectors.filter((c) => c.kind === 'socket').length
