import type { PlacedPart } from '../model'
import { apply, DIRECTION_VECTORS, isLatticePose, posed, posedBox, STUD_PITCH, unite, type Box, type Vec } from '../space'

/** Cells of a stud each that are to be filled; row after row from the front, each from the left. */
export interface FillArea {
  readonly columns: number
  readonly rows: number
  /** 1 where a cell is to be filled. */
  readonly cells: Uint8Array
  /** Where the corner of the first cell is, u. */
  readonly at: Vec
}

export const cellCount = ({ cells }: FillArea): number => cells.reduce((sum, cell) => sum + cell, 0)

/** An area of cells given by their lowest corners, u, all at one height. @returns nothing where there is none */
export function areaOf(corners: readonly Vec[]): FillArea | undefined {
  if (corners.length === 0) return undefined
  const low = (axis: 0 | 1): number => corners.reduce((least, corner) => Math.min(least, corner[axis]), Infinity)
  const high = (axis: 0 | 1): number => corners.reduce((most, corner) => Math.max(most, corner[axis]), -Infinity)
  const [x, y] = [low(0), low(1)]
  const columns = Math.round((high(0) - x) / STUD_PITCH) + 1
  const rows = Math.round((high(1) - y) / STUD_PITCH) + 1
  const cells = new Uint8Array(columns * rows)
  for (const corner of corners) {
    const [column, row] = [(corner[0] - x) / STUD_PITCH, (corner[1] - y) / STUD_PITCH]
    // What does not lie in the grid of the first is of another area.
    if (Number.isInteger(column) && Number.isInteger(row)) cells[row * columns + column] = 1
  }
  return { columns, rows, cells, at: [x, y, corners[0]![2]] }
}

/** Whether there is room for something in a box, u. */
export type HasRoom = (box: Box) => boolean

const cellAt = ([x, y, z]: Vec, height: number): Box => ({ min: [x, y, z], max: [x + STUD_PITCH, y + STUD_PITCH, z + height] })

/**
 * The studs on top of parts that are free: at the height at which most of them stand.
 * @param height of what is to go there, u
 */
export function areaOnTop(parts: readonly PlacedPart[], height: number, hasRoom: HasRoom): FillArea | undefined {
  const levels = new Map<number, Vec[]>()
  for (const { shape, pose } of parts) {
    if (!isLatticePose(pose)) continue
    for (const { kind, at, facing } of shape.connectors) {
      if (kind !== 'stud' || apply(pose.matrix, DIRECTION_VECTORS[facing]!)[2] !== 1) continue
      const [x, y, z] = posed(pose, at)
      const corner: Vec = [x - STUD_PITCH / 2, y - STUD_PITCH / 2, z]
      if (!hasRoom(cellAt(corner, height))) continue
      const level = levels.get(z)
      if (level) level.push(corner)
      else levels.set(z, [corner])
    }
  }
  const most = [...levels.values()].sort((a, b) => b.length - a.length || b[0]![2] - a[0]![2])[0]
  return most && areaOf(most)
}

/**
 * What a closed outline of parts encloses, at the height of its lowest part: cells that cannot be reached from outside without
 * crossing one.
 */
export function areaInside(parts: readonly PlacedPart[], height: number, hasRoom: HasRoom): FillArea | undefined {
  const boxes = parts.flatMap(({ shape, pose }) => shape.bodies.map((body) => posedBox(pose, body)))
  if (boxes.length === 0) return undefined
  const whole = boxes.reduce(unite)
  const z = whole.min[2]
  const [left, front] = [whole.min[0], whole.min[1]].map((value) => Math.floor(value / STUD_PITCH) * STUD_PITCH) as [number, number]
  const columns = Math.ceil((whole.max[0] - left) / STUD_PITCH)
  const rows = Math.ceil((whole.max[1] - front) / STUD_PITCH)
  const corner = (cell: number): Vec => [left + (cell % columns) * STUD_PITCH, front + Math.floor(cell / columns) * STUD_PITCH, z]
  const isWall = new Uint8Array(columns * rows)
  for (const { min, max } of boxes) {
    if (min[2] >= z + height) continue
    for (let row = Math.floor((min[1] - front) / STUD_PITCH); row * STUD_PITCH + front < max[1]; row++) {
      for (let column = Math.floor((min[0] - left) / STUD_PITCH); column * STUD_PITCH + left < max[0]; column++)
        isWall[row * columns + column] = 1
    }
  }
  const outside = reachedFromOutside(isWall, columns, rows)
  const corners = Array.from(outside, (flag, cell) => (flag === 0 && isWall[cell] === 0 ? corner(cell) : undefined)).filter(
    (each): each is Vec => each !== undefined && hasRoom(cellAt(each, height)),
  )
  return areaOf(corners)
}

/** A flood from all cells at the edge that are no wall; corner to corner nothing gets through. */
function reachedFromOutside(isWall: Uint8Array, columns: number, rows: number): Uint8Array {
  const reached = new Uint8Array(isWall.length)
  const open: number[] = []
  const visit = (column: number, row: number): void => {
    const cell = row * columns + column
    if (column < 0 || row < 0 || column >= columns || row >= rows || isWall[cell] === 1 || reached[cell] === 1) return
    reached[cell] = 1
    open.push(cell)
  }
  for (let column = 0; column < columns; column++) [0, rows - 1].forEach((row) => visit(column, row))
  for (let row = 0; row < rows; row++) [0, columns - 1].forEach((column) => visit(column, row))
  while (open.length > 0) {
    const cell = open.pop()!
    const [column, row] = [cell % columns, Math.floor(cell / columns)]
    visit(column - 1, row)
    visit(column + 1, row)
    visit(column, row - 1)
    visit(column, row + 1)
  }
  return reached
}
