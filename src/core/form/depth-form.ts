import { mapVec, type Axis, type Matrix, type Vec } from '../space'
import { extentOf, type FormExtent, type Triangles } from './triangles'

/**
 * What a form is from its six sides: for each axis a grid of cells across it, and in each cell where the form begins and ends
 * along the axis, u from its middle. It says the same of a mesh however it is cut into triangles, closed below or not.
 */
export interface DepthForm {
  readonly extent: FormExtent
  readonly maps: readonly [DepthMap, DepthMap, DepthMap]
}

export interface DepthMap {
  readonly columns: number
  readonly rows: number
  /** NaN where there is nothing. */
  readonly low: Float32Array
  readonly high: Float32Array
}

/** Cells are this wide, u; those of large forms twice as much, since they take many. */
const CELL = 1
const LARGE = 170

/**
 * Cells are looked at a little beside their middle, where edges of pieces do not fall: rounding must not decide what is there.
 * On which side says the sign of each axis, so that a form that is turned back is looked at in the same places.
 */
const ASIDE = 0.017

/** The axes across an axis. */
const ACROSS: readonly (readonly [Axis, Axis])[] = [
  [1, 2],
  [0, 2],
  [0, 1],
]

/** How many cells a grid over an extent has along each axis, and how wide they are, u. Sizes of the same cells share a grid. */
export interface DepthGrid {
  readonly cells: Vec
  readonly cell: number
}

export function gridOver(size: Vec): DepthGrid {
  const cell = Math.max(...size) > LARGE ? CELL * 2 : CELL
  return { cells: mapVec(size, (side) => Math.max(1, Math.round(side / cell))), cell }
}

const USUAL_SIDES: Vec = [1, 1, 1]

/**
 * @param grid forms that are compared are laid on the same one, about their middles
 * @param sides of each axis on which side of the middle of a cell it is looked at: 1 or −1
 */
export function depthForm(triangles: Triangles, grid?: DepthGrid, sides = USUAL_SIDES): DepthForm {
  const extent = extentOf(triangles)
  const over = grid ?? gridOver(extent.size)
  const maps = ([0, 1, 2] as const).map((axis) => depthMap(triangles, axis, over, { middle: extent.middle, sides })) as [
    DepthMap,
    DepthMap,
    DepthMap,
  ]
  return { extent, maps }
}

function depthMap(triangles: Triangles, axis: Axis, { cells, cell }: DepthGrid, { middle, sides }: { middle: Vec; sides: Vec }): DepthMap {
  const [a, b] = ACROSS[axis]!
  const [columns, rows] = [cells[a], cells[b]]
  const map = { columns, rows, low: new Float32Array(columns * rows).fill(NaN), high: new Float32Array(columns * rows).fill(NaN) }
  // Places in cells, so that the middle of a cell is a whole number and the middle of the form is the middle of the grid.
  const [shiftA, shiftB] = [columns / 2 - 0.5 - middle[a] / cell - ASIDE * sides[a], rows / 2 - 0.5 - middle[b] / cell - ASIDE * sides[b]]
  const corners = new Float64Array(9)
  for (let i = 0; i < triangles.length; i += 9) {
    for (let k = 0; k < 9; k += 3) {
      corners[k] = triangles[i + k + a]! / cell + shiftA
      corners[k + 1] = triangles[i + k + b]! / cell + shiftB
      corners[k + 2] = triangles[i + k + axis]! - middle[axis]
    }
    fillTriangle(map, corners)
  }
  return map
}

/** Notes the depth of a triangle in every cell whose middle it covers; corners are column, row (in cells) and depth (u). */
function fillTriangle({ columns, rows, low, high }: DepthMap, corners: Float64Array): void {
  const [au, av, aw, bu, bv, bw, cu, cv, cw] = corners as unknown as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ]
  const area = (bu - au) * (cv - av) - (cu - au) * (bv - av)
  if (Math.abs(area) < 1e-9) return
  const lastRow = Math.min(rows - 1, Math.floor(Math.max(av, bv, cv)))
  const firstColumn = Math.max(0, Math.ceil(Math.min(au, bu, cu)))
  const lastColumn = Math.min(columns - 1, Math.floor(Math.max(au, bu, cu)))
  for (let y = Math.max(0, Math.ceil(Math.min(av, bv, cv))); y <= lastRow; y++) {
    for (let x = firstColumn; x <= lastColumn; x++) {
      const ofB = ((cu - x) * (av - y) - (au - x) * (cv - y)) / area
      const ofC = ((au - x) * (bv - y) - (bu - x) * (av - y)) / area
      const ofA = 1 - ofB - ofC
      if (ofA < -1e-9 || ofB < -1e-9 || ofC < -1e-9) continue
      const depth = ofA * aw + ofB * bw + ofC * cw
      const at = y * columns + x
      if (!(low[at]! <= depth)) low[at] = depth
      if (!(high[at]! >= depth)) high[at] = depth
    }
  }
}

/**
 * A form as it is turned back by a lattice turn: the same maps, laid over and flipped.
 * @param matrix of the turn that is undone
 */
export function turnedBack({ extent, maps }: DepthForm, matrix: Matrix): DepthForm {
  // Where each axis of the turned form lies in the form as it is, and which way it runs.
  const from = ([0, 1, 2] as const).map((axis) => {
    const column = [matrix[axis], matrix[(axis + 3) as 3], matrix[(axis + 6) as 6]]
    const along = column.findIndex((value) => value !== 0) as Axis
    return { along, isFlipped: column[along]! < 0 }
  })
  const turned = ([0, 1, 2] as const).map((axis) => {
    const [a, b] = ACROSS[axis]!
    return turnedMap(maps[from[axis]!.along], { of: from[axis]!, columns: from[a]!, rows: from[b]! })
  }) as [DepthMap, DepthMap, DepthMap]
  const size = mapVec(extent.size, (_, axis) => extent.size[from[axis]!.along])
  return { extent: { ...extent, size }, maps: turned }
}

interface AxisFrom {
  readonly along: Axis
  readonly isFlipped: boolean
}

function turnedMap(map: DepthMap, { of, columns, rows }: { of: AxisFrom; columns: AxisFrom; rows: AxisFrom }): DepthMap {
  const isSwapped = columns.along > rows.along
  const [width, height] = isSwapped ? [map.rows, map.columns] : [map.columns, map.rows]
  const low = new Float32Array(map.low.length)
  const high = new Float32Array(map.low.length)
  for (let y = 0; y < height; y++) {
    const v = rows.isFlipped ? height - 1 - y : y
    for (let x = 0; x < width; x++) {
      const u = columns.isFlipped ? width - 1 - x : x
      const source = isSwapped ? u * map.columns + v : v * map.columns + u
      low[y * width + x] = of.isFlipped ? -map.high[source]! : map.low[source]!
      high[y * width + x] = of.isFlipped ? -map.low[source]! : map.high[source]!
    }
  }
  return { columns: width, rows: height, low, high }
}
