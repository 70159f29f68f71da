/** Places where pieces are longer or shorter than the lattice says, and where they give. Our own measurements of our own pieces, mm. */
export const LINKS = {
  'stud joint': { title: 'Brick or plate on studs', error: 0, play: 0.02 },
  'side by side': { title: 'Bricks side by side', error: -0.02, play: 0.04 },
  'low slopes': { title: 'Low slopes nose to nose', error: 0.15, play: 0 },
  hinge: { title: 'Hinge', error: 0.1, play: 0.05 },
  clip: { title: 'Clip on a bar', error: -0.05, play: 0.2 },
  ball: { title: 'Ball in a cup', error: 0.05, play: 0.05 },
  peg: { title: 'Pin in a hole', error: 0, play: 0.1 },
  bracket: { title: 'Bracket wall', error: 0.04, play: 0 },
} as const
export type LinkKind = keyof typeof LINKS
export const LINK_KINDS = Object.keys(LINKS) as LinkKind[]

export interface ChainLink {
  readonly kind: LinkKind
  readonly count: number
}

export interface Slack {
  /** How much longer the chain is than the lattice says, mm. */
  readonly error: number
  /** How much its joints can give, mm. */
  readonly play: number
  readonly isTakenUp: boolean
}

/** Adds up a chain of joints: whether what it is too long or too short is taken up by play elsewhere in it. */
export function slackOf(chain: readonly ChainLink[]): Slack {
  const error = chain.reduce((sum, { kind, count }) => sum + LINKS[kind].error * count, 0)
  const play = chain.reduce((sum, { kind, count }) => sum + LINKS[kind].play * count, 0)
  return { error, play, isTakenUp: Math.abs(error) <= play + 1e-9 }
}
