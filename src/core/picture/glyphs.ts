/** Capitals in five by seven dots, a row a number, the left dot worth 16. Without I, O and Q, which look like others. */
const GLYPHS: Readonly<Record<string, readonly number[]>> = {
  A: [14, 17, 17, 31, 17, 17, 17],
  B: [30, 17, 17, 30, 17, 17, 30],
  C: [14, 17, 16, 16, 16, 17, 14],
  D: [30, 17, 17, 17, 17, 17, 30],
  E: [31, 16, 16, 30, 16, 16, 31],
  F: [31, 16, 16, 30, 16, 16, 16],
  G: [14, 17, 16, 23, 17, 17, 14],
  H: [17, 17, 17, 31, 17, 17, 17],
  J: [7, 2, 2, 2, 2, 18, 12],
  K: [17, 18, 20, 24, 20, 18, 17],
  L: [16, 16, 16, 16, 16, 16, 31],
  M: [17, 27, 21, 21, 17, 17, 17],
  N: [17, 25, 21, 19, 17, 17, 17],
  P: [30, 17, 17, 30, 16, 16, 16],
  R: [30, 17, 17, 30, 20, 18, 17],
  S: [15, 16, 16, 14, 1, 1, 30],
  T: [31, 4, 4, 4, 4, 4, 4],
  U: [17, 17, 17, 17, 17, 17, 14],
  V: [17, 17, 17, 17, 17, 10, 4],
  W: [17, 17, 17, 21, 21, 27, 17],
  X: [17, 17, 10, 4, 10, 17, 17],
  Y: [17, 17, 10, 4, 4, 4, 4],
  Z: [31, 1, 2, 4, 8, 16, 31],
}
/** Of a glyph's dots. */
const WIDE = 5
const HIGH = 7

/** Whether a capital has ink at a place from its middle, in dots of the glyph. */
export function hasInk(letter: string, x: number, y: number): boolean {
  const [u, v] = [Math.floor(x + WIDE / 2), Math.floor(y + HIGH / 2)]
  const rows = GLYPHS[letter]
  return rows !== undefined && u >= 0 && u < WIDE && v >= 0 && v < HIGH && ((rows[v]! >> (WIDE - 1 - u)) & 1) === 1
}

/** Dots of a glyph in the size of a letter. */
export const DOTS_IN_SIZE = 26 / 3
