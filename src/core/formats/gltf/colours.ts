import { colourDifference, type Catalogue, type Colour, type Finish } from '../../catalogue'
import type { GltfMaterial } from './container'

/** What a material was read as. */
export interface ReadColour {
  readonly hex: string
  readonly colour: string
  readonly deltaE: number
}

/** Below this a colour lets light through. */
const OPAQUE = 0.9
const METALLIC = 0.5

/** From linear light to the numbers of "#rrggbb" (IEC 61966-2-1, sRGB). */
const encoded = (linear: number): number => {
  const light = Math.max(0, Math.min(1, linear))
  return Math.round(255 * (light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055))
}
/** And back. */
export const linearOf = (hex: string, at: 1 | 3 | 5): number => {
  const value = Number.parseInt(hex.slice(at, at + 2), 16) / 255
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
}

/** The nearest of our colours to a material, by CIEDE2000; the grey of a mesh without one is ash. */
export function readColour(material: GltfMaterial | undefined, { colours }: Catalogue): ReadColour {
  const surface = material?.pbrMetallicRoughness
  const factor = surface?.baseColorFactor
  const isSound =
    Array.isArray(factor) && factor.length >= 3 && factor.every((value) => typeof value === 'number' && Number.isFinite(value))
  if (!isSound) return { hex: '#ffffff', colour: material ? 'white' : 'ash', deltaE: 0 }
  const hex = `#${[0, 1, 2]
    .map((i) =>
      encoded(factor[i] as number)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`
  const alpha = (factor[3] as number | undefined) ?? 1
  const finish: Finish =
    alpha < OPAQUE ? 'clear' : surface?.metallicFactor !== undefined && surface.metallicFactor > METALLIC ? 'metal' : 'solid'
  return nearestColour(
    hex,
    [...colours.values()].filter((colour) => colour.finish === finish || (finish === 'solid' && colour.finish === 'glow')),
  )
}

function nearestColour(hex: string, among: readonly Colour[]): ReadColour {
  const [best] = among.map(({ id, hex: known }) => ({ id, apart: colourDifference(hex, known) })).sort((a, b) => a.apart - b.apart)
  return { hex, colour: best!.id, deltaE: Number(best!.apart.toFixed(2)) }
}
