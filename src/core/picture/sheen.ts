import type { Colour, Finish } from '../catalogue'

/**
 * How pieces that are not plain read as such, in print too and without colour: stripes of light across them, told apart by
 * their slant and width. A dot is lit where across · place, modulo `every`, is less than `wide`; all in dots of the buffer.
 */
export interface Sheen {
  readonly across: readonly [number, number]
  readonly every: number
  readonly wide: number
  /** Share of white in the stripes. */
  readonly light: number
}

/** See-through: fine lines up to the right. Metal: broad bands down to the right. Glow: fine level lines. */
export const SHEENS: Readonly<Record<Exclude<Finish, 'solid'>, Sheen>> = {
  clear: { across: [1, 1], every: 14, wide: 3, light: 0.6 },
  metal: { across: [1, -1], every: 54, wide: 17, light: 0.3 },
  glow: { across: [0, 1], every: 7, wide: 2, light: 0.5 },
}

export const sheenOf = ({ finish }: Colour): Sheen | undefined => (finish === 'solid' ? undefined : SHEENS[finish])

export function isLit({ across, every, wide }: Sheen, x: number, y: number): boolean {
  const along = (across[0] * x + across[1] * y) % every
  return (along < 0 ? along + every : along) < wide
}
