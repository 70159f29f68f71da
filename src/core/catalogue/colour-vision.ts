import { colourDifference, labOf } from './colour-difference'

/**
 * How a colour looks to eyes that lack one kind of cone, in linear light (Machado, Oliveira, Fernandes 2009, "A
 * physiologically-based model for simulation of color vision deficiency", severity 1).
 */
const DEFICIENCIES: Readonly<Record<string, readonly number[]>> = {
  red: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  green: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  blue: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
}

/** Differences below this are hard to tell in a printed step, for most eyes and for those that lack a kind of cone. */
const ALIKE = 7
const ALIKE_WITHOUT_CONE = 4

/** How a colour ("#rrggbb") looks without one kind of cone. */
function seenWithout(cone: 'red' | 'green' | 'blue', hex: string): string {
  const m = DEFICIENCIES[cone]!
  const light = [1, 3, 5].map((at) => (Number.parseInt(hex.slice(at, at + 2), 16) / 255) ** 2.2)
  const seen = [0, 3, 6].map((row) => light.reduce((sum, value, k) => sum + m[row + k]! * value, 0))
  const byte = (value: number): string =>
    Math.round(255 * Math.max(0, Math.min(1, value)) ** (1 / 2.2))
      .toString(16)
      .padStart(2, '0')
  return `#${seen.map(byte).join('')}`
}

/** Who will hardly tell two colours apart: everybody, those who lack a kind of cone, or nobody. */
export function alikeFor(one: string, other: string): Alike {
  const key = one < other ? `${one} ${other}` : `${other} ${one}`
  let alike = known.get(key)
  if (!alike) known.set(key, (alike = findAlike(one, other)))
  return alike
}

export type Alike = 'all' | 'some' | 'none'

/** Colours are few, and the same pairs are asked for at every step. */
const known = new Map<string, Alike>()

function findAlike(one: string, other: string): Alike {
  const difference = (a: string, b: string): number => colourDifference(labOf(a), labOf(b))
  if (difference(one, other) < ALIKE) return 'all'
  const isAlike = (cone: 'red' | 'green' | 'blue'): boolean =>
    difference(seenWithout(cone, one), seenWithout(cone, other)) < ALIKE_WITHOUT_CONE
  return (['red', 'green', 'blue'] as const).some(isAlike) ? 'some' : 'none'
}
