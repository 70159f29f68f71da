/** Where a number comes from: measured here, or what people who build sideways go by. */
type SlackSource = 'measured' | 'rule of thumb'

interface LinkSlack {
  /** How much longer than the lattice says, mm. */
  readonly error: number
  /** How much it gives, mm. */
  readonly play: number
  readonly from: SlackSource
}

const link = (error: number, play: number): LinkSlack => ({ error, play, from: 'rule of thumb' })

/** Places where pieces are longer or shorter than the lattice says, and where they give. Nobody has measured these here. */
export const LINKS = {
  'stud joint': link(0, 0.02),
  'side by side': link(-0.02, 0.04),
  'low slopes': link(0.15, 0),
  hinge: link(0.1, 0.05),
  clip: link(-0.05, 0.2),
  ball: link(0.05, 0.05),
  peg: link(0, 0.1),
  bracket: link(0.04, 0),
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

/** Two ways from one place to another, which must be as long as each other: how far one is off against the other, and what both give. */
export function slackBetween(one: readonly ChainLink[], other: readonly ChainLink[]): Slack {
  const [a, b] = [slackOf(one), slackOf(other)]
  const [error, play] = [a.error - b.error, a.play + b.play]
  return { error, play, isTakenUp: isWithin(error, play) }
}

/** Adds up a chain of joints: whether what it is too long or too short is taken up by play elsewhere in it. */
export function slackOf(chain: readonly ChainLink[]): Slack {
  const error = chain.reduce((sum, { kind, count }) => sum + LINKS[kind].error * count, 0)
  const play = chain.reduce((sum, { kind, count }) => sum + LINKS[kind].play * count, 0)
  return { error, play, isTakenUp: isWithin(error, play) }
}

const isWithin = (error: number, play: number): boolean => Math.abs(error) <= play + 1e-9
