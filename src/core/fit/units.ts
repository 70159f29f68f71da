import { BRICK_HEIGHT, MM_PER_U, PLATE_HEIGHT, STUD_PITCH, WALL_THICKNESS } from '../space'

/** Lengths that builders count in, u. */
const LENGTHS = {
  studs: STUD_PITCH,
  'half studs': STUD_PITCH / 2,
  bricks: BRICK_HEIGHT,
  plates: PLATE_HEIGHT,
  'half plates': PLATE_HEIGHT / 2,
  'bracket walls': WALL_THICKNESS,
  mm: 1 / MM_PER_U,
} as const
export type LengthUnit = keyof typeof LENGTHS
export const LENGTH_UNITS = Object.keys(LENGTHS) as LengthUnit[]

export const toU = (value: number, unit: LengthUnit): number => value * LENGTHS[unit]
export const fromU = (u: number, unit: LengthUnit): number => u / LENGTHS[unit]
export const toMm = (u: number): number => u * MM_PER_U

/** A length in every unit; those that come out whole are marked. */
export function inAllUnits(value: number, unit: LengthUnit): { unit: LengthUnit; value: number; isWhole: boolean }[] {
  const u = toU(value, unit)
  return LENGTH_UNITS.map((each) => {
    const there = fromU(u, each)
    return { unit: each, value: there, isWhole: Math.abs(there - Math.round(there)) < 1e-9 }
  })
}
