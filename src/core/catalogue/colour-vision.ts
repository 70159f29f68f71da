import { converter, differenceCiede2000, formatHex, modeLab65, modeLrgb, modeRgb, useMode, type Color } from 'culori/fn'

useMode(modeRgb)
useMode(modeLrgb)
useMode(modeLab65)
const toLinear = converter('lrgb')

/**
 * How different two colours look (CIEDE2000; Sharma, Wu, Dalal 2005, "The CIEDE2000 color-difference formula: implementation
 * notes, supplementary test data, and mathematical observations"). About 1 can just be told apart side by side.
 */
export const colourDifference: (one: string | Color, other: string | Color) => number = differenceCiede2000()

/** A colour ("#rrggbb") as differences are reckoned from: for one that is compared with many. */
export const colourSeen: (hex: string) => Color | undefined = converter('lab65')

/**
 * How a colour looks to eyes that lack one kind of cone, in linear light (Machado, Oliveira, Fernandes 2009, "A
 * physiologically-based model for simulation of color vision deficiency", severity 1). The library would reckon with gamma in it.
 */
const DEFICIENCIES = {
  red: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  green: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  blue: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
} as const
type Cone = keyof typeof DEFICIENCIES
const CONES = Object.keys(DEFICIENCIES) as Cone[]

/** Differences below this are hard to tell in a printed step, for most eyes and for those that lack a kind of cone. */
const ALIKE = 7
const ALIKE_WITHOUT_CONE = 4

/** How a colour ("#rrggbb") looks without one kind of cone. */
function seenWithout(cone: Cone, hex: string): string {
  const m = DEFICIENCIES[cone]
  const { r, g, b } = toLinear(hex)!
  const row = (at: 0 | 3 | 6): number => Math.max(0, Math.min(1, m[at] * r + m[(at + 1) as 1] * g + m[(at + 2) as 2] * b))
  return formatHex({ mode: 'lrgb', r: row(0), g: row(3), b: row(6) })
}

export type ColourLikeness = 'all' | 'some' | 'none'

/** Colours are few, and the same pairs are asked for at every step. */
const known = new Map<string, ColourLikeness>()

/** Who will hardly tell two colours ("#rrggbb") apart: everybody, those who lack a kind of cone, or nobody. */
export function alikeFor(one: string, other: string): ColourLikeness {
  const key = one < other ? `${one} ${other}` : `${other} ${one}`
  let alike = known.get(key)
  if (!alike) known.set(key, (alike = findAlike(one, other)))
  return alike
}

function findAlike(one: string, other: string): ColourLikeness {
  if (colourDifference(one, other) < ALIKE) return 'all'
  return CONES.some((cone) => colourDifference(seenWithout(cone, one), seenWithout(cone, other)) < ALIKE_WITHOUT_CONE) ? 'some' : 'none'
}
