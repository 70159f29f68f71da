import { BASE_CATALOGUE, type Catalogue, type Shape } from '../catalogue'
import type { Part, PlacedPart } from '../model'
import { isLatticePose, posedBox, STUD_PITCH, turnText, TURNS } from '../space'
import type { FillArea } from './area'
import type { CoverPiece, Seams } from './cover'
import type { Filled, FillPattern } from './patterns'

/** A piece to fill with: its shape and colour, and how many there are. */
export interface FillPiece {
  readonly shape: string
  readonly colour: string
  readonly most?: number
}

const isWhole = (value: number): boolean => value > 0 && value % STUD_PITCH === 0

/** Whether a shape is a plain block of whole studs, the same every way: one box, from edge to edge. */
function isPlainBlock({ box, bodies }: Shape): boolean {
  const [body] = bodies
  return (
    bodies.length === 1 &&
    body !== undefined &&
    body.open !== true &&
    body.max.every((value, axis) => value - body.min[axis]! === box[axis]) &&
    isWhole(box[0]) &&
    isWhole(box[1])
  )
}

/** The families that areas are filled with. */
export type FillFamily = 'plate' | 'tile' | 'brick'

/** All plain pieces of a family and of its usual height, the largest first. */
export function blocksOf(family: FillFamily, { shapes }: Catalogue = BASE_CATALOGUE): Shape[] {
  const name = new RegExp(`^${family}-\\d+x\\d+$`)
  const area = ({ box }: Shape): number => box[0] * box[1]
  return [...shapes.values()].filter((shape) => name.test(shape.id) && isPlainBlock(shape)).sort((a, b) => area(b) - area(a))
}

/** All of a family in one colour; a pattern is laid of the usual piece, with smaller ones at its edges. */
export function familyPieces(family: FillFamily, colour: string, pattern: FillPattern, catalogue: Catalogue = BASE_CATALOGUE): FillPiece[] {
  const all = blocksOf(family, catalogue).map(({ id }) => ({ shape: id, colour }))
  const usual = pattern === 'fewest' ? -1 : all.findIndex(({ shape }) => shape === `${family}-2x4`)
  return usual < 0 ? all : all.slice(usual)
}

/** The same pieces as cells. Those that are no plain block cover nothing and are left out by the caller. */
export const coverPiece = ({ shape, most }: FillPiece, { shapes }: Catalogue): CoverPiece | undefined => {
  const found = shapes.get(shape)
  if (!found || !isPlainBlock(found)) return undefined
  return { width: found.box[0] / STUD_PITCH, depth: found.box[1] / STUD_PITCH, ...(most === undefined ? {} : { most }) }
}

const QUARTER = turnText(TURNS.findIndex((m) => m[0] === 0 && m[1] === -1 && m[3] === 1 && m[8] === 1))

/**
 * A filled area as parts, in the lattice of the section.
 * @param colours of bands, by turns; left out: each piece has its own
 */
export function filledParts(area: FillArea, filled: Filled, pieces: readonly FillPiece[], colours: readonly string[] = []): Part[] {
  return filled.places.map(({ piece, column, row, isTurned }, i): Part => {
    const { shape, colour } = pieces[piece]!
    const band = colours[filled.bands[i]! % Math.max(1, colours.length)]
    return {
      id: `fill-${i + 1}`,
      shape,
      colour: band ?? colour,
      at: [area.at[0] + column * STUD_PITCH, area.at[1] + row * STUD_PITCH, area.at[2]],
      ...(isTurned ? { turn: QUARTER } : {}),
    }
  })
}

/** The cells of a row of so many whose middles lie between two places, u: from the first to the one behind the last. */
const cellsBetween = (from: number, to: number, most: number): [number, number] => {
  const cell = (place: number): number => Math.max(0, Math.min(most, Math.ceil(place / STUD_PITCH - 0.5)))
  return [cell(from), cell(to)]
}

/** Where the edges of what lies just below an area run between two of its cells. */
export function seamsBelow(area: FillArea, parts: readonly PlacedPart[]): Seams {
  const { columns, rows, at } = area
  const owner = new Int32Array(columns * rows).fill(-1)
  parts.forEach(({ shape, pose }, part) => {
    if (!isLatticePose(pose)) return
    for (const body of shape.bodies) {
      const { min, max } = posedBox(pose, body)
      if (max[2] !== at[2]) continue
      const [left, right] = cellsBetween(min[0] - at[0], max[0] - at[0], columns)
      const [front, back] = cellsBetween(min[1] - at[1], max[1] - at[1], rows)
      for (let row = front; row < back; row++) owner.fill(part, row * columns + left, row * columns + Math.max(left, right))
    }
  })
  const differs = (a: number, b: number): 0 | 1 => (owner[a]! >= 0 && owner[b]! >= 0 && owner[a] !== owner[b] ? 1 : 0)
  const right = Uint8Array.from(owner, (_, cell) => (cell % columns < columns - 1 ? differs(cell, cell + 1) : 0))
  const behind = Uint8Array.from(owner, (_, cell) => (cell + columns < owner.length ? differs(cell, cell + columns) : 0))
  return { right, behind }
}
