import { directionFromText, directionOf, DIRECTION_TEXTS, DIRECTION_VECTORS } from './directions'
import { cross, multiply, transpose, type Matrix, type Vec } from './vectors'

/** One of the 24 lattice turns, by its place in `TURNS`; 0 is no turn. */
export type Turn = number

const columns = (x: Vec, y: Vec, z: Vec): Matrix => [x[0], y[0], z[0], x[1], y[1], z[1], x[2], y[2], z[2]]

/** The 24 turns as matrices: all ways to send +x and +y to two directions at right angles; no turn comes first. */
export const TURNS: readonly Matrix[] = DIRECTION_VECTORS.flatMap((x) =>
  DIRECTION_VECTORS.filter((y) => x.every((value, i) => value * y[i]! === 0)).map((y) => columns(x, y, cross(x, y))),
)

export const NO_TURN: Turn = 0

const TEXTS: readonly string[] = TURNS.map((m) => {
  const text = (v: Vec): string => DIRECTION_TEXTS[directionOf(v)!]!
  return text([m[0], m[3], m[6]]) + text([m[1], m[4], m[7]])
})
const BY_TEXT = new Map(TEXTS.map((text, turn) => [text, turn]))

/** @returns the turn written as the images of +x and +y, e.g. "+y-x"; undefined when the text is none of the 24. */
export const turnFromText = (text: string): Turn | undefined =>
  directionFromText(text.slice(0, 2)) === undefined ? undefined : BY_TEXT.get(text)

export const turnText = (turn: Turn): string => TEXTS[turn]!

const matrixKey = (m: Matrix): string => m.map((value) => value + 0).join()
const BY_MATRIX = new Map(TURNS.map((m, turn) => [matrixKey(m), turn]))

/** @returns the turn of a signed permutation matrix with determinant 1; undefined for any other matrix. */
export const turnOfMatrix = (m: Matrix): Turn | undefined => BY_MATRIX.get(matrixKey(m))

/** The turn that does `second` after `first`. */
export const composeTurns = (second: Turn, first: Turn): Turn => COMPOSED[second * TURNS.length + first]!

export const inverseTurn = (turn: Turn): Turn => INVERSE[turn]!

/** They are asked for so often that a table pays. */
const COMPOSED = Uint8Array.from(TURNS.flatMap((second) => TURNS.map((first) => turnOfMatrix(multiply(second, first))!)))
const INVERSE = Uint8Array.from(TURNS, (turn) => turnOfMatrix(transpose(turn))!)

export type MirrorAxis = 'x' | 'y' | 'z'

const MIRRORS: Readonly<Record<MirrorAxis, Matrix>> = {
  x: [-1, 0, 0, 0, 1, 0, 0, 0, 1],
  y: [1, 0, 0, 0, -1, 0, 0, 0, 1],
  z: [1, 0, 0, 0, 1, 0, 0, 0, -1],
}

export const mirrorMatrix = (axis: MirrorAxis): Matrix => MIRRORS[axis]

/** The matrix of turns about x, then y, then z, in degrees. Quarter turns come out exact. */
export function rotationMatrix(degrees: Vec): Matrix {
  const [x, y, z] = degrees.map((angle) => exactSinCos(angle)) as [SinCos, SinCos, SinCos]
  const aboutX: Matrix = [1, 0, 0, 0, x.cos, -x.sin, 0, x.sin, x.cos]
  const aboutY: Matrix = [y.cos, 0, y.sin, 0, 1, 0, -y.sin, 0, y.cos]
  const aboutZ: Matrix = [z.cos, -z.sin, 0, z.sin, z.cos, 0, 0, 0, 1]
  return multiply(aboutZ, multiply(aboutY, aboutX))
}

interface SinCos {
  sin: number
  cos: number
}

/** Math.cos(Math.PI / 2) is not 0; a quarter turn must stay in the lattice. */
function exactSinCos(degrees: number): SinCos {
  const turned = ((degrees % 360) + 360) % 360
  if (turned % 90 === 0) {
    const quarter = turned / 90
    return { sin: [0, 1, 0, -1][quarter]!, cos: [1, 0, -1, 0][quarter]! }
  }
  const angle = (turned * Math.PI) / 180
  return { sin: Math.sin(angle), cos: Math.cos(angle) }
}
