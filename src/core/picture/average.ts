import { FIRST_DECAL, surfaceOfFace, toneOfFace } from './face-bits'
import { NONE } from './ink-edges'
import type { GBuffer, Window } from './g-buffer'
import { GLINT, LINES, SLOTS, type Palette, type Texel } from './ink-palette'
import { isLit } from './sheen'
import type { RgbImage } from './rgb-image'

/** Stripes of light are as wide as they are where a dot of the picture has so many of the buffer each way. */
const SHEEN_FINER = 2

export interface Averaged {
  readonly buffer: GBuffer
  readonly edges: Uint8Array
  readonly image: RgbImage
  /** Dots of the buffer each way for one of the picture. */
  readonly finer: number
  readonly palette: Palette
  /** Where pieces carry pictures. */
  readonly texel: Texel | undefined
}

/** Colours the dots of a window, and averages squares of `finer` × `finer` of them into dots of the picture. */
export function average(averaged: Averaged, window: Window): void {
  const { buffer, image, finer } = averaged
  const { width, data } = image
  const left = (window.left / finer) | 0
  const right = (window.right / finer) | 0
  const bottom = (window.bottom / finer) | 0
  const colourOf = finer === 1 ? dotColour : finer === 2 ? fourColour : meanColour
  for (let y = (window.top / finer) | 0; y <= bottom; y++) {
    let a = (y * buffer.size.width + left) * finer
    for (let x = left, at = (y * width + left) * 3; x <= right; x++, at += 3, a += finer) {
      const colour = colourOf(averaged, a, x * finer, y * finer)
      data[at] = colour >> 16
      data[at + 1] = (colour >> 8) & 255
      data[at + 2] = colour & 255
    }
  }
}

/** The colour of a dot. @param x from the left, y from the top, in dots of the buffer */
function dotColour({ buffer, edges, palette, texel, finer }: Averaged, dot: number, x: number, y: number): number {
  const { colours, slots, sheens, isAllEven } = palette
  const slot = slots[buffer.part[dot]! + 1]!
  const edge = edges[dot]!
  if (edge !== NONE) return colours[slot + LINES + edge]!
  const face = buffer.face[dot]!
  const tone = slot + toneOfFace(face)
  if (isAllEven && !texel) return colours[tone]!
  // What is not plain carries stripes of light, so that it reads as such in print too.
  const sheen = sheens[slot / SLOTS]
  const across = SHEEN_FINER / finer
  const colour = colours[sheen && isLit(sheen, x * across, y * across) ? tone + GLINT : tone]!
  return texel && slot > 0 && surfaceOfFace(face) >= FIRST_DECAL ? texel(dot, x, y, colour) : colour
}

/** The mean colour of a square of four dots, which mostly show one surface of one part in one tone. */
function fourColour(averaged: Averaged, a: number, x: number, y: number): number {
  const { buffer, edges, palette, texel } = averaged
  const { part, face } = buffer
  const b = a + buffer.size.width
  if ((edges[a]! | edges[a + 1]! | edges[b]! | edges[b + 1]!) === NONE) {
    const id = part[a]!
    const shown = face[a]!
    if (shown === face[a + 1] && shown === face[b] && shown === face[b + 1] && id === part[a + 1] && id === part[b] && id === part[b + 1]) {
      const slot = palette.slots[id + 1]!
      if ((palette.isAllEven || palette.isEven[slot / SLOTS] === 1) && (!texel || surfaceOfFace(shown) < FIRST_DECAL))
        return palette.colours[slot + toneOfFace(shown)]!
    }
  }
  const first = dotColour(averaged, a, x, y)
  const second = dotColour(averaged, a + 1, x + 1, y)
  const third = dotColour(averaged, b, x, y + 1)
  const fourth = dotColour(averaged, b + 1, x + 1, y + 1)
  // Red and blue at once: there is room between them for sums of four.
  const redBlue = (first & 0xff00ff) + (second & 0xff00ff) + (third & 0xff00ff) + (fourth & 0xff00ff)
  const green = (first & 0xff00) + (second & 0xff00) + (third & 0xff00) + (fourth & 0xff00)
  return ((redBlue >> 2) & 0xff00ff) | ((green >> 2) & 0xff00)
}

/** The mean colour of a square of any size. */
function meanColour(averaged: Averaged, corner: number, x: number, y: number): number {
  const { buffer, finer } = averaged
  let [red, green, blue] = [0, 0, 0]
  for (let down = 0; down < finer; down++) {
    for (let right = 0; right < finer; right++) {
      const colour = dotColour(averaged, corner + down * buffer.size.width + right, x + right, y + down)
      red += colour >> 16
      green += (colour >> 8) & 255
      blue += colour & 255
    }
  }
  const dots = finer * finer
  return (((red / dots) | 0) << 16) | (((green / dots) | 0) << 8) | ((blue / dots) | 0)
}
