import type { Colour } from '../catalogue'
import { sheenOf, type Sheen } from './sheen'

export type Rgb = readonly [number, number, number]

/** How a part is inked. */
export interface PartLook {
  readonly colour: Rgb
  readonly line: Rgb
  /** Stripes of light on what is see-through, metal or glowing. */
  readonly sheen: Sheen | undefined
}

export const WHITE: Rgb = [255, 255, 255]
export const INK: Rgb = [31, 33, 36]

export function rgbOf(hex: string): Rgb {
  const value = Number.parseInt(hex.slice(1), 16)
  return [value >> 16, (value >> 8) & 255, value & 255]
}

const LIGHT_LINE: Rgb = [150, 154, 160]

/** How a piece of a colour is drawn: dark pieces get light lines, so that their inside stays readable. */
export function lookOf(colour: Colour): PartLook {
  const rgb = rgbOf(colour.hex)
  const luminance = 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2]
  return { colour: rgb, line: luminance < 62 ? LIGHT_LINE : INK, sheen: sheenOf(colour) }
}
