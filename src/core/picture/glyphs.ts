import type { FlatPoint } from '../space'
import type { RgbImage } from './ink'

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
const WIDE = 5
const HIGH = 7
const INK = 28
const PAPER = 255
/** Half of a paper disc behind the letter, in dots of the letter. */
const DISC = 5.6

/** A letter on a paper disc with an ink rim, its middle at (x, y) px; `dot` is px for one dot of the letter. */
export function drawLetter(image: RgbImage, letter: string, [x, y]: FlatPoint, dot: number): void {
  const rows = GLYPHS[letter]
  if (!rows) return
  const reach = Math.ceil(DISC * dot + 1)
  for (let row = Math.floor(y) - reach; row <= Math.floor(y) + reach; row++) {
    for (let column = Math.floor(x) - reach; column <= Math.floor(x) + reach; column++) {
      if (row < 0 || column < 0 || row >= image.height || column >= image.width) continue
      const far = Math.hypot(column + 0.5 - x, row + 0.5 - y)
      if (far > DISC * dot) continue
      const u = Math.floor((column + 0.5 - x) / dot + WIDE / 2)
      const v = Math.floor((row + 0.5 - y) / dot + HIGH / 2)
      const isInk = u >= 0 && u < WIDE && v >= 0 && v < HIGH && ((rows[v]! >> (WIDE - 1 - u)) & 1) === 1
      const isRim = far > (DISC - 0.7) * dot
      image.data.fill(isInk || isRim ? INK : PAPER, (row * image.width + column) * 3, (row * image.width + column) * 3 + 3)
    }
  }
}
